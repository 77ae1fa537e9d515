import type { BundleFault } from '@cadro/contract';
import { TooMuch } from '../../kit';
import { BundleError } from './errors';

/** What a thread answers of a bundle: an error's kind does not survive the way between threads. */
export type Answer<T> = { readonly told: T } | { readonly refused: BundleFault; readonly detail: string };

/** In the thread: what comes of some work, with why nothing does. */
export const answerOf = <T>(work: Promise<T>): Promise<Answer<T>> =>
  work.then(
    (told): Answer<T> => ({ told }),
    (error: unknown) => {
      if (error instanceof BundleError) return { refused: error.code, detail: error.message };
      throw error;
    },
  );

/**
 * Beside it: what came of it.
 * @throws BundleError where nothing of the bundle can be read, or it takes too much.
 */
export async function toldBy<T>(answer: Promise<Answer<T>>): Promise<T> {
  const come = await answer.catch((cause: unknown) => {
    throw cause instanceof TooMuch ? new BundleError('too-big', cause.message, { cause }) : cause;
  });
  if ('refused' in come) throw new BundleError(come.refused, come.detail);
  return come.told;
}
