import { readRegister } from '@cadro/core';
import type { JoinedPlace } from '../household';
import type { MirroredTold } from '../sources';
import { together, type Db } from '../kit';
import { replaceToldMarks, marksOf, meaningsOf } from './store';

/**
 * Reads the attendance of another record of a child into the child's own, for one household. What somebody has written
 * down of a lesson stays, and of a day that the child's own school has marked, the school's marks stand alone.
 */
export async function mirrorMarks(
  db: Db,
  place: JoinedPlace,
  { gone, courses, author }: MirroredTold,
): Promise<void> {
  const [marks, meanings] = await together(db, [
    () => marksOf(db, [place.otherId], place.householdId),
    () => meaningsOf(db, [place.otherId], place.householdId),
  ]);
  const told = readRegister(marks, meanings).flatMap(({ mark, meaning }) =>
    meaning === null
      ? []
      : [
          {
            ...{
              on: mark.on,
              period: mark.period,
              code: mark.code,
              kind: meaning.kind,
              excused: meaning.excused,
            },
            courseId: (mark.courseId && courses.get(mark.courseId)) ?? null,
            label: meaning.label ?? mark.code,
            // As old as it is: what is read again is no news.
            at: mark.knownAt ?? new Date(mark.markedAt ?? `${mark.on}T12:00:00Z`),
          },
        ],
  );
  await db.transaction((trx) => replaceToldMarks(trx, place, gone ? [] : told, author));
}
