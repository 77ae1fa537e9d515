/** Node workspaces run through swc; the app brings jest-expo's own setting. */
const node = (name, extra = {}) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: require.resolve('./tools/lib/keptEnvironment.cjs'),
  runtime: require.resolve('./tools/lib/keptRuntime.cjs'),
  setupFiles: [require.resolve('./tools/lib/sameDraws.cjs')],
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  transform: {
    '^.+\\.[jt]s$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
    ],
  },
  // Published as ES modules only.
  transformIgnorePatterns: ['node_modules/(?!(@scure|@noble|@otplib)/)'],
  ...extra,
});

module.exports = {
  testSequencer: require.resolve('./tools/lib/longestFirst.cjs'),
  // Far above what any test needs: it ends one that hangs, and a busy machine does not meet it.
  testTimeout: 300_000,
  projects: [
    node('core'),
    node('contract'),
    node('school'),
    node('server', {
      globalSetup: require.resolve('./server/src/testing/templates.ts'),
      setupFilesAfterEnv: [require.resolve('./server/src/testing/environment.ts')],
    }),
    node('tools', { testMatch: ['<rootDir>/**/*.test.ts'] }),
    '<rootDir>/app/jest.config.js',
  ],
};
