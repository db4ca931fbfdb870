// Who may import whom stands in .dependency-cruiser.mjs.
import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

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
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: hooks.configs.recommended.rules,
  },
);
