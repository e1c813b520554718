import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import hooks from 'eslint-plugin-react-hooks'
import globals from 'globals'
import ts from 'typescript-eslint'

/** Longer than a function should be, from before there was a rule; none is to be added. */
const LONG = [
  'scripts/screenshots.mjs',
  'web/src/ui/quantity.tsx',
  'web/src/parts/colorant-rows.tsx',
  ...[
    'batter/additives-table',
    'batter/character-panel',
    'batter/liquids-table',
    'batter/oils-table',
    'batter/size-fields',
    'colour/ladder-dialog',
    'colour/palettes-section',
    'cups/cup-working',
    'cups/medium-section',
    'cups/moulds-section',
    'cut/cure-section',
    'heat/readings',
    'recipes/audit-section',
    'rest/rest-curves',
    'rest/rest-settings',
    'score/face-view',
    'score/risk-strip',
    'score/times-dialog',
    'sheet/pours-part',
    'shelf/lots-editor',
  ].map(name => `web/src/features/${name}.tsx`),
]

export default ts.config(
  { ignores: ['**/dist/**', '**/dist-types/**', '**/node_modules/**', '.data/**', '.cache/**', '**/test-results/**'] },
  js.configs.recommended,
  { files: ['scripts/**/*.mjs', '*.js'], languageOptions: { globals: globals.node } },
  { files: ['scripts/lib/bench-pages.mjs', 'scripts/screenshots.mjs'], languageOptions: { globals: globals.browser } },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: {
        projectService: {
          allowDefaultProject: [
            'vitest.config.ts',
            'core/vitest.config.ts',
            'server/vitest.config.ts',
            'web/vite.config.ts',
            'web/vitest.config.ts',
            'scripts/vitest.config.ts',
          ],
        },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
    },
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
    ignores: ['**/*.test.*', '**/test/**', ...LONG],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['web/src/**/*.{ts,tsx}'], extends: [hooks.configs.flat.recommended] },
  prettier,
)
