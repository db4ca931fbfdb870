import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

/** A room's public face is its index.ts; only files of the same room reach past it. */
const otherRoomsInside = {
  regex: '^(\\.\\./)+(?!contract/)[a-z]+/(?!index\\.ts$)[^/]+\\.tsx?$',
  message: "Import another room through its index.ts; a room's other files are its own.",
};
const never = (layers, why) => ({
  regex: `(^|/)(${layers.join('|')})/`,
  message: why,
});

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
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            never(['contract', 'server', 'web', 'scripts'], 'core imports nothing but itself.'),
            {
              group: [
                'react',
                'react-dom',
                'hono',
                'hono/*',
                'drizzle-orm',
                'drizzle-orm/*',
                'node:*',
                'joi',
              ],
              message: 'core has no interface, server, database or system code.',
            },
            otherRoomsInside,
          ],
        },
      ],
      'no-restricted-globals': ['error', 'fetch', 'window', 'document', 'process', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass a seeded generator in.' },
        { object: 'Date', property: 'now', message: 'Time comes in as an argument.' },
      ],
    },
  },
  {
    files: ['core/**/*.test.ts'],
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    files: ['contract/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [never(['server', 'web', 'scripts'], 'contract imports only core.')] },
      ],
    },
  },
  {
    files: ['server/**/*.ts'],
    ignores: ['server/**/*.test.ts', 'server/testing/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [never(['web', 'scripts'], 'server imports contract and core.'), otherRoomsInside] },
      ],
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      ...hooks.configs.recommended.rules,
      'no-restricted-imports': 'off',
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            { ...never(['server', 'scripts'], 'web never imports server.'), allowTypeImports: false },
            {
              regex: '(^|/)contract/',
              message: 'web takes only types from contract (Joi stays out of the bundle).',
              allowTypeImports: true,
            },
            otherRoomsInside,
          ],
        },
      ],
    },
  },
);
