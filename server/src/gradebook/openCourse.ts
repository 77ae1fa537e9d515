import { corrected } from '@cadro/core';
import type { Db } from '../db';
import { requireChild } from '../household';
import { HttpProblem } from '../http/problems';
import { correctionOf } from './corrections';
import { statedOf, withCorrection, type OpenCourse } from './courseDetail';
import { isOfTerm } from './courseTerms';
import { courseRecords, type TermRecord } from './records';
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
  const [[row], all] = await Promise.all([
    store.coursesOf(db, { studentIds: [studentId], guardianId, now, courseId }),
    courseRecords(db, studentId, now, { courseId, everyTerm: true }),
  ]);
  if (!row) throw new HttpProblem('not-found');
  const isAsked = ({ term, terms, standing }: TermRecord): boolean => {
    if (termId) return term.id === termId;
    return item ? isOfTerm(item, term, terms, row.time_zone) : standing;
  };
  const loaded = all.find(isAsked);
  if (!loaded) throw new HttpProblem('not-found');
  const correction = correctionOf(row.correction);
  const stated = await statedOf(db, studentId, courseId, loaded.term);
  const earlier = all
    .filter(({ term }) => term.endsOn < loaded.term.startsOn)
    .map((each) => ({ ...each, record: corrected(each.record, correction) }));
  return { ...withCorrection(loaded, correction), child, row, stated, earlier };
}
