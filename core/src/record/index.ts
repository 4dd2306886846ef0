export * from './deviations';
export * from './hand-model';
export * from './learn-hand';
export * from './step-pace';
export * from './pace';
export * from './guesses';
export * from './drafts';
