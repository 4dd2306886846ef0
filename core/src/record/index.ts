export * from './deviations';
