/*
 * Ours, and the libraries that are published as modules, are transformed by swc as all else is: over a thousand files, at a
 * third of babel's time. React Native's own, which are Flow, are left to babel.
 */
const swc = [
  '@swc/jest',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: true },
      target: 'es2022',
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];
const asModules = [
  '@react-navigation',
  '@rneui',
  '@reduxjs',
  'react-redux',
  'immer',
  'standard-navigation',
  'react-error-boundary',
];

// What Metro fills in when it builds for the web.
process.env.EXPO_OS = 'web';
const asForTheWeb = {
  '^react-native$': 'react-native-web',
  // A pattern in what a package exports, which the resolver does not read.
  '^chrono-node/(en|es)$': '<rootDir>/../node_modules/chrono-node/dist/cjs/locales/$1/index.js',
};

module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.dom.test.ts', '<rootDir>/src/**/*.test.tsx'],
  moduleNameMapper: asForTheWeb,
  transform: {
    '/(app|core|contract)/src/.+\\.tsx?$': swc,
    [`/node_modules/(${asModules.join('|')}|expo|expo-[a-z-]+|@expo)/.+\\.[jt]sx?$`]: swc,
  },
  transformIgnorePatterns: [
    `node_modules/(?!((jest-)?react-native|@react-native(-community)?|${asModules.join('|')}|expo|@expo|expo-.*|@cadro)(/|-))`,
  ],
};
