import type { Child, ChildTerms, TermCourse, TermNode } from '@cadro/contract';
import { corrected, creditBalance, dateIn, gradePointAverage, termStateOf } from '@cadro/core';
import type { Db } from '../db';
import { householdOf } from '../household';
import { correctionsOfHousehold } from './corrections';
import { courseRecords, type TermRecord } from './records';
import { termCourse } from './termGrades';
import * as store from './termStore';

/** The terms below a term, itself first, a parent before its parts; a loop in the source's tree ends it. */
function below(terms: readonly store.TermRow[], top: store.TermRow, depth = 0): [store.TermRow, number][] {
  if (depth > 6) return [];
  const parts = terms.filter(({ parent_external_id }) => parent_external_id === top.external_id);
  return [[top, depth], ...parts.flatMap((part) => below(terms, part, depth + 1))];
}

const group = <T>(rows: readonly T[], key: (row: T) => string): ReadonlyMap<string, readonly T[]> => {
  const groups = new Map<string, T[]>();
  for (const row of rows) groups.set(key(row), [...(groups.get(key(row)) ?? []), row]);
  return groups;
};

function treeOf(
  terms: readonly store.TermRow[],
  rows: readonly store.TermCourseRow[],
  today: string,
): TermNode[] {
  const names = new Set(terms.map(({ external_id }) => external_id));
  const tops = terms.filter(
    ({ parent_external_id }) => parent_external_id === null || !names.has(parent_external_id),
  );
  return [...tops].reverse().flatMap((top) => {
    const family = below(terms, top);
    const own = new Set(family.map(([{ external_id }]) => external_id));
    const courseIds = rows.filter((row) => own.has(row.term_external_id)).map(({ id }) => id);
    if (courseIds.length === 0) return [];
    return family.map(([term, depth]): TermNode => ({
      id: term.id,
      part: term.external_id,
      parent: depth === 0 ? null : term.parent_external_id,
      depth,
      title: term.title,
      startsOn: term.starts_on,
      endsOn: term.ends_on,
      state: termStateOf({ startsOn: term.starts_on, endsOn: term.ends_on }, today),
      courseIds,
    }));
  });
}

/** The part a course's last word is on: its own year, semester or quarter. */
const wholeOf = (row: store.TermCourseRow, course: TermCourse) =>
  course.grades.find(({ part }) => part === row.term_external_id);

function averageOf(
  rows: readonly store.TermCourseRow[],
  courses: ReadonlyMap<string, TermCourse>,
): ChildTerms['average'] {
  const points = rows.find(({ grade_points }) => grade_points)?.grade_points;
  if (!points) return null;
  const graded = rows.flatMap((row) => {
    const course = courses.get(row.id);
    const whole = course && wholeOf(row, course);
    if (!course || !whole || row.credits === 0) return [];
    const stored = whole.state === 'stored';
    return [{ courseId: row.id, letter: whole.letter, credits: row.credits, bump: row.bump, stored }];
  });
  return {
    table: Object.entries(points)
      .map(([letter, worth]) => ({ letter, points: worth }))
      .sort((a, b) => b.points - a.points),
    stored: gradePointAverage(
      points,
      graded.filter(({ stored }) => stored),
    ),
    withRunning: gradePointAverage(points, graded),
    rows: graded,
  };
}

const creditsOf = (
  plan: readonly { area: string; required: number }[],
  rows: readonly store.TermCourseRow[],
  courses: ReadonlyMap<string, TermCourse>,
): ChildTerms['credits'] =>
  creditBalance(
    plan,
    rows.map((row) => ({
      area: row.credit_area,
      credits: row.credits,
      earned: courses.get(row.id)?.creditsEarned ?? 0,
      inProgress: courses.get(row.id)?.current ?? false,
    })),
  );

/** A child's school years: a bounded number of queries, however many courses and terms. */
export async function childTerms(db: Db, guardianId: string, child: Child, now: Date): Promise<ChildTerms> {
  const today = dateIn(child.timeZone, now);
  const { id: householdId } = await householdOf(db, guardianId);
  const [terms, rows, grades, remarks, plan, loaded, correctionFor] = await Promise.all([
    store.termsOfStudent(db, child.id),
    store.coursesOfYears(db, child.id),
    store.storedGrades(db, child.id),
    store.reportRemarks(db, child.id),
    store.creditPlan(db, child.id),
    courseRecords(db, child.id, now, { everyTerm: true }),
    correctionsOfHousehold(db, child.id, householdId),
  ]);
  const begun = loaded.filter(({ term }) => term.startsOn <= today);
  const byCourse = group(begun, ({ record }: TermRecord) => record.id);
  const gradesOf = group(grades, ({ course_id }) => course_id);
  const remarksOf = group(remarks, ({ course_id }) => course_id);
  const courses = rows.map((row) => {
    const top = terms.find(({ external_id }) => external_id === row.term_external_id);
    return termCourse({
      row,
      terms: top ? below(terms, top).map(([term]) => term) : [],
      records: new Map(
        (byCourse.get(row.id) ?? []).map(({ term, record }) => [
          term.externalId,
          corrected(record, correctionFor(row.id)),
        ]),
      ),
      correction: correctionFor(row.id),
      stored: gradesOf.get(row.id) ?? [],
      remarks: remarksOf.get(row.id) ?? [],
      today,
    });
  });
  const byId = new Map(courses.map((course) => [course.courseId, course]));
  return {
    studentId: child.id,
    today,
    terms: treeOf(terms, rows, today),
    courses,
    credits: creditsOf(plan, rows, byId),
    average: averageOf(rows, byId),
  };
}
