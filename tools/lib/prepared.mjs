import { ensureBuild } from './build.mjs';
import { requireFolder } from './postgres.mjs';
import { ensureDependencies, ensureSystem } from './prerequisites.mjs';
import { step, workFolder } from './steps.mjs';

/** Builds what is not built yet. @returns the folder of the build. */
export async function buildStep() {
  let buildDir = '';
  await step('Build', async (tell) => {
    const { folder, note } = await ensureBuild(tell);
    buildDir = folder;
    return note;
  });
  return buildDir;
}

/** Installs and builds what is missing, on however fresh a machine. @returns the folder of the build. */
export async function prepared(packages) {
  requireFolder(workFolder);
  await step('System packages', (tell) => ensureSystem(packages, tell));
  await step('Dependencies', ensureDependencies);
  return buildStep();
}
