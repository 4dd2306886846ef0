export * from './face-words';
export * from './shown-faces';
export { unionOutline } from './union-outline';
