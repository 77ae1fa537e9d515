import { setFlagsFromString } from 'node:v8';
import type { MessagePort } from 'node:worker_threads';
import pLimit from 'p-limit';
import Piscina from 'piscina';
import { threadProgram } from '../paths';
import { Turns } from './turns';

/** What one piece of work in a thread of its own may cost, and how much of it may wait. */
export interface ApartLimits {
  readonly memoryMb: number;
  /** From the moment a thread has it: waiting for others costs nobody their time. */
  readonly patienceMs: number;
  /** Pieces of one person that may wait, with the one that is being done. */
  readonly mostOfOne: number;
  readonly mostWaiting: number;
  /** How many threads there are; one where nothing is said. */
  readonly threads?: number;
  /** Whether the thread stays while nothing is asked, with what it holds; else it ends after a while. */
  readonly keeps?: boolean;
}

/** A program for threads, by the functions that its file exports, each of which takes one thing. */
export interface ThreadKind<Program> {
  readonly folder: string;
  readonly name: string;
  readonly limits: ApartLimits;
  /** Of the type alone. */
  readonly program?: Program;
}

/** @param folder of the source. @param name of its file, without the ending. */
export const threadKind = <Program>(
  folder: string,
  name: string,
  limits: ApartLimits,
): ThreadKind<Program> => ({ folder, name, limits });

type Does = (ask: never) => unknown;
type Named<Program> = { [Name in keyof Program]: Program[Name] extends Does ? Name : never }[keyof Program];
type Asked<Work> = Work extends (ask: infer Ask) => unknown ? Ask : never;
/** Bytes come back as they are, without what Node adds to them. */
type Back<Work> = Work extends (ask: never) => infer Answer
  ? Awaited<Answer> extends Buffer
    ? Uint8Array
    : Awaited<Answer>
  : never;

interface Asking {
  /** Whose it is: of one person one piece is done at a time, so that nobody waits behind all that another asks. */
  readonly whose: string;
  /** What goes over to the thread. */
  readonly gives?: readonly MessagePort[];
  /** Ends it while it waits; what is being done already is done to its end. */
  readonly until?: AbortSignal;
}

/** What a piece of work cost more than it may. */
export class TooMuch extends Error {
  override readonly name = 'TooMuch';
}

/** Asked by its code: an error from another thread need not be of this one's kind. */
const isOutOfMemory = (cause: unknown): boolean =>
  typeof cause === 'object' && cause !== null && 'code' in cause && cause.code === 'ERR_WORKER_OUT_OF_MEMORY';

/** Threads for work whose cost somebody else decides: one ends when a piece costs too much, and nobody else waits for it. */
export class Apart<Program> {
  private pool: Piscina | null = null;
  private readonly turns: Turns;
  private readonly slots: ReturnType<typeof pLimit>;

  constructor(private readonly kind: ThreadKind<Program>) {
    const { mostOfOne, mostWaiting, threads = 1 } = kind.limits;
    this.turns = new Turns({ ofOne: mostOfOne, inAll: mostWaiting });
    this.slots = pLimit(threads);
  }

  /**
   * Has a function of the program do something.
   * @throws TooMuch where it takes too long or too much memory; NoTurn where too much waits already; else whatever the
   *   work throws.
   */
  run<Name extends Named<Program> & string>(
    name: Name,
    ask: Asked<Program[Name]>,
    { whose, gives = [], until }: Asking,
  ): Promise<Back<Program[Name]>> {
    const piece = () => this.piece(name, ask, gives);
    return this.turns.take(whose, () => this.slots(piece), until) as Promise<Back<Program[Name]>>; // the thread's own
  }

  private async piece(name: string, ask: unknown, gives: readonly MessagePort[]): Promise<unknown> {
    this.pool ??= this.begun();
    const ending = AbortSignal.timeout(this.kind.limits.patienceMs);
    try {
      return await this.pool.run(ask, { signal: ending, name, transferList: [...gives] });
    } catch (cause) {
      if (ending.aborted || isOutOfMemory(cause))
        throw new TooMuch('it takes too much to be read', { cause });
      throw cause;
    }
  }

  private begun(): Piscina {
    // A thread that is ended while its hot code is being compiled beside it takes the whole process along (an assertion
    // of Node's, one in some hundred): the threads from here on compile in themselves.
    setFlagsFromString('--no-concurrent-recompilation');
    const { memoryMb, threads = 1, keeps = false } = this.kind.limits;
    const pool = new Piscina({
      ...threadProgram(this.kind.folder, this.kind.name),
      ...{ minThreads: keeps ? 1 : 0, maxThreads: threads, idleTimeout: 10_000 },
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
