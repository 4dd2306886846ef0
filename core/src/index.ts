export * from './measure';
export * from './paper';
export * from './pattern';
export * from './folding';
export * from './forms';
export * from './drawing';
