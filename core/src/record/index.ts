export * from './deviations';
export * from './hand-model';
export * from './learn-hand';
export * from './pace';
export * from './guesses';
export * from './drafts';
