import { join } from 'node:path';
import { postgresBin } from './prerequisites.mjs';
import { startStack } from './stack.mjs';
import { root, run, workFolder } from './steps.mjs';

/** The story, loaded once into the database `story`; each browser stack works on a copy. Returns the schools' state file. */
export async function loadStory({ cluster, folder, buildDir, secret }) {
  await cluster.ensureDatabase('story');
  const schoolState = join(folder, 'story-school.json');
  const given = {
    databaseUrl: cluster.url('story'),
    secret,
    buildDir,
    schoolState,
    logs: join(folder, 'logs'),
  };
  const stack = await startStack(given, async (starting) => {
    await starting.command('migrate');
    await starting.startSchool();
    await starting.command('loadStory');
  });
  await stack.stop();
  // A copy knows what it holds: where nobody has counted, PostgreSQL plans as for a handful of rows.
  await cluster.query('analyze', 'story');
  return schoolState;
}

/** Runs Playwright with what its stacks need. Returns its exit code and output. */
export function playwright({ cluster, folder, buildDir, secret, storyState, args, env = {}, onLine }) {
  const given = {
    psql: join(postgresBin(), 'psql'),
    databaseUrl: cluster.url('%db%'),
    storyState,
    buildDir,
    secret,
    folder,
  };
  return run(
    join(root, 'node_modules', '.bin', 'playwright'),
    ['test', '--config', 'e2e/playwright.config.ts', ...args],
    {
      env: { CADRO_E2E: JSON.stringify(given), ...env },
      allowFailure: true,
      log: join(workFolder, 'logs', 'e2e.log'),
      onLine,
    },
  );
}
