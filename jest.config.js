const layers = ['core', 'contract', 'school', 'server', 'app', 'tools'];
const setup = require.resolve('./tools/jest/setup.cjs');
const serverSetup = require.resolve('./server/src/testing/setup.ts');

/** A test that replaces a module by another needs a module registry of its own, which Jest's default runner gives it. */
const replacesModules = '/server/src/main/rows\\.test\\.ts$';

/** A test of the app that needs a document runs in jest-expo's, as components do. */
const needsDocument = '\\.dom\\.test\\.ts$';

module.exports = async () => {
  const { restOnly } = await import('./tools/test/scopes.mjs');
  return config(process.env.TEST_LEAVES_OUT_THE_REST ? restOnly : []);
};

/** @param {readonly string[]} leftOut test files that do not run */
const config = (leftOut) => ({
  testSequencer: require.resolve('./tools/jest/longestFirst.cjs'),
  // Far above what any test needs: it ends one that hangs, and a busy machine does not meet it.
  testTimeout: 300_000,
  projects: [
    {
      // Plain Node with its own module cache: a worker loads the server once, not once for each file. `npm test` sets
      // NODE_OPTIONS so that Node reads TypeScript.
      displayName: 'node',
      runner: 'jest-light-runner/child-process',
      rootDir: __dirname,
      roots: layers.map((layer) => `<rootDir>/${layer}`),
      testMatch: ['**/*.test.ts'],
      testPathIgnorePatterns: ['/node_modules/', replacesModules, needsDocument, ...leftOut],
      setupFiles: [setup],
      setupFilesAfterEnv: [serverSetup],
      transform: {},
    },
    {
      displayName: 'replaced modules',
      rootDir: `${__dirname}/server`,
      testEnvironment: 'node',
      testRegex: replacesModules,
      testPathIgnorePatterns: ['/node_modules/', ...leftOut],
      setupFiles: [setup],
      setupFilesAfterEnv: [serverSetup],
      transform: {
        '^.+\\.[jt]s$': [
          '@swc/jest',
          { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
        ],
      },
      // Published as ES modules only.
      transformIgnorePatterns: ['node_modules/(?!(@scure|@noble|@otplib)/)'],
    },
    '<rootDir>/app/jest.config.js',
  ],
});
