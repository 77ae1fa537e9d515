import type { Child, ComingDay, NamedLooseEnd, OpenEnd } from '@cadro/contract';
import {
  type AbsenceFacts,
  type CourseFacts,
  dateIn,
  dayMs,
  leftWithout,
  openEndsOf,
  recentlyUnexplained,
  recentSchoolDays,
} from '@cadro/core';
import type { ChildAttendance } from '../attendance';
import { courseSummaries, householdRecords, offerEnds } from '../gradebook';
import { householdOf } from '../household';
import { endOfDay, type Db } from '../kit';
import { doubtsOf } from '../outlook';
import { comingWork, itemNames, remarkedWorks } from '../records';

interface Names {
  readonly items: ReadonlyMap<string, Awaited<ReturnType<typeof itemNames>>[number]>;
  readonly remarked: ReadonlySet<string>;
  readonly doubt: (studentId: string, itemId: string) => NamedLooseEnd['doubt'];
}

/** Open ends of a child with what they are called; none of a work that is not there any more. */
const named = (
  ends: readonly OpenEnd[],
  studentId: string,
  { items, remarked, doubt }: Names,
): NamedLooseEnd[] =>
  ends.flatMap(({ itemId, kind, recoverable, deadline, credit, impact }): NamedLooseEnd[] => {
    const item = items.get(itemId);
    if (!item) return [];
    return [
      {
        ...{ itemId, kind, recoverable, deadline, credit, impact },
        title: item.title,
        dueAt: item.due_at?.toISOString() ?? null,
        remarked: remarked.has(`${studentId}:${itemId}`),
        doubt: kind === 'again' ? null : doubt(studentId, itemId),
      },
    ];
  });

/**
 * What courses would fall to without the works of which the classroom knows more than the gradebook. Where nothing is in
 * doubt, which is most evenings, no record is asked for.
 */
async function sureFalls(
  db: Db,
  guardianId: string,
  now: Date,
  courses: readonly { studentId: string; courseId: string; looseEnds: readonly NamedLooseEnd[] }[],
): Promise<ReadonlyMap<string, NonNullable<CourseFacts['doubtful']>>> {
  const inDoubt = courses.flatMap(({ looseEnds, ...course }) => {
    const works = looseEnds.filter((end) => end.doubt === 'doubtful');
    return works.length > 0 ? [{ ...course, works }] : [];
  });
  if (inDoubt.length === 0) return new Map();
  const { id: householdId } = await householdOf(db, guardianId);
  const studentIds = [...new Set(inDoubt.map(({ studentId }) => studentId))];
  const terms = await householdRecords(db, { studentIds, householdId, asOf: now });
  return new Map(
    inDoubt.flatMap(({ studentId, courseId, works }) => {
      const term = terms.find((each) => each.studentId === studentId && each.record.id === courseId);
      const ids = works.map(({ itemId }) => itemId);
      const ifLeft = term ? leftWithout(term.record, ids) : null;
      const found = ifLeft === null ? null : { ifLeft, titles: works.map(({ title }) => title) };
      return found ? [[`${studentId}:${courseId}`, found] as const] : [];
    }),
  );
}

/** The children's courses with figures and with their loose ends named: four queries, more where something is in doubt. */
export async function namedCourses(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  now: Date,
): Promise<CourseFacts[]> {
  const studentIds = children.map(({ id }) => id);
  const rows = await courseSummaries(db, { studentIds, guardianId, now });
  const ids = rows.flatMap(({ figures, ended }) =>
    [...(figures ? openEndsOf(figures) : []), ...(ended?.closed ?? [])].map(({ itemId }) => itemId),
  );
  const [items, doubt, remarked] = await Promise.all([
    itemNames(db, ids),
    doubtsOf(db, studentIds, ids, now),
    remarkedWorks(db, studentIds, ids),
  ]);
  const names: Names = {
    items: new Map(items.map((item) => [item.id, item])),
    remarked,
    doubt,
  };
  const ofCourse = (row: (typeof rows)[number]) =>
    row.figures ? named(openEndsOf(row.figures), row.studentId, names) : [];
  const sure = await sureFalls(
    db,
    guardianId,
    now,
    rows.map((row) => ({ studentId: row.studentId, courseId: row.id, looseEnds: ofCourse(row) })),
  );
  return rows.flatMap((row): CourseFacts[] => {
    const { id, studentId, title, scale, figures, grade, ended, leftAs, termEnd } = row;
    if (!figures) return [];
    return [
      {
        ...{ id, studentId, title, figures, grade, leftAs, termEnd },
        ...{ outOf: scale.outOf, decimals: scale.decimals },
        looseEnds: ofCourse(row),
        doubtful: sure.get(`${studentId}:${id}`) ?? null,
        closed: named(ended?.closed ?? [], studentId, names),
        readAt: row.freshness.byHand ? null : row.freshness.readAt,
      },
    ];
  });
}

/** What is due over the next days, by the children's own calendar days, and which confirmed offers end on them. */
export async function comingDays(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  now: Date,
  days: number,
): Promise<ComingDay[]> {
  const zones = new Map(children.map(({ id, timeZone }) => [id, timeZone]));
  const zoneOf = (studentId: string) => zones.get(studentId) ?? 'UTC';
  const until = new Date(now.getTime() + days * dayMs);
  const [first] = children;
  const span = { from: dateIn(first?.timeZone ?? 'UTC', now), to: dateIn(first?.timeZone ?? 'UTC', until) };
  const [rows, ends] = await Promise.all([
    comingWork(db, [...zones.keys()], now, until),
    offerEnds(db, guardianId, [...zones.keys()], { ...span, now }),
  ]);
  const due = [
    ...rows.flatMap((row) =>
      row.dueAt
        ? [{ row, dueAt: row.dueAt, on: dateIn(zoneOf(row.studentId), row.dueAt), offerEnds: false }]
        : [],
    ),
    ...ends
      .filter(({ standing }) => standing === 'open')
      .map((row) => ({
        row,
        dueAt: endOfDay(row.until, zoneOf(row.studentId)),
        on: row.until,
        offerEnds: true,
      })),
  ].sort((a, b) => a.dueAt.getTime() - b.dueAt.getTime());
  const byDay = new Map<string, ComingDay['items']>();
  for (const { row, dueAt, on, offerEnds } of due) {
    const item = {
      itemId: row.itemId,
      studentId: row.studentId,
      courseTitle: row.courseTitle,
      title: row.title,
      dueAt: dueAt.toISOString(),
      possible: row.possible,
      counts: row.counts,
      offerEnds,
    };
    byDay.set(on, [...(byDay.get(on) ?? []), item]);
  }
  return [...byDay].map(([on, items]) => ({ on, items }));
}

/** What the last school days say about a child's absences. */
export function absenceFacts({ child, days, marks, leftEarlyOn }: ChildAttendance): AbsenceFacts {
  const dates = new Set(recentSchoolDays(days).map(({ date }) => date));
  const leftEarly = leftEarlyOn.filter((date) => dates.has(date));
  const unexplainedOn = recentlyUnexplained(days);
  const about = new Set([...leftEarly, ...unexplainedOn]);
  const lessons = marks.filter(({ mark, meaning }) => about.has(mark.on) && meaning?.kind === 'absent');
  return {
    studentId: child.id,
    unexplainedOn,
    leftEarlyOn: leftEarly,
    lessons: [...new Set(lessons.flatMap(({ mark }) => mark.courseTitle ?? []))],
  };
}
