import type { Child, CourseRecord, PolicyCorrection } from '@cadro/contract';
import { corrected, withOffers, type Stated } from '@cadro/core';
import type { Db } from '../db';
import { requireChild } from '../household';
import { HttpProblem } from '../http/problems';
import { correctionOf } from './corrections';
import { isOfTerm, type CourseTerm } from './courseTerms';
import { confirmedOffers } from './offers';
import { courseRecords, type TermRecord } from './records';
import * as store from './store';

/** One child's course in one of its terms, with everything its pages are made from. */
export interface OpenCourse extends TermRecord {
  readonly child: Child;
  readonly guardianId: string;
  readonly row: store.CourseRow;
  /** What the guardian's household assumes of the policy; it is in `record` already. */
  readonly correction: PolicyCorrection | null;
  /** As the source says. */
  readonly published: CourseRecord;
  readonly stated: Stated | null;
  /** The records of its earlier terms, by date, with the same correction. */
  readonly earlier: readonly TermRecord[];
}

/** The school's own figure of a course's term; null where it tells none. */
async function statedOf(
  db: Db,
  studentId: string,
  courseId: string,
  term: CourseTerm,
): Promise<Stated | null> {
  const rows = await store.statedGrades(db, studentId, courseId, term.externalId);
  const row = rows.find(({ state }) => state === 'final') ?? rows[0];
  return row && row.figure !== null
    ? { figure: row.figure, letter: row.letter, at: row.reported_at.toISOString() }
    : null;
}

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
  const [[row], all, offers] = await Promise.all([
    store.coursesOf(db, { studentIds: [studentId], guardianId, now, courseId }),
    courseRecords(db, studentId, now, { courseId, everyTerm: true }),
    confirmedOffers(db, studentId, { guardianId, courseId }),
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
  const record = withOffers(corrected(loaded.record, correction), offers);
  return { ...loaded, record, published: loaded.record, correction, child, guardianId, row, stated, earlier };
}
