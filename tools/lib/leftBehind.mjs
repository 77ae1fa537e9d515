import { spawnSync } from 'node:child_process';
import { appendFileSync, existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { dirname } from 'node:path';
import { signalGroup } from './steps.mjs';

/** Puts down a process that outlives whoever started it, if that one is killed. */
export function putDown(file, pid, program) {
  mkdirSync(dirname(file), { recursive: true });
  appendFileSync(file, `${pid} ${program}\n`);
}

export const forgetAll = (file) => rmSync(file, { force: true });

/** What a process was started as; empty when it is gone. */
const commandOf = (pid) => spawnSync('ps', ['-o', 'command=', '-p', pid], { encoding: 'utf8' }).stdout ?? '';

/**
 * Ends what an earlier start has left behind because it was killed. A number that is another program's by now is let be.
 * @returns how many processes were ended.
 */
export function endLeftBehind(file) {
  if (!existsSync(file)) return 0;
  let ended = 0;
  for (const line of readFileSync(file, 'utf8').split('\n')) {
    const [, pid, program] = /^(\d+) (.+)$/.exec(line) ?? [];
    if (!pid || !commandOf(pid).includes(program)) continue;
    signalGroup({ pid: Number(pid) }, 'SIGKILL');
    ended += 1;
  }
  forgetAll(file);
  return ended;
}
