// Who may import whom stands in .dependency-cruiser.mjs.
import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';
import { noCastToContract, noPathLiterals } from './scripts/lint-rules.mjs';

export default tseslint.config(
  {
    ignores: [
      'dist',
      'dist-server',
      'node_modules',
      '.cache',
      'data',
      'server/db/migrations',
      'test-results',
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: { projectService: { allowDefaultProject: ['eslint.config.js', 'scripts/*.mjs'] } },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'separate-type-imports' }],
      '@typescript-eslint/only-throw-error': 'error',
    },
  },
  { files: ['**/*.mjs', 'eslint.config.js'], ...tseslint.configs.disableTypeChecked },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/testing/**'],
    rules: {
      'no-restricted-globals': ['error', 'fetch', 'window', 'document', 'process', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
        { object: 'Date', property: 'now', message: 'Time comes in as an argument.' },
      ],
    },
  },
  {
    files: ['e2e/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.property.name="waitForTimeout"]',
          message: 'Wait for what the person would see, not for a while.',
        },
        {
          selector: 'Literal[value="networkidle"]',
          message: 'Wait for what the person would see, not for a quiet network.',
        },
      ],
    },
  },
  {
    files: ['contract/**/*.ts', 'core/**/*.ts', 'server/**/*.ts', 'web/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**', 'contract/endpoints.ts'],
    plugins: { house: { rules: { 'no-cast-to-contract': noCastToContract } } },
    rules: {
      'no-restricted-syntax': ['error', ...noPathLiterals],
      'house/no-cast-to-contract': 'error',
    },
  },
  {
    // Where what was read becomes typed, after it was held to the table.
    files: ['web/shell/api.ts', 'server/endpoint.ts'],
    rules: { 'house/no-cast-to-contract': 'off' },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: hooks.configs.recommended.rules,
  },
);
