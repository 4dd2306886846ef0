export * from './draw';
export * from './drawing';
export * from './step-pictures';
export * from './surfaces';
export * from './view';
export * from './skin';
export * from './crease-picture';
export * from './tray-scene';
