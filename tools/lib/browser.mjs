import { join } from 'node:path';
import { postgresBin } from './prerequisites.mjs';
import { storySecret } from './prepared.mjs';
import { root, run, workFolder } from './steps.mjs';

/**
 * Runs Playwright with what its stacks need.
 * @param {{ cluster: object; folder: string; buildDir: string; storyState: string; schoolHost: string; run?: string; delaySeed?: number; args: readonly string[]; env?: Record<string, string>; onLine?: (line: string) => void }} given
 *   a cluster with the prepared databases, the state of the story's schools, and which run of e2e/table.mjs it is.
 * @returns its exit code and output.
 */
export function playwright({
  cluster,
  folder,
  buildDir,
  storyState,
  schoolHost,
  run: name = 'assigned',
  delaySeed = null,
  args,
  env = {},
  onLine,
}) {
  const given = {
    psql: join(postgresBin(), 'psql'),
    databaseUrl: cluster.url('%db%'),
    storyState,
    buildDir,
    secret: storySecret,
    folder,
    schoolHost,
    run: name,
    delaySeed,
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
