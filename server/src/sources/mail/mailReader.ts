import { Apart, threadProgram } from '../../kit';
import type { MailAsk, ReadMail } from './mail.worker';

/** Reads mails in a thread of its own. */
export class MailReader {
  private readonly thread = new Apart(threadProgram(__dirname, 'mail.worker'), {
    ...{ memoryMb: 192, patienceMs: 15_000, mostWaiting: 50 },
  });

  /** @returns null for a mail that cannot be read, or takes too much: what is wrong with one is wrong with it alone. */
  read(ask: MailAsk): Promise<ReadMail | null> {
    return this.thread.run<ReadMail>(ask).catch(() => null);
  }

  /** What an answer says without the letter it quotes; null where that cannot be told, or takes too much. */
  reply(text: string): Promise<string | null> {
    return this.thread.run<string>(text, { name: 'reply' }).catch(() => null);
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
