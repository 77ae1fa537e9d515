module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  transformIgnorePatterns: [
    'node_modules/(?!((jest-)?react-native|@react-native(-community)?|@rneui|expo|@expo|expo-.*|react-redux|@reduxjs|immer|standard-navigation|@cadro)(/|-))',
  ],
};
