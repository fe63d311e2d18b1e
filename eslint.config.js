import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  {
    ignores: [
      'dist',
      'data',
      'node_modules',
      'scripts/**',
      // What a thread loads before it can read TypeScript.
      'src/**/*.mjs',
      '*.config.js',
      '.dependency-cruiser.cjs',
      // Goes to the browser as it is.
      'src/server/features/letterPage/pair.js',
    ],
  },
  ...tseslint.configs.recommended,
  {
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/ban-ts-comment': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
    },
  },
  { files: ['src/client/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core has no clock: pass the time in' },
        { object: 'Math', property: 'random', message: 'core has no randomness: pass it in' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core has no clock: pass the time in',
        },
      ],
    },
  },
);
