const { createCjsPreset } = require('jest-preset-angular/presets');
const preset = createCjsPreset({ tsconfig: '<rootDir>/tsconfig.spec.json' });

const esmOnly = 'tslib|three|comlink|robust-predicates|idb';

/** ESM-only plain JavaScript packages are turned into CommonJS by swc, Angular's own .mjs by the preset. */
module.exports = {
  ...preset,
  displayName: 'web',
  testEnvironment: 'jsdom',
  setupFilesAfterEnv: ['<rootDir>/src/test-setup.ts', '<rootDir>/../scripts/property-seed.cjs'],
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  transform: {
    [`node_modules/(${esmOnly})/.+\\.m?js$`]: [
      '@swc/jest',
      { jsc: { target: 'es2022' }, module: { type: 'commonjs' } },
    ],
    '(core|contract)/src/.+\\.ts$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
    ...preset.transform,
  },
  transformIgnorePatterns: [`node_modules/(?!(.*\\.mjs$|(${esmOnly})/|@odd-corner/))`],
};
