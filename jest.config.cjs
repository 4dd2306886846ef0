module.exports = {
  projects: ['<rootDir>/core', '<rootDir>/server', '<rootDir>/web'],
  globalSetup: '<rootDir>/scripts/fresh-seed.cjs',
  testSequencer: '<rootDir>/scripts/longest-first.cjs',
  // Many tests fold for real, and on a busy machine several times slower: no test is about how long it takes.
  testTimeout: 120_000,
};
