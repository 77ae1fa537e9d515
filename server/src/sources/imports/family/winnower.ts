import Piscina from 'piscina';
import { threadProgram } from '../../../kit';
import { BundleError } from '../../bundle/errors';
import type { Winnowed, WinnowAsk } from './winnow';
import type { Answer } from './winnow.worker';

/** So much a file may cost: memory of its own, and time. */
const limits = { memoryMb: 256, patienceMs: 60_000 };

/** Winnows bundles in a thread of its own, which ends when one costs too much: nobody else waits for it. */
export class Winnower {
  private pool: Piscina | null = null;

  /** @throws BundleError where nothing of it can be read, or it takes too long. */
  async winnow(ask: WinnowAsk): Promise<Winnowed> {
    this.pool ??= new Piscina({
      ...threadProgram(__dirname, 'winnow.worker'),
      ...{ minThreads: 0, maxThreads: 1, idleTimeout: 10_000, maxQueue: 20 },
      resourceLimits: { maxOldGenerationSizeMb: limits.memoryMb },
    });
    const answer = await this.run(this.pool, ask);
    if ('refused' in answer) throw new BundleError(answer.refused, answer.detail);
    return answer;
  }

  private async run(pool: Piscina, ask: WinnowAsk): Promise<Answer> {
    const ending = AbortSignal.timeout(limits.patienceMs);
    try {
      return (await pool.run(ask, { signal: ending })) as Answer; // the thread's own return type
    } catch (cause) {
      const outOfMemory =
        cause instanceof Error && 'code' in cause && cause.code === 'ERR_WORKER_OUT_OF_MEMORY';
      if (ending.aborted || outOfMemory)
        throw new BundleError('too-big', 'it takes too much to be read', { cause });
      throw cause;
    }
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
    this.pool = null;
  }
}
