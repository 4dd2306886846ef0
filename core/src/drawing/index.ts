export * from './draw';
export * from './drawing';
export * from './step-pictures';
export * from './surfaces';
export * from './view';
