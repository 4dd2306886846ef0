/** Types are checked by tsc; here they are only stripped. */
module.exports = {
  displayName: 'core',
  testEnvironment: 'node',
  roots: ['<rootDir>/test'],
  setupFilesAfterEnv: ['<rootDir>/../scripts/property-seed.cjs'],
  // A package that ships ES modules only is turned into CommonJS like our own.
  transformIgnorePatterns: ['node_modules/(?!(robust-predicates|@odd-corner)/)'],
  transform: {
    '^.+\\.[cm]?[jt]sx?$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
};
