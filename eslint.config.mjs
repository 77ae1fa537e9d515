import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const rooms = [
  'household',
  'gradebook',
  'outlook',
  'attendance',
  'alerts',
  'followups',
  'messages',
  'calendar',
  'plan',
  'sources',
];
const layers = ['core', 'contract', 'server', 'app', 'school'];

/** Who may know whom. What a layer may not import is said in words. */
const mayKnow = {
  contract: [],
  core: ['contract'],
  server: ['core', 'contract'],
  app: ['core', 'contract'],
  school: ['contract'],
};

const boundary = (layer) => ({
  files: [`${layer}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: `^@cadro/(${layers.filter((other) => !mayKnow[layer].includes(other)).join('|')})(/|$)`,
            message: `${layer} may know ${mayKnow[layer].join(' and ') || 'nobody'} only.`,
          },
          { regex: `^(\\.\\./)+(${layers.join('|')})/src/`, message: 'A layer is imported by its name.' },
          ...(layer === 'core' || layer === 'contract'
            ? [
                {
                  regex: '^(react|react-native|express|knex|pg)(/|$)',
                  message: 'No interface and no I/O here.',
                },
              ]
            : []),
          ...(layer === 'contract'
            ? []
            : [
                {
                  // api.ts is a room's door to the server: rooms that need each other's data meet there.
                  regex: `^(\\.\\./)+(${rooms.join('|')})/(?!api$).+`,
                  message: 'A room uses another room only through its index.',
                },
              ]),
        ],
      },
    ],
  },
});

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
      '@typescript-eslint/switch-exhaustiveness-check': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      'no-restricted-globals': ['error'],
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      eqeqeq: 'error',
    },
  },
  ...layers.map(boundary),
  {
    files: ['core/**/*.ts', 'server/src/**/*.ts', 'school/src/**/*.ts'],
    ignores: ['server/src/db/clock.ts', '**/*.test.ts'],
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
    files: ['core/src/gradebook/**/*.ts', 'core/src/outlook/*.ts', 'core/src/plan/*.ts'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['**/*.{js,mjs}'],
    languageOptions: {
      globals: {
        module: 'writable',
        require: 'readonly',
        process: 'readonly',
        console: 'readonly',
        __dirname: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        Buffer: 'readonly',
        URL: 'readonly',
      },
    },
    rules: { '@typescript-eslint/no-require-imports': 'off' },
  },
  { files: ['app/src/i18n/*.ts', '**/*.test.ts'], rules: { 'max-lines': 'off' } },
);
