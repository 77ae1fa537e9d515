import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureDependencies } from './lib/prerequisites.mjs';
import { root, step } from './lib/steps.mjs';

/* What is shipped: dist/, run by `npm start` with plain Node. */
async function main() {
  await step('Dependencies', ensureDependencies);
  await step('Build', async (tell) => (await ensureBuild(tell, { folder: join(root, 'dist') })).note);
}

main().catch((error) => {
  console.error(error.message ?? error);
  process.exitCode = 1;
});
