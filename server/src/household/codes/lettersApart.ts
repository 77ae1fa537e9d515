import { paperLimits, threadKind, type ServerDeps } from '../../kit';
import type { LettersAsk } from './codeLetters';
import type * as program from './letters.worker';

const printing = threadKind<typeof program>(__dirname, 'letters.worker', paperLimits);

/** Letters with codes are drawn apart. @param whose which operator asks. */
export const lettersApart = (
  { threads }: Pick<ServerDeps, 'threads'>,
  whose: string,
  ask: LettersAsk,
): Promise<Uint8Array> => threads.of(printing).run('codeLetters', ask, { whose });
