import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { floorRules } from './tools/lint/floors.mjs';
import { ownTables } from './tools/lint/ownTables.mjs';

export default tseslint.config(
  {
    ignores: [
      '**/node_modules',
      '**/dist',
      '.cadro',
      'app/.expo',
      'app/public',
      'core/src/conformance/*.json',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      // What is left out by naming it is used: that is how the rest is taken.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/switch-exhaustiveness-check': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-restricted-globals': ['error'],
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': ['error', 60],
      eqeqeq: 'error',
    },
  },
  ...floorRules,
  {
    files: ['server/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'server/src/testing/**'],
    plugins: { cadro: { rules: { 'own-tables': ownTables } } },
    rules: { 'cadro/own-tables': 'error' },
  },
  {
    files: ['core/**/*.ts', 'server/src/**/*.ts', 'school/src/**/*.ts'],
    ignores: ['server/src/kit/db/clock.ts', '**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'Time comes from a Clock that is passed in.',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Time comes from a Clock that is passed in.',
        },
      ],
    },
  },
  {
    // The sums run over arrays whose lengths belong together; a fallback there would hide a wrong index.
    files: ['core/src/gradebook/**/*.ts', 'core/src/outlook/{,work/,tries/}*.ts', 'core/src/plan/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'JSXAttribute[name.name=/[sS]tyle$/] > JSXExpressionContainer > ObjectExpression:not(:has(> SpreadElement))',
          message:
            'A style has a name: one of ui/styles, or one beside its component (StyleSheet.create, themed).',
        },
      ],
    },
  },
  {
    files: ['**/*.{js,mjs,cjs}'],
    languageOptions: {
      globals: {
        module: 'writable',
        require: 'readonly',
        process: 'readonly',
        console: 'readonly',
        __dirname: 'readonly',
        fetch: 'readonly',
        AbortSignal: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        clearTimeout: 'readonly',
        Buffer: 'readonly',
        URL: 'readonly',
      },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  { files: ['app/src/i18n/*/*.ts', '**/*.test.{ts,tsx}'], rules: { 'max-lines': 'off' } },
  {
    files: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "AssignmentExpression > MemberExpression.left[object.name='globalThis'], CallExpression[callee.object.name='Object'] > Identifier.arguments:first-child[name='globalThis']",
          message: 'Other test files run in the same process: replaceGlobals puts back what was there.',
        },
      ],
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**', '**/testing/**'],
    rules: { 'max-lines-per-function': 'off' },
  },
);
