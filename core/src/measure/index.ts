export * from './point';
export * from './vector3';
export * from './parse-length';
export * from './parse-sizes';
export * from './format-length';
export * from './ruler';
export * from './seeded-random';
