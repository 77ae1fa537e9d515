import type { Db } from '../db';
import { householdOf, requireChild } from '../household';
import { HttpProblem } from '../http/problems';
import { standingCorrections } from './corrections';
import { statedOf, withCorrection, type OpenCourse } from './courseDetail';
import { isOfTerm } from './courseTerms';
import { courseRecords } from './records';
import * as store from './store';

/**
 * One course of a linked child in the asked term, or the one it stands in, with the household's correction.
 * @throws HttpProblem 404 when the guardian has no such child, the child no such course, the course no such term.
 */
export async function openCourse(
  db: Db,
  now: Date,
  ask: {
    readonly guardianId: string;
    readonly studentId: string;
    readonly courseId: string;
    readonly termId?: string | undefined;
    /** The term this work belongs to, instead. */
    readonly item?: store.ItemRow;
  },
): Promise<OpenCourse> {
  const { guardianId, studentId, courseId, termId, item } = ask;
  const child = await requireChild(db, guardianId, studentId, 'read-record');
  const [[row], corrections, household] = await Promise.all([
    store.coursesOf(db, { studentIds: [studentId], guardianId, now, courseId }),
    standingCorrections(db, studentId),
    householdOf(db, guardianId),
  ]);
  if (!row) throw new HttpProblem('not-found');
  const [loaded] = await courseRecords(db, studentId, now, {
    courseId,
    ...(termId ? { termsOf: (terms) => terms.filter(({ id }) => id === termId) } : {}),
    ...(item
      ? { termsOf: (terms) => terms.filter((term) => isOfTerm(item, term, terms, row.time_zone)) }
      : {}),
  });
  if (!loaded) throw new HttpProblem('not-found');
  const correction =
    corrections.find((each) => each.courseId === courseId && each.householdId === household.id)?.correction ??
    null;
  const stated = await statedOf(db, studentId, courseId, loaded.term);
  return { ...withCorrection(loaded, correction), child, row, stated };
}
