export * from './paper';
export * from './sheet';
export * from './iso-sheets';
export * from './stock-sheets';
