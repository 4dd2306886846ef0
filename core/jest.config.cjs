/** Types are checked by tsc; here they are only stripped. */
module.exports = {
  displayName: 'core',
  testEnvironment: 'node',
  roots: ['<rootDir>/test'],
  setupFiles: ['<rootDir>/test/seed.ts'],
  transform: {
    '^.+\\.[cm]?tsx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
};
