import type { MessagePort } from 'node:worker_threads';
import Piscina from 'piscina';

/** What one piece of work in a thread of its own may cost, and how much of it may wait. */
export interface ApartLimits {
  readonly memoryMb: number;
  readonly patienceMs: number;
  readonly mostWaiting: number;
  /** Whether the thread stays while nothing is asked, with what it holds; else it ends after a while. */
  readonly keeps?: boolean;
}

/** How a piece of work is asked for. */
interface Asking {
  /** The worker's function; its default where none is said. */
  readonly name?: string;
  /** What goes over to the thread. */
  readonly gives?: readonly MessagePort[];
}

/** What a piece of work cost more than it may. */
export class TooMuch extends Error {
  override readonly name = 'TooMuch';
}

/** Asked by its code: an error from another thread need not be of this one's kind. */
const isOutOfMemory = (cause: unknown): boolean =>
  typeof cause === 'object' && cause !== null && 'code' in cause && cause.code === 'ERR_WORKER_OUT_OF_MEMORY';

/** A thread for work whose cost somebody else decides: it ends when a piece costs too much, and nobody else waits for it. */
export class Apart {
  private pool: Piscina | null = null;

  constructor(
    private readonly program: { readonly filename: string; readonly execArgv: string[] },
    private readonly limits: ApartLimits,
  ) {}

  /**
   * @throws TooMuch where it takes too long or too much memory; else whatever the work throws.
   */
  async run<Answer>(ask: unknown, { name, gives = [] }: Asking = {}): Promise<Answer> {
    const { patienceMs } = this.limits;
    this.pool ??= this.begun();
    const ending = AbortSignal.timeout(patienceMs);
    try {
      return (await this.pool.run(ask, {
        ...{ signal: ending, transferList: [...gives] },
        ...(name ? { name } : {}),
      })) as Answer; // the thread's own
    } catch (cause) {
      if (ending.aborted || isOutOfMemory(cause))
        throw new TooMuch('it takes too much to be read', { cause });
      throw cause;
    }
  }

  private begun(): Piscina {
    const { memoryMb, mostWaiting, keeps = false } = this.limits;
    const pool = new Piscina({
      ...this.program,
      ...{ minThreads: keeps ? 1 : 0, maxThreads: 1, idleTimeout: 10_000, maxQueue: mostWaiting },
      resourceLimits: { maxOldGenerationSizeMb: memoryMb },
    });
    // A thread that ends while nothing is asked of it takes nobody along; the next piece of work gets another.
    pool.on('error', () => undefined);
    return pool;
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
    this.pool = null;
  }
}
