export * from './crease-sheet';
export * from './crease-sheet-svg';
export * from './printed-part-svg';
