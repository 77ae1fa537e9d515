import { Apart, threadProgram, type Returned } from '../../kit';
import type { Incoming, IncomingAsk } from './incoming';
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

  /** A mail to a thread, or about a mail that could not be brought; null for one that cannot be read, or takes too much. */
  incoming(ask: IncomingAsk): Promise<Incoming | null> {
    return this.thread.run<Incoming>(ask, { name: 'incoming' }).catch(() => null);
  }

  /** What an answer says without the letter it quotes; all of it where that cannot be told, or takes too much. */
  async reply(text: string): Promise<string> {
    const said = await this.thread.run<string>(text, { name: 'reply' }).catch(() => '');
    return said || text.trim();
  }

  /** What a mail server says of a mail; null where it is no word of one, or takes too much to be read. */
  returned(raw: Uint8Array): Promise<Returned | null> {
    return this.thread.run<Returned | null>(raw, { name: 'returned' }).catch(() => null);
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
