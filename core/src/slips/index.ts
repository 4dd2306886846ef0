export * from './slip-words';
export * from './wrong-states';
export { lookAlike, lookOf } from './looks';
