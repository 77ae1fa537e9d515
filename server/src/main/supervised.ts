import { spawn, type ChildProcess } from 'node:child_process';
import type { Logger } from 'pino';

const firstWaitMs = 500;
const longestWaitMs = 30_000;
/** Who has run for so long did not end because of how it was started. */
const soundAfterMs = 60_000;
/** A process that is told to end has this long for what it has begun. */
const drainMs = 15_000;

/** How long a process that ended by itself is left alone: twice as long each time, up to a limit. */
export const waitBefore = (endings: number): number =>
  Math.min(longestWaitMs, firstWaitMs * 2 ** Math.max(0, endings - 1));

type State = 'idle' | 'running' | 'waiting' | 'stopped';

/** One process that is started again when it ends by itself. Its output goes where the supervisor's goes. */
export class Supervised {
  private state: State = 'idle';
  private child: ChildProcess | null = null;
  private endings = 0;
  private timer: NodeJS.Timeout | null = null;

  constructor(
    private readonly name: string,
    private readonly program: { readonly path: string; readonly args: readonly string[] },
    private readonly log: Logger,
  ) {}

  start(): void {
    this.state = 'running';
    const startedMs = performance.now();
    const { path, args } = this.program;
    const child = spawn(process.execPath, [...args, path], { stdio: ['ignore', 'inherit', 'inherit'] });
    this.child = child;
    child.once('exit', (code, signal) => {
      this.child = null;
      if (this.state === 'stopped') return;
      this.endings = performance.now() - startedMs > soundAfterMs ? 1 : this.endings + 1;
      const waitMs = waitBefore(this.endings);
      this.state = 'waiting';
      this.log.error({ process: this.name, code, signal, waitMs }, 'ended by itself; it is started again');
      this.timer = setTimeout(() => this.start(), waitMs);
    });
  }

  /** Asks the process to end what it has begun, and ends it where it does not. */
  async stop(): Promise<void> {
    this.state = 'stopped';
    if (this.timer) clearTimeout(this.timer);
    const { child } = this;
    if (!child) return;
    const ended = new Promise<void>((done) => child.once('exit', () => done()));
    child.kill('SIGTERM');
    const late = setTimeout(() => child.kill('SIGKILL'), drainMs);
    await ended;
    clearTimeout(late);
  }
}
