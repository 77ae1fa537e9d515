import { Apart, threadKind, type ApartLimits } from '../../kit';
import type { Told } from '../translation';
import { toldBy } from './answers';
import type * as program from './bundle.worker';
import type { Opened } from './bundle.worker';
import type { RolesOfPerson } from './joined';
import type { Batch, From } from './readBundle';

/** A bundle that a thread of its own reads; the memory and time of reading are that thread's. */
export interface BundleApart extends Opened {
  knowRoles(people: readonly RolesOfPerson[]): Promise<void>;
  batches(from?: From): AsyncGenerator<Batch>;
  close(): Promise<void>;
}

/** What each step of a reading may cost: to open a bundle, or to read some rows of it. */
const usualLimits = { memoryMb: 512, patienceMs: 60_000 };

/**
 * Opens a bundle in a thread of its own.
 * @throws BundleError where nothing of it can be read, or it takes too much; so does whoever reads on in it.
 */
export async function openApart(
  path: string,
  told: Told,
  limits: Pick<ApartLimits, 'memoryMb' | 'patienceMs'> = usualLimits,
): Promise<BundleApart> {
  const thread = new Apart(
    threadKind<typeof program>(__dirname, 'bundle.worker', {
      ...{ ...limits, mostOfOne: 2, mostWaiting: 2, keeps: true },
    }),
  );
  const its = { whose: path };
  const next = () => toldBy(thread.run('next', null, its));
  async function* batches(from?: From): AsyncGenerator<Batch> {
    await thread.run('begin', from ?? null, its);
    for (let batch = await next(); batch; batch = await next()) yield batch;
  }
  try {
    const opened = await toldBy(thread.run('open', { path, told }, its));
    return {
      ...opened,
      knowRoles: (people) => thread.run('knowRoles', people, its),
      batches,
      close: () => thread.close(),
    };
  } catch (error) {
    await thread.close();
    throw error;
  }
}
