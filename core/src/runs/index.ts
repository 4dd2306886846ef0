export * from './schedule-run';
export * from './sittings';
