import type { Child, ChildTerms, TermCourse, TermNode } from '@cadro/contract';
import { creditBalance, dateIn, gradePointAverage, termStateOf } from '@cadro/core';
import { attendanceFrom, attendanceOf, type StandingMark } from '../../attendance';
import { householdOf } from '../../household';
import { groupBy, type Db } from '../../kit';
import { creditPlan, termsOfStudent, type TermOfYear } from '../../records';
import { householdRecords, type HouseholdTerm } from '../figures/householdRecords';
import { correctionOf } from '../figures/householdStore';
import { termCourse } from './termGrades';
import * as store from './termStore';

/** The terms below a term, itself first, a parent before its parts; a loop in the source's tree ends it. */
function below(terms: readonly TermOfYear[], top: TermOfYear, depth = 0): [TermOfYear, number][] {
  if (depth > 6) return [];
  const parts = terms.filter(({ parent_external_id }) => parent_external_id === top.external_id);
  return [[top, depth], ...parts.flatMap((part) => below(terms, part, depth + 1))];
}

function treeOf(
  terms: readonly TermOfYear[],
  rows: readonly store.CourseOfYears[],
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
const wholeOf = (row: store.CourseOfYears, course: TermCourse) =>
  course.grades.find(({ part }) => part === row.term_external_id);

function averageOf(
  rows: readonly store.CourseOfYears[],
  courses: ReadonlyMap<string, TermCourse>,
): ChildTerms['average'] {
  const points = rows.find(({ grade_points }) => grade_points)?.grade_points;
  if (!points) return null;
  const graded = rows.flatMap((row) => {
    const course = courses.get(row.id);
    const whole = course && wholeOf(row, course);
    if (!course || !whole || row.credits === 0) return [];
    const stored = whole.state === 'stored';
    return [{ courseId: row.id, letter: whole.grade.letter, credits: row.credits, bump: row.bump, stored }];
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
  rows: readonly store.CourseOfYears[],
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

/** What the register says of each term that has begun. */
function attendedIn(
  child: Child,
  marks: readonly StandingMark[],
  terms: readonly TermNode[],
  today: string,
): ChildTerms['attendance'] {
  return terms.flatMap(({ part, startsOn, endsOn }) => {
    const within = marks.filter(({ mark }) => mark.on >= startsOn && mark.on <= endsOn);
    if (within.length === 0) return [];
    const { summary } = attendanceFrom(child, within, today);
    const { schoolDays, daysAbsent, periodsAbsent, tardies } = summary;
    return [{ part, schoolDays, daysMissed: daysAbsent, lessonsMissed: periodsAbsent, late: tardies }];
  });
}

/** A child's school years, with the records they are made of. */
export interface SchoolYears {
  readonly answer: ChildTerms;
  /** The courses in every term, as the household reads them. */
  readonly records: readonly HouseholdTerm[];
}

/** A child's school years: a bounded number of queries, however many courses and terms. */
export async function schoolYears(db: Db, guardianId: string, child: Child, now: Date): Promise<SchoolYears> {
  const today = dateIn(child.timeZone, now);
  const { id: householdId } = await householdOf(db, guardianId);
  const [terms, rows, grades, remarks, plan, records, [register]] = await Promise.all([
    termsOfStudent(db, child.id),
    store.coursesOfYears(db, child.id, householdId),
    store.statedGrades(db, child.id),
    store.reportRemarks(db, child.id),
    creditPlan(db, child.id),
    householdRecords(db, { studentIds: [child.id], householdId, asOf: now, everyTerm: true }),
    attendanceOf(db, { guardianId }, [child], now),
  ]);
  const begun = records.filter(({ term }) => term.startsOn <= today);
  const recordsOf = groupBy(begun, ({ record }) => record.id);
  const gradesOf = groupBy(grades, ({ course_id }) => course_id);
  const remarksOf = groupBy(remarks, ({ course_id }) => course_id);
  const courses = rows.map((row) => {
    const top = terms.find(({ external_id }) => external_id === row.term_external_id);
    return termCourse({
      row,
      terms: top ? below(terms, top).map(([term]) => term) : [],
      records: new Map((recordsOf.get(row.id) ?? []).map(({ term, record }) => [term.externalId, record])),
      correction: correctionOf(row.correction),
      stated: gradesOf.get(row.id) ?? [],
      remarks: remarksOf.get(row.id) ?? [],
      today,
    });
  });
  const byId = new Map(courses.map((course) => [course.courseId, course]));
  const tree = treeOf(terms, rows, today);
  const answer = {
    studentId: child.id,
    today,
    terms: tree,
    attendance: attendedIn(child, register?.marks ?? [], tree, today),
    courses,
    credits: creditsOf(plan, rows, byId),
    average: averageOf(rows, byId),
  };
  return { answer, records };
}
