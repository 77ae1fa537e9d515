import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { playwright } from './lib/browser.mjs';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { prepared, startPrepared } from './lib/prepared.mjs';
import { startSchoolHost } from './lib/schoolHost.mjs';
import { endCommands, step, StepError, workFolder } from './lib/steps.mjs';

/* Draws every picture of docs/screenshots anew, from the demo story. `-- NAME` draws those whose name holds NAME. */
const folder = join(workFolder, `pictures-${process.pid}`);
const wanted = process.argv[2];
let cluster;
let schools;

async function main() {
  requireFolder(folder);
  const buildDir = await prepared(['postgresql', 'chromium-headless-shell']);
  cluster = new Cluster(join(folder, 'postgres'), { durable: false });
  let storyState = '';
  await step('Databases', async () => void ({ storyState } = await startPrepared(cluster, buildDir)));
  schools = await startSchoolHost({ buildDir, logs: join(folder, 'logs') });
  const made = { cluster, folder, buildDir, storyState, schoolHost: schools.url };
  await step('Pictures', async () => {
    const args = ['--project', 'pictures', ...(wanted ? ['--grep', wanted] : [])];
    const { code, output } = await playwright({ ...made, args });
    if (code !== 0) throw new StepError(output);
  });
}

let finishing = false;
async function finish(error) {
  if (finishing) return;
  finishing = true;
  if (error) console.error(error.message ?? error);
  await endCommands();
  await schools?.stop();
  await cluster?.remove().catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  process.exit(error ? 1 : 0);
}
process.on('SIGINT', () => void finish(new StepError('interrupted')));
process.on('SIGTERM', () => void finish(new StepError('interrupted')));

main().then(() => finish(), finish);
