export * from './crease-sheet';
export * from './crease-sheet-svg';
export * from './printed-part-svg';
export * from './drawing-shapes';
export * from './drawing-svg';
export * from './stl';
