export * from './pour/poured-thing';
export * from './pour/vessel';
export * from './pour/estimate-poured';
export * from './pour/pour';
export * from './float/below-plane';
export * from './float/hull-shape';
export * from './float/float-hull';
