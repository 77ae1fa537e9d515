import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { prepared, startPrepared, storySecret } from './lib/prepared.mjs';
import { endCommands, step, workFolder } from './lib/steps.mjs';

/*
 * Kills server, worker, database and schools at instants that are drawn, while sources are read, mail goes out and people
 * write, and holds what there is in the end against the same run without a kill: `npm run chaos -- --kills 200 --seed 1`.
 */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '200' },
    seed: { type: 'string', default: '1' },
    'per-round': { type: 'string', default: '5' },
  },
});
const folder = join(workFolder, `chaos-${process.pid}`);
let cluster;
let stopAll = async () => [];

async function main() {
  requireFolder(folder);
  const buildDir = await prepared(['postgresql']);
  cluster = new Cluster(join(folder, 'postgres'), { durable: false });
  let storyState = '';
  await step('Databases', async () => {
    const ready = await startPrepared(cluster, buildDir);
    storyState = ready.storyState;
    return ready.note;
  });
  const made = { cluster, folder, buildDir, storyState, secret: storySecret };
  // Only now: on a fresh machine what it is made of has just been installed.
  const run = await import('./chaos/run.mjs');
  stopAll = run.stopAll;
  let found;
  await step(`${values.kills} kills from seed ${values.seed}`, async (tell) => {
    found = await run.chaos({
      ...{ made, tell },
      ...{ kills: Number(values.kills), seed: Number(values.seed), perRound: Number(values['per-round']) },
    });
    return `${found.writes} writes acknowledged, ${found.compared} lines compared`;
  });
  console.log(`${run.tellFound(found)}\n${run.sumUp(found)}`);
  return run.isNothing(found) ? 0 : 1;
}

async function finish(code, error) {
  if (error) console.error(error.message ?? error);
  await stopAll();
  await endCommands();
  await cluster?.remove().catch(() => undefined);
  if (code === 0) rmSync(folder, { recursive: true, force: true });
  process.exit(code);
}
process.on('SIGINT', () => void finish(1, new Error('interrupted')));
process.on('SIGTERM', () => void finish(1, new Error('interrupted')));

main().then(
  (code) => finish(code),
  (error) => finish(1, error),
);
