import Piscina from 'piscina';
import { threadProgram } from '../../kit';
import type { MailAsk, ReadMail } from './mail.worker';

/** So much a mail may cost: memory of its own, and time. */
const limits = { memoryMb: 192, patienceMs: 15_000 };

/** Reads mails in a thread of its own, which ends when one costs too much: nobody else waits for it. */
export class MailReader {
  private pool: Piscina | null = null;

  /** @returns null for a mail that cannot be read, or takes too much. */
  read(ask: MailAsk): Promise<ReadMail | null> {
    return this.run<ReadMail>(ask);
  }

  /** What an answer says without the letter it quotes; null where that cannot be told, or takes too much. */
  reply(text: string): Promise<string | null> {
    return this.run<string>(text, 'reply');
  }

  /** @param name of the worker's function; its own answer where none is said. */
  private run<Answer>(ask: unknown, name?: string): Promise<Answer | null> {
    this.pool ??= new Piscina({
      ...threadProgram(__dirname, 'mail.worker'),
      ...{ minThreads: 0, maxThreads: 1, idleTimeout: 10_000, maxQueue: 50 },
      resourceLimits: { maxOldGenerationSizeMb: limits.memoryMb },
    });
    const how = { signal: AbortSignal.timeout(limits.patienceMs), ...(name ? { name } : {}) };
    // Whatever is wrong with one mail is wrong with it alone.
    return (this.pool.run(ask, how) as Promise<Answer>).catch(() => null);
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
    this.pool = null;
  }
}
