import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { countChild, openLog, root, StepError } from './steps.mjs';

/**
 * Starts the process that hosts the simulated schools of all tests. It ends by itself when this process does, since its
 * standard input closes then.
 * @returns {Promise<{ url: string; stop: () => Promise<void> }>} where sets of schools are opened, and how it is ended.
 */
export async function startSchoolHost({ buildDir, logs }) {
  const program = join(buildDir, 'school', 'host.cjs');
  const child = spawn(process.execPath, ['--enable-source-maps', program], {
    cwd: root,
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  countChild(child);
  const ended = once(child, 'exit');
  child.stderr.pipe(openLog(join(logs, 'schools.log')));
  for await (const line of createInterface({ input: child.stdout })) {
    const [, port] = /^listening on (\d+)$/.exec(line) ?? [];
    if (!port) continue;
    const stop = async () => {
      child.stdin.end();
      await ended;
    };
    return { url: `http://127.0.0.1:${port}`, stop };
  }
  throw new StepError(`The simulated schools do not start: see ${join(logs, 'schools.log')}`);
}
