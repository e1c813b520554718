import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import hooks from 'eslint-plugin-react-hooks'
import globals from 'globals'
import ts from 'typescript-eslint'

/** What needs no types. Rules that do are looked at by oxlint (`.oxlintrc.json`), in a tenth of the time. */
export default ts.config(
  { ignores: ['**/dist/**', '**/dist-types/**', '**/node_modules/**', '.data/**', '.cache/**', '**/test-results/**'] },
  js.configs.recommended,
  { files: ['scripts/**/*.mjs', '*.js'], languageOptions: { globals: globals.node } },
  { files: ['scripts/lib/bench-pages.mjs', 'scripts/screenshots.mjs'], languageOptions: { globals: globals.browser } },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommended],
    rules: { '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }] },
  },
  {
    // The core computes: no files, network, clock, dice or page. Its tests may read the examples.
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/test/**'],
    rules: {
      'no-restricted-imports': ['error', { patterns: ['node:*', '@ostler/*'] }],
      'no-restricted-globals': [
        'error',
        'process',
        'Buffer',
        'fetch',
        'performance',
        'setTimeout',
        'window',
        'document',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
    },
  },
  {
    files: ['{core,server,web}/src/**/*.{ts,tsx}', 'scripts/**/*.mjs'],
    rules: { 'max-lines': ['error', 400] },
  },
  {
    files: ['{core,server,web}/src/**/*.{ts,tsx}', 'scripts/**/*.mjs'],
    ignores: ['**/*.test.*', '**/test/**'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['web/src/**/*.{ts,tsx}'], extends: [hooks.configs.flat.recommended] },
  prettier,
)
