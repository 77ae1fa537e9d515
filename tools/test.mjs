import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { programs } from './lib/build.mjs';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { buildStep, startPrepared, storySecret } from './lib/prepared.mjs';
import { ensureDependencies, ensureSystem } from './lib/prerequisites.mjs';
import { startSchoolHost } from './lib/schoolHost.mjs';
import { endCommands, processorSeconds, step, StepError, workFolder } from './lib/steps.mjs';
import { changedTests } from './test/changed.mjs';
import { codeChecks, runChecks } from './test/checks.mjs';
import { runJest } from './test/jest.mjs';
import { endProcesses, lockRun, markProcesses, removeLeftovers } from './test/lock.mjs';
import { readOptions } from './test/options.mjs';
import { runPlaywright } from './test/playwright.mjs';
import { report } from './test/report.mjs';
import { restOfJest, scopeEnvironment, scopes } from './test/scopes.mjs';

/*
 * `npm test` and, with --rest, `npm run test:rest`. Works in a folder of its own, so that it can run beside a demo. The
 * last line counts.
 */
const folder = join(workFolder, `test-${process.pid}`);
const counts = { passed: 0, failed: 0 };
/** Every test file that has run, with its seconds. */
const files = [];
/** How everything that was started is ended, the newest first. */
const endings = [];

const count = (passed, failed) => {
  counts.passed += passed;
  counts.failed += failed;
  return `${passed} passed, ${failed} failed`;
};

/** Counts what a test runner says of a part. */
function counted({ passed, failed, files: ran }) {
  files.push(...ran);
  return count(passed, failed);
}

const systemPackages = [
  ...['postgresql', 'nginx-light', 'pgbouncer', 'exim4-daemon-light', 'spamassassin', 'khal'],
  'chromium-headless-shell',
];

/** What runs: the parts, and of Jest and Playwright the files; an empty list of files stands for all. */
function plan({ rest, changed, only, files: named }) {
  if (named.length > 0) {
    const specs = named.filter((file) => file.endsWith('.spec.ts'));
    const tests = named.filter((file) => !specs.includes(file));
    const has = (part) => ({ unit: tests.length > 0, browser: specs.length > 0 })[part] ?? false;
    return { tests, specs, has };
  }
  if (changed) {
    const { related, specs } = changedTests();
    const touched = { checks: true, unit: related.length > 0, browser: specs.length > 0, kills: false };
    const tests = ['--findRelatedTests', '--passWithNoTests', ...related];
    return { tests, specs, has: (part) => only.includes(part) && touched[part] };
  }
  const has = (part) => only.includes(part) && !(rest && part === 'checks');
  return { tests: rest ? restOfJest() : [], specs: [], has };
}

/** Starts a cluster of this run's own that holds the prepared databases. */
async function startCluster(name, buildDir) {
  const cluster = new Cluster(join(folder, name), { durable: false });
  endings.push(() => cluster.remove());
  return { cluster, ...(await startPrepared(cluster, buildDir)) };
}

/** Starts what tests need but the app: a cluster with the prepared databases, and the simulated schools. */
async function prepare(has) {
  const buildDir = await buildStep(programs);
  const made = { buildDir, folder };
  let killed = null;
  await step('Databases', async () => {
    const { note, ...started } = await startCluster('postgres', buildDir);
    Object.assign(made, started);
    // The kills end their database, too: it is not the one that the browser tests work on meanwhile.
    if (has('kills'))
      killed = { buildDir, folder, secret: storySecret, ...(await startCluster('killed', buildDir)) };
    return note;
  });
  const schools = await startSchoolHost({ buildDir, logs: join(folder, 'logs') });
  endings.push(() => schools.stop());
  made.schoolHost = schools.url;
  measureOthers(made);
  return { made, killed };
}

const unitAndServer = ({ made, scope, tests }) =>
  step('Unit and server tests', async () =>
    counted(
      await runJest({
        args: ['--silent', ...tests],
        env: {
          TEST_DATABASE_URL: made.cluster.url('%db%'),
          SCHOOL_HOST_URL: made.schoolHost,
          CADRO_BUILD_DIR: made.buildDir,
          ...scopeEnvironment(scope),
        },
        report: join(folder, 'jest.json'),
      }),
    ),
  );

/** The browser tests of one command: each run as the scope says. */
async function browser({ made, scope, specs }) {
  for (const { run, workers, delaySeed, specs: ofRun = [] } of scope.browserRuns)
    await step(`Browser tests, ${run}`, async () =>
      counted(
        await runPlaywright({
          made,
          run,
          specs: specs.length > 0 ? specs : ofRun,
          workers,
          delaySeed,
          folder,
        }),
      ),
    );
}

/** A short run of what `npm run chaos` does for hours: every part is killed at instants that are drawn. */
const someKills = ({ made, scope }) =>
  step('Kills', async (tell) => {
    // On a fresh machine its packages have just been installed.
    const run = await import('./chaos/run.mjs');
    endings.push(run.stopAll);
    const found = await run.chaos({ made, kills: scope.kills, seed: 7, perRound: scope.kills, tell });
    const nothing = run.isNothing(found);
    if (!nothing) console.log(run.tellFound(found));
    return `${count(nothing ? 1 : 0, nothing ? 0 : 1)}: ${run.sumUp(found)} of ${found.compared}`;
  });

/** The tables of this command's own processor time, and of what ran beside all parts. */
const others = [];
function measureOthers({ cluster }) {
  const seconds = processorSeconds(cluster.pid);
  endings.push(() => {
    others.push({
      name: 'PostgreSQL',
      minutes: 0,
      processorSeconds: processorSeconds(cluster.pid) - seconds,
    });
  });
}

async function main() {
  const options = readOptions(process.argv.slice(2));
  requireFolder(workFolder);
  endings.push(lockRun());
  await removeLeftovers();
  markProcesses();
  requireFolder(folder);
  endings.push(() => rmSync(folder, { recursive: true, force: true }));
  await Promise.all([
    step('System packages', (tell) => ensureSystem(systemPackages, tell)),
    step('Dependencies', ensureDependencies),
  ]);
  const whole = scopes[options.rest ? 'rest' : 'test'];
  // What is named, and what a change can reach, runs whichever command it belongs to.
  const scope = options.changed || options.files.length > 0 ? { ...whole, leavesOutTheRest: false } : whole;
  const { tests, specs, has } = plan(options);
  let prepared = null;
  const remaining = has('checks') ? codeChecks() : [];
  const needsApp = has('browser') || has('kills');
  // The code is looked at and the app is built while the tests that need no app run.
  await Promise.all([
    runChecks(remaining, count),
    (async () => {
      if (!['unit', 'browser', 'kills'].some(has)) return;
      prepared = await prepare(has);
      await Promise.all([
        has('unit') && unitAndServer({ made: prepared.made, scope, tests }),
        needsApp && buildStep(['app']),
      ]);
    })(),
  ]);
  if (!prepared) return;
  // The kills wait for most of their time: for what was killed to be there again.
  await Promise.all([
    has('browser') && browser({ made: prepared.made, scope, specs }),
    prepared.killed && someKills({ made: prepared.killed, scope }),
  ]);
}

let finishing = false;
async function finish(error) {
  if (finishing) return; // what was under way broke off because it was told to
  finishing = true;
  if (error) {
    console.error(error instanceof StepError ? error.message : error);
    counts.failed += 1;
  }
  await endCommands();
  for (const end of endings.reverse()) await Promise.resolve(end()).catch(() => undefined);
  endProcesses(process.pid);
  const own = { name: 'This command itself', minutes: 0, processorSeconds: processorSeconds('self', 'own') };
  const table = report([...others, own], files);
  if (table) console.log(table);
  console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
  process.exit(counts.failed === 0 && counts.passed > 0 ? 0 : 1);
}
process.on('SIGINT', () => void finish(new StepError('Interrupted.')));
process.on('SIGTERM', () => void finish(new StepError('Interrupted.')));

main().then(() => finish(), finish);
