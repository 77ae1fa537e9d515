import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { loadStory, playwright } from './lib/browser.mjs';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { prepared } from './lib/prepared.mjs';
import { endCommands, step, StepError, workFolder } from './lib/steps.mjs';

/* Draws every picture of docs/screenshots anew, from the demo story. `-- NAME` draws those whose name holds NAME. */
const folder = join(workFolder, `pictures-${process.pid}`);
const wanted = process.argv[2];
let cluster;

async function main() {
  requireFolder(folder);
  const buildDir = await prepared(['postgresql', 'chromium-headless-shell']);
  cluster = new Cluster(join(folder, 'postgres'), { durable: false });
  await step('Database', () => cluster.start());
  const made = { cluster, folder, buildDir, secret: 'a secret for the pictures alone, forty characters' };
  let storyState = '';
  await step('Story', async () => void (storyState = await loadStory(made)));
  await step('Pictures', async () => {
    const args = ['--project', 'pictures', ...(wanted ? ['--grep', wanted] : [])];
    const { code, output } = await playwright({ ...made, storyState, args });
    if (code !== 0) throw new StepError(output);
  });
}

let finishing = false;
async function finish(error) {
  if (finishing) return;
  finishing = true;
  if (error) console.error(error.message ?? error);
  await endCommands();
  await cluster?.remove().catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  process.exit(error ? 1 : 0);
}
process.on('SIGINT', () => void finish(new StepError('interrupted')));
process.on('SIGTERM', () => void finish(new StepError('interrupted')));

main().then(() => finish(), finish);
