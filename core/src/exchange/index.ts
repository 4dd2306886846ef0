export * from './printed-part-svg';
