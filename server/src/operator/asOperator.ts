import { HttpProblem, type Call } from '../kit';
import { requireOperator } from './signIn';

type Asked = Pick<Call<unknown, unknown, unknown>, 'deps' | 'request'>;

/** Whoever asks must be an operator still; what is done about nothing is not found. */
export const asOperator =
  <A extends Asked, T>(work: (asked: A) => Promise<T>) =>
  async (asked: A): Promise<Exclude<T, boolean>> => {
    await requireOperator(asked.deps, asked.request);
    const done = await work(asked);
    if (done === false) throw new HttpProblem('not-found');
    return done as Exclude<T, boolean>; // what tells whether it was done is no answer
  };
