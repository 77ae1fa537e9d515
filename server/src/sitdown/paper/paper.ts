import type { PaperPages } from '@cadro/contract';
import { guardianById } from '../../household';
import { HttpProblem, paperLimits, Produced, threadKind, type ServerDeps } from '../../kit';
import type * as program from './fridge.worker';

/** Pages are drawn apart. */
const printing = threadKind<typeof program>(__dirname, 'fridge.worker', paperLimits);

/** The pages of a sit-down as PDF, one for each child: what is on them is what was given. */
export async function pagesOnPaper(
  { db, clock, threads }: ServerDeps,
  guardianId: string,
  pages: PaperPages,
): Promise<Produced> {
  const [guardian, at] = await Promise.all([guardianById(db, guardianId), clock.now()]);
  if (!guardian) throw new HttpProblem('not-signed-in');
  const { language } = guardian;
  const bytes = await threads
    .of(printing)
    .run('fridgePages', { ...pages, language, at }, { whose: guardianId });
  return new Produced(bytes, 'sit-down.pdf');
}
