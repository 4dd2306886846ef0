export * from './ease';
export * from './slack';
export * from './smallest-step';
export * from './finished-cache';
export * from './size-tray';
export * from './common-things';
export * from './explain-sizing';
export * from './graded-stack';
