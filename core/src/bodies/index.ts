export * from './contents';
export * from './arrange';
export * from './hull';
export * from './afloat';
export * from './pouch';
