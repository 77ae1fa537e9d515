import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Cluster } from '../lib/postgres.mjs';
import { StepError, workFolder } from '../lib/steps.mjs';

function isRunning(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}

/**
 * Makes this the only test run of the checkout: two would take each other's processor time, and builds.
 * @returns what ends the lock.
 * @throws {StepError} where another run is under way.
 */
export function lockRun(folder = workFolder) {
  const lockFile = join(folder, 'test.lock');
  mkdirSync(folder, { recursive: true });
  try {
    writeFileSync(lockFile, String(process.pid), { flag: 'wx' });
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
    const other = Number(readFileSync(lockFile, 'utf8'));
    if (isRunning(other))
      throw new StepError(
        `Another test run is under way here: wait until process ${other} ends, or end it with "kill ${other}".`,
      );
    writeFileSync(lockFile, String(process.pid));
  }
  return () => rmSync(lockFile, { force: true });
}

/** The variable by which the processes of a run are known: each inherits it from the one that started it. */
const runVariable = 'CADRO_TEST_RUN';

/** Marks every process that this one starts from now on as part of its run. */
export function markProcesses() {
  process.env[runVariable] = String(process.pid);
}

/** Ends every process that is still there of a run, also those that their own parents have left behind. */
export function endProcesses(run) {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      const variables = readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0');
      if (variables.includes(`${runVariable}=${run}`)) process.kill(Number(pid), 'SIGKILL');
    } catch {
      // It has ended meanwhile, or belongs to somebody else.
    }
  }
}

/** Ends the processes of runs that were killed, and removes their databases. */
export async function removeLeftovers() {
  for (const name of readdirSync(workFolder)) {
    const [, run] = /^test-(\d+)$/.exec(name) ?? [];
    if (!run || isRunning(Number(run))) continue;
    const folder = join(workFolder, name);
    endProcesses(run);
    for (const cluster of ['postgres', 'killed'])
      if (existsSync(join(folder, cluster))) await new Cluster(join(folder, cluster)).remove();
    rmSync(folder, { recursive: true, force: true });
  }
}
