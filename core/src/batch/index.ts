export * from './batch';
export * from './stages';
