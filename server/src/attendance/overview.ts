import type {
  AttendancePattern,
  AttendanceTotals,
  Child,
  ChildDays,
  AttendanceOfCourse,
  DayMark,
  Teacher,
} from '@cadro/contract';
import {
  byCodePoint,
  chronicFrom,
  type DateRange,
  daysToShare,
  type Pattern,
  patternDates,
  weekOf,
} from '@cadro/core';
import type { Static } from '@sinclair/typebox';
import { householdOf } from '../household';
import type { Db } from '../kit';
import { attendanceFrom, attendanceOf, type ChildAttendance, type StandingMark } from './childAttendance';
import { desksOf, schoolTerms, teachersByCourse, type Contact, type SchoolTerm } from '../records';

export const teacherView = ({ id, name, email }: Contact): Static<typeof Teacher> => ({
  id,
  name,
  contactable: email !== null,
});

export const markView = ({ mark, meaning, instead }: StandingMark): DayMark => ({
  period: mark.period,
  courseId: mark.courseId,
  courseTitle: mark.courseTitle,
  code: mark.code,
  kind: meaning?.kind ?? null,
  excused: meaning?.excused ?? false,
  label: meaning?.label ?? null,
  by: meaning?.said === 'found' ? 'household' : mark.by,
  note: mark.note,
  markedBy: mark.markedBy,
  instead: instead.map(({ code }) => code),
});

/** The marks of some of the days, counted as by the same today. */
const within = ({ child, marks, today }: ChildAttendance, { from, to }: DateRange): ChildAttendance =>
  attendanceFrom(
    child,
    marks.filter(({ mark }) => mark.on >= from && mark.on <= to),
    today,
  );

function totals({ summary }: ChildAttendance, { from, to }: DateRange): AttendanceTotals {
  return {
    from,
    to,
    schoolDays: summary.schoolDays,
    daysAbsent: summary.daysAbsent,
    lessonsAbsent: summary.periodsAbsent,
    lessonsExplained: summary.excused,
    lessonsUnexplained: summary.unexcused,
    lateArrivals: summary.tardies,
  };
}

/** The school year that runs, or the last one that has begun; null where the source names none. */
export function yearOf(terms: readonly SchoolTerm[], today: string): DateRange | null {
  const years = terms.filter(({ kind, startsOn }) => kind === 'schoolYear' && startsOn <= today);
  const last = years.at(-1);
  return last ? { from: last.startsOn, to: last.endsOn } : null;
}

function titlesOf(marks: readonly StandingMark[]): Map<string, string> {
  return new Map(
    marks.flatMap(({ mark }) =>
      mark.courseId && mark.courseTitle ? [[mark.courseId, mark.courseTitle]] : [],
    ),
  );
}

function byCourse(own: ChildAttendance): AttendanceOfCourse[] {
  const titles = titlesOf(own.marks);
  const lessons = own.days.flatMap((day) => day.lessons);
  return own.summary.byCourse
    .map(({ courseId, absent, unexcused, tardies }) => ({
      courseId,
      courseTitle: titles.get(courseId) ?? '',
      lessons: lessons.filter((lesson) => lesson.courseId === courseId).length,
      absent,
      unexplained: unexcused,
      lateArrivals: tardies,
    }))
    .sort((a, b) => byCodePoint(a.courseTitle, b.courseTitle));
}

type SchoolDays = ChildAttendance['days'];
/** The work that days touched; asked of the room that knows the timetable. */
export type TouchedByPattern = (
  householdId: string,
  child: Child,
  days: SchoolDays,
) => Promise<AttendancePattern['touched']>;
type Touched = (child: Child, days: SchoolDays) => ReturnType<TouchedByPattern>;
/** A pattern before it is known what work it touched, with the absences it is made of. */
interface Found {
  readonly view: Omit<AttendancePattern, 'touched'>;
  readonly days: SchoolDays;
}

/** A pattern with its days, and the lessons that were missed on them, most missed first. */
function patternFound(own: ChildAttendance, pattern: Pattern, teachers: ReadonlyMap<string, Contact>): Found {
  const dates = patternDates(own.days, pattern);
  const days = own.days
    .filter(({ date }) => dates.includes(date))
    .map((day) => ({
      ...day,
      lessons: day.lessons.filter(
        ({ kind, period }) => kind === 'absent' && (pattern.kind !== 'period' || period === pattern.value),
      ),
    }));
  const missed = new Map<string, number>();
  for (const { courseId } of days.flatMap((day) => day.lessons))
    if (courseId) missed.set(courseId, (missed.get(courseId) ?? 0) + 1);
  const titles = titlesOf(own.marks);
  const lessons = [...missed]
    .map(([courseId, count]) => {
      const teacher = teachers.get(courseId);
      return {
        courseId,
        courseTitle: titles.get(courseId) ?? '',
        missed: count,
        teacher: teacher ? teacherView(teacher) : null,
      };
    })
    .sort((a, b) => b.missed - a.missed || a.courseTitle.localeCompare(b.courseTitle));
  return { view: { kind: pattern.kind, value: pattern.value, dates, lessons }, days };
}

function daysView(marks: readonly StandingMark[]): ChildDays['days'] {
  const byDate = new Map<string, DayMark[]>();
  for (const each of marks) {
    const known = byDate.get(each.mark.on) ?? [];
    byDate.set(each.mark.on, known);
    known.push(markView(each));
  }
  return [...byDate].map(([on, own]) => ({ on, marks: own })).reverse();
}

const distinct = (values: readonly string[]): string[] => [...new Set(values)];

async function childDays(
  own: ChildAttendance,
  terms: readonly SchoolTerm[],
  teachers: ReadonlyMap<string, Contact>,
  desk: Contact | undefined,
  touchedBy: Touched,
): Promise<ChildDays> {
  const { child, today } = own;
  const year = yearOf(terms, today);
  const range = year ?? { from: own.marks[0]?.mark.on ?? today, to: today };
  const thisYear = within(own, range);
  const term = terms.find(({ startsOn, endsOn, parted }) => !parted && startsOn <= today && endsOn >= today);
  const termRange = term && { from: term.startsOn, to: term.endsOn };
  const inTerm = termRange && within(own, termRange);
  const { schoolDays, daysAbsent, rate, chronic, patterns } = thisYear.summary;
  const unknown = thisYear.marks.filter(({ meaning }) => meaning === null);
  // Of earlier years there are marks too; what lies in no year at all is a mistake of someone's.
  const years = terms.filter(({ kind }) => kind === 'schoolYear');
  const inNoYear = ({ mark }: StandingMark) =>
    years.length > 0 && !years.some(({ startsOn, endsOn }) => mark.on >= startsOn && mark.on <= endsOn);
  const week = weekOf(today);
  return {
    studentId: child.id,
    today,
    markedBy:
      own.marks.length > 0 && own.marks.every(({ mark }) => mark.courseId === null) ? 'days' : 'lessons',
    week: totals(within(own, week), week),
    term: termRange && inTerm ? { ...totals(inTerm, termRange), title: term.title } : null,
    year: totals(thisYear, range),
    share: { rate, reached: chronic, moreDays: daysToShare(daysAbsent, schoolDays, chronicFrom) },
    byCourse: byCourse(inTerm ?? thisYear),
    patterns: await Promise.all(
      patterns.map(async (pattern) => {
        const { view, days } = patternFound(thisYear, pattern, teachers);
        return { ...view, touched: await touchedBy(child, days) };
      }),
    ),
    unknownCodes: distinct(unknown.map(({ mark }) => mark.code)).map((code) => ({
      code,
      on: distinct(unknown.filter(({ mark }) => mark.code === code).map(({ mark }) => mark.on)),
    })),
    outsideYear: distinct(own.marks.filter(inNoYear).map(({ mark }) => mark.on)),
    desk: desk ? teacherView(desk) : null,
    days: daysView(thisYear.marks),
  };
}

/** Attendance of a guardian's children for its own pages: totals, patterns with whom to speak to, day by day. */
export async function attendanceOverview(
  db: Db,
  viewer: { readonly guardianId: string },
  children: readonly Child[],
  now: Date,
  ask: TouchedByPattern,
): Promise<ChildDays[]> {
  const ids = children.map(({ id }) => id);
  const { id: householdId } = await householdOf(db, viewer.guardianId);
  const touchedBy: Touched = (child, days) => ask(householdId, child, days);
  const [attendance, terms, desks] = await Promise.all([
    attendanceOf(db, viewer, children, now),
    schoolTerms(db, ids),
    desksOf(db, ids),
  ]);
  const courseIds = attendance.flatMap(({ marks }) => marks.flatMap(({ mark }) => mark.courseId ?? []));
  const teachers = await teachersByCourse(db, distinct(courseIds));
  return Promise.all(
    attendance.map((own) =>
      childDays(
        own,
        terms.filter(({ studentId }) => studentId === own.child.id),
        teachers,
        desks.get(own.child.id),
        touchedBy,
      ),
    ),
  );
}
