import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import names from './tools/lint-names.mjs';
import types from './tools/lint-types.mjs';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.data/**', '.cache/**'] },
  js.configs.recommended,
  { rules: { 'no-undef': 'off' } },
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...tseslint.configs.strictTypeChecked],
    languageOptions: {
      parserOptions: {
        // One program for all parts: what core is to each of them is worked out once.
        project: 'tsconfig.lint.json',
        tsconfigRootDir: import.meta.dirname,
      },
    },
    plugins: { types },
    rules: {
      'types/compiler': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Numbers in a text are what most texts here are about.
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      // Queries without an argument take `void`, and entity schemas are plain objects by design of their library.
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      // Indexes into arrays of known length are asserted where the length was just checked.
      '@typescript-eslint/no-non-null-assertion': 'off',
      // `void` marks a promise that is deliberately not awaited; and setters return nothing anyway.
      '@typescript-eslint/no-confusing-void-expression': 'off',
    },
  },
  // A new product is files of its own: nothing else knows it, or its steps, by name.
  {
    files: ['core/src/**/*.ts', 'server/src/**/*.ts', 'web/src/**/*.ts', 'web/src/**/*.tsx'],
    ignores: [
      'core/src/{steps,products,contract,demo,methods,schools}/**',
      'web/src/places/*/panels/**',
      'web/src/places/methods/**',
      'server/src/{demo,testing}/**',
      '**/fixtures/**',
      '**/*.test.ts',
      '**/*.test.tsx',
    ],
    plugins: { names },
    rules: { 'names/steps-by-name': 'error' },
  },
  // The one program knows the globals of browsers and of Node everywhere; each part may use its own only.
  {
    files: ['server/src/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'navigator', 'location'],
    },
  },
  {
    files: ['web/src/**/*.ts', 'web/src/**/*.tsx'],
    ignores: ['**/*.test.ts', '**/*.test.tsx'],
    rules: { 'no-restricted-globals': ['error', 'process', 'Buffer', 'global', 'setImmediate', 'require'] },
  },
  {
    files: ['web/**/*.ts', 'web/**/*.tsx'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
