export * from './paper';
export * from './sheet';
