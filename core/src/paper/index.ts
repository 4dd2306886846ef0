export * from './paper';
export * from './sheet';
export * from './iso-sheets';
export * from './stock-sheets';
export * from './paper-weight';
