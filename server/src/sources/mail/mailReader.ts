import { NoTurn, threadKind, type Returned, type ServerDeps } from '../../kit';
import type { Enclosed, FileGiven } from './enclosed';
import type { Incoming, IncomingAsk } from './incoming';
import type * as program from './mail.worker';
import type { MailAsk, ReadMail } from './mail.worker';

/** Mails are read apart. Many may come at once, of one family or school, and all of them wait here. */
const reading = threadKind<typeof program>(__dirname, 'mail.worker', {
  ...{ memoryMb: 192, patienceMs: 15_000, mostOfOne: 50, mostWaiting: 50 },
});

type With = Pick<ServerDeps, 'threads'>;

/** What is wrong with a mail is wrong with it alone; one that has no turn comes again. */
const orElse =
  <T>(instead: T) =>
  (error: unknown): T => {
    if (error instanceof NoTurn) throw error;
    return instead;
  };

/** @returns null for a mail that cannot be read, or takes too much. @throws NoTurn while too many wait. */
export const readMail = ({ threads }: With, whose: string, ask: MailAsk): Promise<ReadMail | null> =>
  threads.of(reading).run('read', ask, { whose }).catch(orElse(null));

/** A mail to a thread, or about a mail that could not be brought; null for one that cannot be read, or takes too much. */
export const incomingMail = ({ threads }: With, whose: string, ask: IncomingAsk): Promise<Incoming | null> =>
  threads.of(reading).run('incoming', ask, { whose }).catch(orElse(null));

/** The files of a letter that is to go out, in their order. @throws NoTurn while too many wait. */
export const lookAtFiles = (
  { threads }: With,
  whose: string,
  given: readonly FileGiven[],
): Promise<Enclosed[]> => threads.of(reading).run('files', given, { whose });

/** What a mail server says of a mail; null where it is no word of one, or takes too much to be read. */
export const returnedOf = ({ threads }: With, whose: string, raw: Uint8Array): Promise<Returned | null> =>
  threads.of(reading).run('returned', raw, { whose }).catch(orElse(null));
