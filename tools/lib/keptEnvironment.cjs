const { TestEnvironment } = require('jest-environment-node');

const keptBy = new Map();

/** One world of globals for all files that a worker runs, as kept modules need it; a function, since `new` may get one that is there. */
module.exports = function KeptEnvironment(config, context) {
  const { id } = config.projectConfig;
  const environment = keptBy.get(id) ?? new TestEnvironment(config, context);
  environment.teardown = async () => environment.fakeTimersModern.useRealTimers();
  keptBy.set(id, environment);
  return environment;
};
