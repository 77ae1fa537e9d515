import { AsyncLocalStorage } from 'node:async_hooks';
import { spawn } from 'node:child_process';
import { createWriteStream, mkdirSync, readFileSync } from 'node:fs';
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

/** Every step that has ended, in order: its name, its minutes, and the processor seconds of the commands it ran. */
export const finishedSteps = [];
const currentStep = new AsyncLocalStorage();

/** Clock ticks a second in /proc, the same on every Linux that Node runs on. */
const ticksPerSecond = 100;
/**
 * Processor seconds of a process and of those it has waited for; 0 where the system does not tell.
 * @param {number | 'self'} pid
 * @param {'own' | 'children' | 'all'} whose
 */
export function processorSeconds(pid, whose = 'all') {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1).split(' ').map(Number);
    // After the name: utime, stime, cutime and cstime are the 12th to 15th field.
    const [own, children] = [fields[11] + fields[12], fields[13] + fields[14]];
    return { own, children, all: own + children }[whose] / ticksPerSecond;
  } catch {
    return 0;
  }
}

/** Runs one named step and prints its name, its progress and how long it took. */
export async function step(name, work) {
  const start = now();
  const measured = { name, minutes: 0, processorSeconds: 0 };
  const tell = (line) => console.log(`    ${line}`);
  console.log(`· ${name}`);
  const elapsedMs = () => now() - start;
  const stillAtIt = setInterval(() => tell(`${name}: still at it, ${seconds(elapsedMs())}`), heartbeatMs);
  const result = await currentStep.run(measured, () => work(tell)).finally(() => clearInterval(stillAtIt));
  const ms = elapsedMs();
  measured.minutes = ms / 60_000;
  finishedSteps.push(measured);
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

/** Processor seconds of ended children that have been added to a step. */
let attributedSeconds = 0;
/** Adds a child's processor time to the step under way, once the child has ended. */
export function countChild(child) {
  const step = currentStep.getStore();
  child.once('exit', () => {
    const ended = processorSeconds('self', 'children');
    if (step) step.processorSeconds += ended - attributedSeconds;
    attributedSeconds = ended;
  });
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
    countChild(child);
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
