export * from './room-kind';
export * from './box';
export * from './pocket';
export * from './corner';
export * from './hull';
export * from './pouch';
export * from './prism';
export * from './all-rooms';
