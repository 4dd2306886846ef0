export * from './crease-pattern';
export * from './blank-pattern';
export * from './convex';
export * from './split-faces';
export * from './segment-cuts';
