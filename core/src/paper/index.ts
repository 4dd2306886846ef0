export * from './paper';
export * from './sheet';
export * from './stock-sheets';
