import js from '@eslint/js'
import jsxA11y from 'eslint-plugin-jsx-a11y'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

/** What the core must not touch: it computes on plain data and nothing else. */
const coreGlobals = [
  'window',
  'document',
  'navigator',
  'localStorage',
  'fetch',
  'process',
  'setTimeout',
  'setInterval',
  'performance',
  'console',
  'crypto',
]

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      'test-results/**',
      'playwright-report/**',
      '.shot.mjs',
      'packages/core/bench/bundle.mjs',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'no-console': 'off',
      'object-shorthand': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['**/*.mjs', '**/*.ts'],
    languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly' } },
    rules: { 'no-undef': 'off' },
  },
  {
    // what does not fit on a screen does more than one thing
    files: ['packages/*/src/**/*.{ts,tsx}', 'apps/*/src/**/*.{ts,tsx}'],
    rules: { 'max-lines-per-function': ['error', { max: 80 }] },
  },
  {
    files: ['packages/core/src/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', ...coreGlobals],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['react*', 'node:*', 'fs', 'path', 'd3', '@reach-plot/*', 'localforage', 'zustand*'],
              message: 'The core imports no React, DOM, network, file or clock.',
            },
          ],
        },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'The core has no clock: pass the time in.',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The core has no clock: pass the time in.',
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'The core takes `random` as an argument.',
        },
        { selector: 'ExportAllDeclaration', message: 'List public names by hand.' },
      ],
    },
  },
  {
    files: ['apps/web/src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks, 'jsx-a11y': jsxA11y },
    rules: {
      ...reactHooks.configs.recommended.rules,
      // these two are about the React Compiler, which this project does not use
      'react-hooks/preserve-manual-memoization': 'off',
      'react-hooks/incompatible-library': 'off',
      ...jsxA11y.flatConfigs.strict.rules,
      // autofocus in a sheet that has just been opened is what the person asked for
      'jsx-a11y/no-autofocus': 'off',
      // a region that scrolls needs the focus for the arrow keys
      'jsx-a11y/no-noninteractive-tabindex': ['error', { roles: ['region', 'tabpanel'], tags: [] }],
    },
  },
)
