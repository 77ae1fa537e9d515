import type { BodyOf, messageRoutes } from '@cadro/contract';
import { contactsFor } from '../../contacts';
import { guardianById, requireChild } from '../../household';
import { fileNameOf, HttpProblem, paperLimits, Produced, threadKind, type ServerDeps } from '../../kit';
import type * as program from './paper.worker';

/** Letters are drawn apart. */
const printing = threadKind<typeof program>(__dirname, 'paper.worker', paperLimits);

/** A letter to somebody at the school as a page to print. @throws HttpProblem 404 for who is not there for the child. */
export async function letterOnPaper(
  { db, clock, threads }: ServerDeps,
  guardianId: string,
  { studentId, teacherId, subject, text }: BodyOf<typeof messageRoutes.paper>,
): Promise<Produced> {
  const child = await requireChild(db, guardianId, studentId, 'write-talk');
  const [guardian, at] = await Promise.all([guardianById(db, guardianId), clock.now()]);
  const receiver = (await contactsFor(db, child.id, at)).find(({ id }) => id === teacherId);
  if (!guardian || !receiver) throw new HttpProblem('not-found');
  const letter = {
    ...{ language: guardian.language, timeZone: child.timeZone, author: guardian.name },
    ...{ receiver: receiver.name, schoolName: child.schoolName, subject, text, at },
  };
  const bytes = await threads.of(printing).run('letterPage', letter, { whose: guardianId });
  return new Produced(bytes, `${fileNameOf(subject)}.pdf`);
}
