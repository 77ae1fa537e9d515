import { BundleError } from '../../bundle/errors';
import { winnow, type WinnowAsk, type Winnowed } from './winnow';

/** What a thread answers: an error's kind does not survive the way between threads. */
export type Answer = Winnowed | { readonly refused: BundleError['code']; readonly detail: string };

export default async (ask: WinnowAsk): Promise<Answer> =>
  winnow(ask).catch((error: unknown) => {
    if (error instanceof BundleError) return { refused: error.code, detail: error.message };
    throw error;
  });
