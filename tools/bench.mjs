import { spawn } from 'node:child_process';
import { copyFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { launchOptions } from './lib/chromium.mjs';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { ensureDependencies, ensureSystem } from './lib/prerequisites.mjs';
import { root, run, step, workFolder } from './lib/steps.mjs';

/* The benchmarks. Those that ask a database get one of their own, which is thrown away afterwards. */
const names = process.argv.slice(2);
const needs = (...some) => names.length === 0 || some.some((name) => names.includes(name));
const needsApp = needs('app');
const needsStack = needsApp || needs('live');
const needsDatabase = needsStack || needs('alerts', 'bundle', 'day', 'growth', 'reading', 'rows');
const folder = join(workFolder, `bench-${process.pid}`);
let cluster;
/** The one that holds the demo's story. */
let demoCluster;
let stack;

/** A server, a worker and the schools on the demo's story. @returns the server's address, and who is signed in there. */
async function startDemo() {
  // The dependencies may just have been installed: what needs them is loaded now.
  const [{ buildStep, startPrepared, storySecret }, { startStack }, { signIn }] = await Promise.all([
    import('./lib/prepared.mjs'),
    import('./lib/stack.mjs'),
    import('./lib/signIn.mjs'),
  ]);
  const buildDir = await buildStep();
  demoCluster = new Cluster(join(folder, 'demo'), { durable: false });
  const { storyState } = await startPrepared(demoCluster, buildDir);
  const schoolState = join(folder, 'school.json');
  copyFileSync(storyState, schoolState);
  const given = {
    ...{ buildDir, secret: storySecret, schoolState, demo: true },
    databaseUrl: demoCluster.url('story'),
    logs: join(folder, 'logs'),
  };
  stack = await startStack(given, async (starting) => {
    await starting.startSchool();
    await starting.command('loadStory');
    await Promise.all([starting.startServer(), starting.startWorker()]);
  });
  const url = stack.env.CADRO_PUBLIC_URL;
  const [maren, tobiah] = await Promise.all([signIn(url, 'maren'), signIn(url, 'tobiah')]);
  return { url, maren, tobiah, buildDir, browser: launchOptions };
}

/** An app of the same stack that does nothing. @returns the folder of its build. */
async function buildEmpty() {
  const into = join(folder, 'empty');
  await run('npx', ['expo', 'export', '-p', 'web', '--output-dir', into], {
    cwd: join(root, 'bench', 'empty'),
    env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
    log: join(workFolder, 'logs', 'build.log'),
  });
  return into;
}

async function main() {
  requireFolder(workFolder);
  await step('Dependencies', ensureDependencies);
  const env = { ...process.env };
  if (needsDatabase) {
    await step('System packages', (tell) => ensureSystem(['postgresql'], tell));
    cluster = new Cluster(join(folder, 'postgres'), { durable: false });
    await step('Database', () => cluster.start());
    await cluster.ensureDatabase('bench');
    env.BENCH_DATABASE_URL = cluster.url('bench');
  }
  await step('Build', async () => {
    const { bundleBench } = await import('./lib/bundle.mjs');
    await bundleBench(folder);
  });
  if (needsApp) {
    await step('Browser', (tell) => ensureSystem(['chromium-headless-shell'], tell));
    await step('Empty stack', async () => void (env.BENCH_EMPTY = await buildEmpty()));
  }
  if (needsStack) env.BENCH_STACK = JSON.stringify(await startDemo());
  const program = [join(folder, 'bench', 'main.cjs'), ...names];
  const child = spawn(process.execPath, program, { cwd: root, env, stdio: 'inherit' });
  process.exitCode = await new Promise((done) => child.once('exit', (code) => done(code ?? 1)));
}

main()
  .catch((error) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  })
  .finally(async () => {
    await stack?.stop();
    for (const each of [cluster, demoCluster]) await each?.remove();
    rmSync(folder, { recursive: true, force: true });
  });
