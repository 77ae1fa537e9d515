import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { root } from '../lib/steps.mjs';

/*
 * How much each of the two test commands does. `npm test` reaches every layer, route and journey within minutes;
 * `npm run test:rest` is what it leaves out, so that both together see everything.
 */
export const scopes = {
  test: {
    /** Whether the files of `restOnly` do not run. */
    leavesOutTheRest: true,
    /** Draws of a property that needs no number of its own. */
    propertyRuns: 50,
    /** Most draws of a property, however many it asks for. */
    mostPropertyRuns: 50,
    fuzzRequests: 300,
    kills: 2,
    /** Evenings on which every place is compared with every other. */
    consistencyEvenings: 8,
    /** Runs of e2e/table.mjs, and how many browser files run at once. */
    browserRuns: [{ run: 'assigned', workers: 2 }],
  },
  rest: {
    leavesOutTheRest: false,
    propertyRuns: 100,
    mostPropertyRuns: Infinity,
    fuzzRequests: 2_000,
    kills: 6,
    consistencyEvenings: 31,
    browserRuns: [
      { run: 'other size', workers: 2 },
      // The journeys' states are seen in both themes by then.
      { run: 'other theme', workers: 2, specs: ['e2e/src/screens.spec.ts'] },
    ],
  },
};

/**
 * Jest test files that the rest alone runs: each is about how a whole Cadro behaves beside other programs, under load or
 * over a long time, and takes as long as the tests of a module.
 */
export const restOnly = [
  'server/src/alerts/many.test.ts',
  'server/src/alerts/parts.test.ts',
  'server/src/kit/queue/keeper.test.ts',
  'server/src/main/client.test.ts',
  'server/src/main/roads.test.ts',
  'server/src/main/rows.test.ts',
  'server/src/main/steady/connections.test.ts',
  'server/src/main/steady/held.test.ts',
  'server/src/main/steady/leases.test.ts',
  'server/src/main/steady/mailServer.test.ts',
  'server/src/main/steady/shared.test.ts',
  'server/src/main/steady/shutdown.test.ts',
  'server/src/main/steady/spam.test.ts',
  'server/src/sources/anySchool.test.ts',
  'server/src/sources/hostile.test.ts',
  'server/src/sources/manners.test.ts',
  'tools/mutate/faults.test.ts',
];

/** A scope as the tests read it from their environment. */
export const scopeEnvironment = (scope) => ({
  ...(scope.leavesOutTheRest ? { TEST_LEAVES_OUT_THE_REST: 'yes' } : {}),
  TEST_PROPERTY_RUNS: String(scope.propertyRuns),
  TEST_MOST_PROPERTY_RUNS: String(scope.mostPropertyRuns),
  FUZZ_REQUESTS: process.env.FUZZ_REQUESTS ?? String(scope.fuzzRequests),
  TEST_CONSISTENCY_EVENINGS: String(scope.consistencyEvenings),
});

/** How much of a test file is done depends on the scope where it draws examples or reads one of these variables. */
const scaled = /from 'fast-check'|FUZZ_REQUESTS|TEST_CONSISTENCY_EVENINGS/;

/** Every Jest test file that `npm test` leaves out, or of which it does only a part. */
export const restOfJest = () => [
  ...restOnly,
  ...execFileSync('git', ['ls-files', '*.test.ts', '*.test.tsx'], { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((file) => file && scaled.test(readFileSync(join(root, file), 'utf8'))),
];
