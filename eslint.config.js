import js from '@eslint/js';
import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import { readdirSync, readFileSync } from 'node:fs';
import tseslint from 'typescript-eslint';

/** Ids and names of all forms and their pieces, as their own folders give them. */
const formsDir = new URL('core/src/forms/', import.meta.url);
const formSources = readdirSync(formsDir, { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .flatMap(({ name }) =>
    readdirSync(new URL(`${name}/`, formsDir))
      .filter((file) => file !== 'words.ts')
      .map((file) => new URL(`${name}/${file}`, formsDir)),
  )
  .map((file) => readFileSync(file, 'utf8'));
const matched = (pattern) => formSources.flatMap((text) => [...text.matchAll(pattern)].map(([, found]) => found));
const formIds = matched(/^ {2,4}id: '([a-z-]+)',$/gm).join('|');
const formNames = matched(/^export const (\w+): Form</gm).join('|');
const decidedByForm =
  'No decision hangs on which form it is: what differs between forms is said by the forms themselves.';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/out/**',
      '**/.angular/**',
      '**/node_modules/**',
      '**/*.cjs',
      '**/*.mjs',
      'eslint.config.js',
    ],
  },
  {
    files: ['**/*.ts'],
    extends: [js.configs.recommended, ...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
    },
  },
  {
    files: ['{contract,server,demo,web}/src/**/*.ts', 'core/src/**/*.ts'],
    ignores: ['core/src/forms/*/**', '**/*.spec.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['BinaryExpression[operator=/^[!=]==?$/]', 'SwitchCase'].flatMap((decides) => [
          { selector: `${decides} > Literal[value=/^(${formIds})$/]`, message: decidedByForm },
          {
            selector: `${decides} > MemberExpression[property.name='id'][object.name=/^(${formNames})$/]`,
            message: decidedByForm,
          },
        ]),
      ],
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@angular-eslint/prefer-signals': 'error',
    },
  },
  {
    files: ['web/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: '[name=/^(select|dialog|details|progress)$/][startSourceSpan]',
          message: 'Angular Material has this: select, dialog, expansion panel, progress bar.',
        },
        {
          selector: '[name="type"][value=/^(radio|range|checkbox)$/]',
          message: 'Angular Material has this: radio or button toggle, slider, checkbox.',
        },
        {
          selector: '[name=/^(input|textarea)$/][startSourceSpan]:not(:has([name=/^(matInput|matSliderThumb)$/]))',
          message: 'Fields are oc-field, or matInput in a form field of the library.',
        },
      ],
    },
  },
  prettier,
);
