const fc = require('fast-check');

/** Every run draws the same examples, so that a test that passes here passes everywhere. */
fc.configureGlobal({ seed: 20261021, numRuns: Number(process.env.TEST_PROPERTY_RUNS ?? 100) });

// The loader is for the tests alone: programs that they start are built.
delete process.env.NODE_OPTIONS;

// The runner ends a worker by hanging up: a handle that a test has left open must not keep it alive.
process.once('disconnect', () => process.exit());
