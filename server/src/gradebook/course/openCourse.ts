import type { Child, CourseRecord } from '@cadro/contract';
import { householdRecord, type StatedGrade } from '@cadro/core';
import { householdOf, requireChild } from '../../household';
import { HttpProblem, type Db } from '../../kit';
import { isOfTerm } from '../../records';
import { householdRecords, type HouseholdTerm } from '../figures/householdRecords';
import * as store from '../store';
import { statedOf } from './views';

/** One child's course in one of its terms, with everything its pages are made from. */
export interface OpenCourse extends HouseholdTerm {
  readonly child: Child;
  readonly guardianId: string;
  readonly householdId: string;
  readonly row: store.CourseCard;
  /** What the school has stated of this term. */
  readonly stated: readonly StatedGrade[];
  /** The records of its earlier terms, by date, as the household reads them. */
  readonly earlier: readonly HouseholdTerm[];
}

/**
 * One course of a linked child in the asked term, or the one it stands in, as the guardian's household reads it.
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
    readonly item?: store.ItemCard;
  },
): Promise<OpenCourse> {
  const { guardianId, studentId, courseId, termId, item } = ask;
  const child = await requireChild(db, guardianId, studentId, 'read-record');
  const { id: householdId } = await householdOf(db, guardianId);
  const studentIds = [studentId];
  const [[row], all] = await Promise.all([
    store.coursesOf(db, { studentIds, guardianId, now, courseId }),
    householdRecords(db, { studentIds, householdId, asOf: now, courseId, everyTerm: true }),
  ]);
  if (!row) throw new HttpProblem('not-found');
  const isAsked = ({ term, terms, standing }: HouseholdTerm): boolean => {
    if (termId) return term.id === termId;
    return item ? isOfTerm(item, term, terms, row.time_zone) : standing;
  };
  const asked = all.find(isAsked);
  if (!asked) throw new HttpProblem('not-found');
  const earlier = all.filter(({ term }) => term.endsOn < asked.term.startsOn);
  return {
    ...asked,
    child,
    guardianId,
    householdId,
    row,
    stated: statedOf(row, asked.term.externalId),
    earlier,
  };
}

/** The course as the household would read it with another correction, and all else as it is. */
export const withCorrection = (
  { published, view }: OpenCourse,
  correction: OpenCourse['view']['correction'],
): CourseRecord => householdRecord(published, { ...view, correction });
