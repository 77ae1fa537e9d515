import { spawn } from 'node:child_process';
import { createWriteStream, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
export const workFolder = join(root, '.cadro');

/** What a failed step tells the person in front of it: the remedy, not a stack. */
export class StepError extends Error {}

/** A step that takes long says so now and then. */
const heartbeatMs = 20_000;
/** Milliseconds that pass whatever the clock on the wall does. */
export const now = () => Number(process.hrtime.bigint()) / 1e6;
const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`;

/** Runs one named step and prints its name, its progress and how long it took. */
export async function step(name, work) {
  const start = now();
  const tell = (line) => console.log(`    ${line}`);
  console.log(`· ${name}`);
  const elapsedMs = () => now() - start;
  const stillAtIt = setInterval(() => tell(`${name}: still at it, ${seconds(elapsedMs())}`), heartbeatMs);
  const result = await work(tell).finally(() => clearInterval(stillAtIt));
  const ms = elapsedMs();
  const note = typeof result === 'string' ? ` — ${result}` : '';
  console.log(`  done in ${seconds(ms)}${note}`);
  return result;
}

/** Commands under way, each in a group of its own, so that a stop reaches what they started, too. */
const underWay = new Set();

export function signalGroup({ pid }, name) {
  try {
    process.kill(-pid, name);
  } catch {
    // gone already
  }
}

const endTimeoutMs = 6_000;

/** Ends one command with all it started, at once. */
export const endCommand = (child) => signalGroup(child, 'SIGKILL');

/** Ends every command that is under way, and waits until it has: half an installation must not go on beside the next. */
export async function endCommands() {
  for (const child of underWay) signalGroup(child, 'SIGTERM');
  for (let waited = 0; waited < endTimeoutMs && underWay.size > 0; waited += 50) await wait(50);
  for (const child of underWay) signalGroup(child, 'SIGKILL');
}

/**
 * Runs a command to its end. Its output goes to `log` or is collected; a failure shows the last lines.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {{ env?: Record<string, string>; cwd?: string; log?: unknown; input?: string; onLine?: (line: string) => void;
 *   onStart?: (child: unknown) => void; allowFailure?: boolean }} how
 * @returns standard output and standard error together.
 */
export function run(
  command,
  args,
  { env, cwd = root, log, input, onLine, onStart, allowFailure = false } = {},
) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['pipe', 'pipe', 'pipe'],
      detached: true,
    });
    underWay.add(child);
    onStart?.(child);
    const file = log ? openLog(log) : null;
    let output = '';
    const take = (chunk) => {
      output += chunk;
      file?.write(chunk);
      if (onLine) for (const line of String(chunk).split('\n')) if (line.trim()) onLine(line.trim());
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    // One that has ended before it was given its input is told of by how it ended.
    child.stdin.on('error', () => undefined);
    child.stdin.end(input ?? '');
    child.on('error', (error) => fail(new StepError(`${command} cannot be started: ${error.message}`)));
    child.on('close', (code) => {
      underWay.delete(child);
      file?.end();
      if (code === 0 || allowFailure) return done({ code, output });
      const tail = output.trimEnd().split('\n').slice(-25).join('\n');
      fail(new StepError(`${command} ${args.join(' ')} ended with ${code}\n${tail}`));
    });
  });
}

export function openLog(path) {
  mkdirSync(dirname(path), { recursive: true });
  return createWriteStream(path, { flags: 'a' });
}
