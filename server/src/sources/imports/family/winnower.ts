import { Apart, threadProgram, TooMuch } from '../../../kit';
import { BundleError } from '../../bundle/errors';
import type { Winnowed, WinnowAsk } from './winnow';
import type { Answer } from './winnow.worker';

/** Winnows bundles in a thread of its own. */
export class Winnower {
  private readonly thread = new Apart(threadProgram(__dirname, 'winnow.worker'), {
    ...{ memoryMb: 256, patienceMs: 60_000, mostWaiting: 20 },
  });

  /** @throws BundleError where nothing of it can be read, or it takes too long. */
  async winnow(ask: WinnowAsk): Promise<Winnowed> {
    const answer = await this.thread.run<Answer>(ask).catch((cause: unknown) => {
      throw cause instanceof TooMuch ? new BundleError('too-big', cause.message, { cause }) : cause;
    });
    if ('refused' in answer) throw new BundleError(answer.refused, answer.detail);
    return answer;
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
