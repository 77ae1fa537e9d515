const { readFileSync } = require('node:fs');
const { default: Runtime } = require('jest-runtime');

/*
 * What a worker has loaded for one test file it keeps for the next: loading and compiling the server's modules anew is
 * several seconds, for each of some ninety files. Test files and what sets them up are loaded anew; modules that hold
 * something of their own between tests would be seen by the next file, so that none may (which is what we want of them
 * anyway). Who replaces a module by another (`jest.mock`) has all of them to itself.
 */
const keptBy = new Map();
const keptFor = (id) => {
  if (!keptBy.has(id)) keptBy.set(id, { modules: new Map(), sourceMaps: new Map(), live: null });
  return keptBy.get(id);
};

module.exports = class KeptRuntime extends Runtime {
  constructor(config, environment, resolver, transformer, cacheFS, coverage, testPath, globalConfig) {
    super(config, environment, resolver, transformer, cacheFS, coverage, testPath, globalConfig);
    if (readFileSync(testPath, 'utf8').includes('jest.mock(')) return;
    this.kept = keptFor(config.id);
    this.kept.live = this;
    this._moduleRegistry = this.kept.modules;
    this._sourceMapRegistry = this.kept.sourceMaps;
  }

  /** @param name left out where a test file, or what sets it up, begins. */
  requireModule(from, name, options, isActual) {
    if (name === undefined && options === undefined) this.kept?.modules.delete(from);
    return super.requireModule(from, name, options, isActual);
  }

  /** A kept module that loads another later asks the file that runs now. */
  requireModuleOrMock(from, name) {
    const live = this.kept?.live ?? this;
    return live === this ? super.requireModuleOrMock(from, name) : live.requireModuleOrMock(from, name);
  }

  teardown() {
    this._moduleRegistry = new Map();
    this._sourceMapRegistry = new Map();
    super.teardown();
  }
};
