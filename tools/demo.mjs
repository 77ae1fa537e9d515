import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { endLeftBehind } from './lib/leftBehind.mjs';
import { Cluster, freePort, requireFolder } from './lib/postgres.mjs';
import { prepared } from './lib/prepared.mjs';
import { startStack } from './lib/stack.mjs';
import { endCommands, step, StepError, workFolder } from './lib/steps.mjs';

const usualPort = 4600;
const folder = join(workFolder, 'demo');
const stateFile = join(folder, 'state.json');
/** What runs, for the next start to end where this one is killed. */
const processes = join(folder, 'processes');
const { values: options } = parseArgs({ options: { fresh: { type: 'boolean' }, port: { type: 'string' } } });

let stack;
let cluster;
let stopping = false;

async function stop(code) {
  if (stopping) return;
  stopping = true;
  console.log('\nstopping');
  await endCommands();
  await stack?.stop();
  await cluster?.stop();
  process.exit(code);
}
process.on('SIGINT', () => void stop(0));
process.on('SIGTERM', () => void stop(0));

function keptState() {
  if (existsSync(stateFile)) return JSON.parse(readFileSync(stateFile, 'utf8'));
  return { secret: randomBytes(32).toString('hex'), storyLoaded: false };
}

async function chosenPort() {
  if (options.port === undefined) return freePort(usualPort);
  const port = Number(options.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new StepError('--port takes a number from 1 to 65535');
  if ((await freePort(port)) !== port)
    throw new StepError(`port ${port} is taken; choose another with --port`);
  return port;
}

/** What an interruption has to stop is known from the start. */
async function startSchools(given) {
  await startStack(given, (starting) => {
    stack = starting;
    return starting.startSchool();
  });
}

/** A part that ends by itself takes the demo along, and is named. */
function tellOfLosses(logs) {
  cluster.onLost(() => {
    console.error(`PostgreSQL has ended; its log is ${cluster.log}`);
    void stop(1);
  });
  stack.onLost((name) => {
    console.error(`${name} has ended; its log is in ${join(logs, `${name}.log`)}`);
    void stop(1);
  });
}

async function main() {
  requireFolder(workFolder);
  const tidied = endLeftBehind(processes);
  if (tidied > 0) console.log(`ended ${tidied} processes of a demo that was killed`);
  const port = await chosenPort();
  const buildDir = await prepared(['postgresql']);
  cluster = new Cluster(join(folder, 'postgres'));
  if (options.fresh) {
    await step('Starting over', async () => {
      await cluster.remove();
      rmSync(folder, { recursive: true, force: true });
      cluster = new Cluster(join(folder, 'postgres'));
    });
  }
  const state = keptState();
  await step('Database', async () => {
    const where = await cluster.start();
    if (!state.storyLoaded) await cluster.dropDatabase('cadro'); // a first start that was cut
    await cluster.ensureDatabase('cadro');
    return where;
  });
  const schoolState = join(folder, 'school.json');
  if (!state.storyLoaded) rmSync(schoolState, { force: true });
  const logs = join(folder, 'logs');
  const given = {
    databaseUrl: cluster.url('cadro'),
    secret: state.secret,
    buildDir,
    schoolState,
    logs,
    port,
    processes,
    // As anywhere: a letter can be taken back for half a minute.
    letterHold: 30,
  };
  await step('Simulated schools', () => startSchools(given));
  await step('Tables', async () => void (await stack.command('migrate')));
  await step('Story', async (tell) => {
    await stack.command('loadStory', tell);
    writeFileSync(stateFile, JSON.stringify({ ...state, storyLoaded: true }), { mode: 0o600 });
    return state.storyLoaded ? 'kept' : 'loaded';
  });
  await step('Server', () => stack.startServer());
  await step('Job worker', () => stack.startWorker());
  tellOfLosses(logs);
  console.log(
    `\nCadro is ready at http://127.0.0.1:${port} — sign in as maren@aldervane.example / tide-and-lantern`,
  );
}

main().catch((error) => {
  if (stopping) return; // it broke off because it was told to
  console.error(error instanceof StepError ? `\n${error.message}` : error);
  void stop(1);
});
