export * from './cut-squares';
