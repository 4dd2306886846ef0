export * from './joint';
export * from './merge-poses';
export * from './together';
export * from './assembly';
