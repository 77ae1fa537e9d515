import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { loadStory, playwright } from './lib/browser.mjs';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { buildStep } from './lib/prepared.mjs';
import { ensureDependencies, ensureSystem } from './lib/prerequisites.mjs';
import { endCommands, root, run, step, workFolder } from './lib/steps.mjs';

/*
 * Everything CI runs: types, lint, formatting, unit, server and browser tests. Works in a folder of its own, so
 * that it can run beside a demo or another test run. The last line counts.
 */
const folder = join(workFolder, `test-${process.pid}`);
/** Types are looked at by the compiler that is not written in JavaScript, in a fifth of the time; lint reads them by the other. */
const bin = (name) =>
  name === 'tsc'
    ? join(root, 'node_modules', 'typescript-native', 'bin', 'tsc')
    : join(root, 'node_modules', '.bin', name);
const secret = 'a secret for tests alone, forty characters';
const counts = { passed: 0, failed: 0 };
const layers = ['core', 'contract', 'server', 'school', 'app', 'e2e', 'bench', 'tools'];
/** `npm test -- --only checks` (or unit, browser, chaos; several with commas) while one works; CI runs all. */
const { values, positionals: files } = parseArgs({
  options: { only: { type: 'string' } },
  allowPositionals: true,
});
/** `npm test -- path/to/file.test.ts` runs that file, of whatever layer, with all it needs; a `.spec.ts` is the browser's. */
const specs = files.filter((file) => file.endsWith('.spec.ts'));
const tests = files.filter((file) => !specs.includes(file));
const wanted = (part) => {
  if (files.length > 0) return part === 'browser' ? specs.length > 0 : part === 'unit' && tests.length > 0;
  return values.only === undefined || values.only.split(',').includes(part);
};
let cluster;
/** The one that is killed, beside that of the browser. */
let killed;
let stopAll = async () => [];

const count = (passed, failed) => {
  counts.passed += passed;
  counts.failed += failed;
  return `${passed} passed, ${failed} failed`;
};

/** A check counts as one: it passes or it fails, and the others still run. @param remedy what to do about a failure. */
const check = (name, command, args, remedy) =>
  step(name, async () => {
    const { code, output } = await run(command, args, { allowFailure: true });
    if (code !== 0) console.log(`${output.trimEnd()}\n${remedy}`);
    return count(code === 0 ? 1 : 0, code === 0 ? 0 : 1);
  });

/** What is looked at in the code itself, the longest first: each a command, and what to do where it fails. */
const codeChecks = () => {
  const route =
    'An endpoint takes its types from its route in contract/: change the route, or what is made of it.';
  // Beside it runs another check: threads of its own would do some of its work twice.
  const alone = '--singleThreaded';
  const sources = layers.map((name) => (name === 'tools' ? name : `${name}/src`));
  return [
    ['Types of the app', 'tsc', ['-p', 'app', alone], route],
    ['Types of what goes on without a connection', 'tsc', ['-p', 'app/offline', alone], route],
    // All that runs in Node is one program: its layers read each other.
    ['Types of what runs in Node', 'tsc', ['-p', 'tsconfig.node.json', alone], route],
    ['Types of the browser tests', 'tsc', ['-p', 'e2e', alone], route],
    [
      'Lint',
      'eslint',
      ['.'],
      'The rooms, their order and the tables they own stand in tools/lint/rooms.mjs.',
    ],
    ['Formatting', 'prettier', ['--check', '--log-level', 'warn', '.'], 'npm run format mends it.'],
    [
      'Circles',
      'depcruise',
      ['--config', 'tools/lint/circles.cjs', '-T', 'err-long', ...sources],
      'Move what these files share into one that imports neither.',
    ],
    [
      'Unused code',
      'knip',
      ['--no-progress'],
      'Remove what nobody uses, or the `export` of what its own file alone uses.',
    ],
  ];
};

/** Takes from the list until it is empty. */
async function checks(left) {
  for (let next = left.shift(); next; next = left.shift()) {
    const [name, command, args, remedy] = next;
    await check(name, bin(command), args, remedy);
  }
}

async function unitAndServer(buildDir) {
  const report = join(folder, 'jest.json');
  const env = {
    NODE_ENV: 'test',
    TEST_DATABASE_URL: cluster.url('%db%'),
    CADRO_BUILD_DIR: buildDir,
    TZ: 'UTC',
  };
  const { code, output } = await run(
    bin('jest'),
    ['--json', `--outputFile=${report}`, '--silent', '--maxWorkers=2', ...tests],
    { env, allowFailure: true },
  );
  if (code !== 0)
    console.log(
      output
        .trimEnd()
        .split('\n')
        .filter((line) => !line.startsWith('{"'))
        .slice(-150)
        .join('\n'),
    );
  for (const line of output.split('\n'))
    if (line.startsWith('measured: ')) console.log(`    ${line.slice('measured: '.length)}`);
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(
    readFileSync(report, 'utf8'),
  );
  return count(numPassedTests, numFailedTests + numRuntimeErrorTestSuites);
}

async function browser(buildDir, storyState) {
  const made = { cluster, folder, buildDir, secret };
  await step('Browser tests', async () => {
    const report = join(folder, 'e2e.json');
    const { code, output } = await playwright({
      ...made,
      storyState,
      args: ['--project=phone', '--project=wide', ...specs],
      env: { CADRO_E2E_REPORT: report },
      onLine: (line) => /^\s*[✓✘]/.test(line) && console.log(`    ${line}`),
    });
    if (code !== 0) console.log(output.trimEnd().split('\n').slice(-150).join('\n'));
    const { stats, errors } = JSON.parse(readFileSync(report, 'utf8'));
    return count(stats.expected + stats.flaky, stats.unexpected + errors.length);
  });
}

/** A short run of what `npm run chaos` does for hours: every part is killed at instants that are drawn. */
const someKills = (buildDir, storyState) =>
  step('Kills', async (tell) => {
    const made = { cluster: killed, folder, buildDir, secret, storyState };
    // Only now: on a fresh machine what it is made of has just been installed.
    const run = await import('./chaos/run.mjs');
    stopAll = run.stopAll;
    const found = await run.chaos({ made, kills: 6, seed: 7, perRound: 6, tell });
    const nothing = run.isNothing(found);
    if (!nothing) console.log(run.tellFound(found));
    return `${count(nothing ? 1 : 0, nothing ? 0 : 1)}: ${run.sumUp(found)} of ${found.compared}`;
  });

async function main() {
  requireFolder(workFolder);
  requireFolder(folder);
  await Promise.all([
    step('System packages', (tell) =>
      ensureSystem(
        [
          ...['postgresql', 'nginx-light', 'pgbouncer', 'exim4-daemon-light', 'spamassassin', 'khal'],
          'chromium-headless-shell',
        ],
        tell,
      ),
    ),
    step('Dependencies', ensureDependencies),
  ]);
  // What is tested is what is shipped: the unit tests run built programs, too.
  let buildDir = '';
  let storyState = '';
  const prepared = async () => {
    if (!['unit', 'browser', 'chaos'].some(wanted)) return;
    buildDir = await buildStep();
    cluster = new Cluster(join(folder, 'postgres'), { durable: false });
    await step('Database', () => cluster.start());
    const made = { cluster, folder, buildDir, secret };
    if (wanted('browser') || wanted('chaos'))
      await step('Story', async () => void (storyState = await loadStory(made)));
    if (wanted('chaos')) killed = await cluster.copy(join(folder, 'killed'));
  };
  // Two lanes for two cores: one looks at the code; the other makes what the tests need, and then helps.
  const left = wanted('checks') ? codeChecks() : [];
  await Promise.all([checks(left), prepared().then(() => checks(left))]);
  if (wanted('unit')) await step('Unit and server tests', () => unitAndServer(buildDir));
  // The kills wait for most of their time: for what was killed to be there again.
  await Promise.all([
    wanted('browser') && browser(buildDir, storyState),
    wanted('chaos') && someKills(buildDir, storyState),
  ]);
}

let finishing = false;
async function finish(error) {
  if (finishing) return; // what was under way broke off because it was told to
  finishing = true;
  if (error) {
    console.error(error.message ?? error);
    counts.failed += 1;
  }
  await stopAll();
  await endCommands();
  for (const each of [cluster, killed]) await each?.remove().catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
  process.exit(counts.failed === 0 && counts.passed > 0 ? 0 : 1);
}
process.on('SIGINT', () => void finish(new Error('interrupted')));
process.on('SIGTERM', () => void finish(new Error('interrupted')));

main().then(() => finish(), finish);
