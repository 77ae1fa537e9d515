import type { Child } from '@cadro/contract';
import { yearColumns } from '@cadro/core';
import { HttpProblem, type Db } from '../../kit';
import { guardianById } from '../../household';
import { schoolYears } from '../terms/terms';
import type { CardsReport } from './cardsPage';

/**
 * What the printed grid of a child's school year says.
 * @param yearId the year; absent: the latest.
 * @throws HttpProblem 404 for what is no year of the child.
 */
export async function cardsOf(
  db: Db,
  ask: {
    readonly guardianId: string;
    readonly child: Child;
    readonly yearId?: string | undefined;
    readonly now: Date;
  },
): Promise<CardsReport> {
  const { guardianId, child, yearId, now } = ask;
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new HttpProblem('not-signed-in');
  const { answer } = await schoolYears(db, guardianId, child, now);
  const tops = answer.terms.filter(({ depth }) => depth === 0);
  const top = yearId ? tops.find(({ id }) => id === yearId) : tops[0];
  if (!top) throw new HttpProblem('not-found');
  return {
    language: guardian.language,
    timeZone: child.timeZone,
    childName: `${child.givenName} ${child.familyName}`,
    schoolName: child.schoolName,
    title: top.title,
    asOf: now,
    terms: yearColumns(answer.terms, top),
    courses: answer.courses.filter(({ courseId }) => top.courseIds.includes(courseId)),
    attendance: answer.attendance,
  };
}
