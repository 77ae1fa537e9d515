import { Apart, threadProgram } from '../../../kit';
import { toldBy, type Answer } from '../../bundle/answers';
import type { Winnowed, WinnowAsk } from './winnow';

/** Winnows bundles in a thread of its own. */
export class Winnower {
  private readonly thread = new Apart(threadProgram(__dirname, 'winnow.worker'), {
    ...{ memoryMb: 256, patienceMs: 60_000, mostWaiting: 20 },
  });

  /** @throws BundleError where nothing of it can be read, or it takes too much. */
  winnow(ask: WinnowAsk): Promise<Winnowed> {
    return toldBy(this.thread.run<Answer<Winnowed>>(ask));
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
