import {
  rolesAllowed,
  type Child,
  type GoodNews,
  type LooseEndFigure,
  type Work,
  type WorkRow,
} from '@cadro/contract';
import { acrossCourses, comingStakes, dateIn, dayMs, doubtOf, isSeenEarly, learntEffort } from '@cadro/core';
import { openFollowUps } from '../followups';
import { courseSummary, coursesOf, householdRecords } from '../gradebook';
import { householdOf } from '../household';
import { groupBy, type Deps } from '../kit';
import { coursesThatFlag, resultChanges } from '../records';
import { goodNewsOf } from './goodNews';
import { workOffers } from './workOffers';
import { toldEfforts, workItems, type WorkItem } from './workStore';

const comingDays = 14;
/** Tests, and work that is given more than a week, are shown this far ahead. */
const earlyDays = 35;
const settledDays = 14;
const excusedDays = 60;

const isEarly = ({ kind, assigned_at, due_at }: WorkItem): boolean =>
  isSeenEarly({ kind, assignedAtMs: assigned_at.getTime(), dueAtMs: due_at && due_at.getTime() });

/** Where a work belongs that is no loose end; null where it is nobody's concern now. */
function groupOf(row: WorkItem, now: Date): WorkRow['group'] | null {
  const ahead = row.due_at === null ? null : row.due_at.getTime() - now.getTime();
  switch (row.status ?? 'open') {
    case 'open':
      if (ahead === null) return row.assigned_at <= now ? 'undated' : null;
      if (ahead < 0) return null;
      return ahead <= (isEarly(row) ? earlyDays : comingDays) * dayMs ? 'coming' : null;
    case 'handed-in':
      return 'waiting';
    case 'excused':
      return row.at && now.getTime() - row.at.getTime() <= excusedDays * dayMs ? 'excused' : null;
    default:
      return null;
  }
}

interface Course {
  readonly title: string;
  readonly outOf: number;
  readonly decimals: number;
  readonly ends: ReadonlyMap<string, LooseEndFigure>;
}

interface Facts {
  readonly now: Date;
  readonly course: Course;
  readonly stakes: ReadonlyMap<string, number>;
  readonly flags: ReadonlySet<string>;
  readonly followUps: ReadonlyMap<string, string>;
  readonly effort: (kind: string | null, possible: number) => number;
}

function rowOf(item: WorkItem, facts: Facts): WorkRow | null {
  const { now, course, stakes, flags, followUps, effort } = facts;
  const end = course.ends.get(item.item_id) ?? null;
  const said = {
    status: item.status ?? ('open' as const),
    earned: item.earned,
    atMs: item.at?.getTime() ?? null,
  };
  const other =
    item.other_status && item.other_at
      ? { status: item.other_status, earned: item.other_earned, atMs: item.other_at.getTime() }
      : null;
  const doubt = end && end.kind !== 'unmarked' ? doubtOf(said, other, now.getTime()) : null;
  const group = end
    ? end.kind === 'unmarked'
      ? 'waiting'
      : doubt === 'doubtful'
        ? 'doubtful'
        : 'loose'
    : groupOf(item, now);
  if (!group) return null;
  const tells = other && (doubt !== null || (group === 'waiting' && other.status === 'scored'));
  const told = item.told_minutes;
  return {
    group,
    studentId: item.student_id,
    courseId: item.course_id,
    courseTitle: course.title,
    itemId: item.item_id,
    title: item.title,
    itemKind: item.kind,
    possible: item.possible,
    counts: item.counts,
    outOf: course.outOf,
    decimals: course.decimals,
    kind: end?.kind ?? null,
    recoverable: end?.recoverable ?? false,
    impact: end ? end.impact : (stakes.get(item.item_id) ?? null),
    credit: end?.credit ?? null,
    deadline: end?.deadline ?? null,
    assignedAt: item.assigned_at.toISOString(),
    dueAt: item.due_at?.toISOString() ?? null,
    said: {
      sourceName: item.source_name,
      status: said.status,
      earned: said.earned,
      at: item.at?.toISOString() ?? null,
    },
    other: tells
      ? {
          sourceName: item.source_name,
          status: other.status,
          earned: other.earned,
          at: item.other_at?.toISOString() ?? null,
        }
      : null,
    doubt,
    remarked: item.remarked,
    flagsMissing: flags.has(item.course_id),
    supplies: item.supplies,
    early: isEarly(item),
    effort: { minutes: told ?? effort(item.kind, item.possible), told: told !== null },
    asked: item.asked_answer && item.asked_on ? { answer: item.asked_answer, on: item.asked_on } : null,
    followUpId: followUps.get(`${item.student_id}:${item.item_id}`) ?? null,
    was: null,
    readAt: item.read_at?.toISOString() ?? null,
  };
}

function settledRow(news: GoodNews, course: Course): WorkRow {
  return {
    group: 'settled',
    studentId: news.studentId,
    courseId: news.courseId,
    courseTitle: news.courseTitle,
    itemId: news.itemId,
    title: news.title,
    itemKind: null,
    possible: news.now.possible,
    counts: true,
    outOf: course.outOf,
    decimals: course.decimals,
    kind: null,
    recoverable: false,
    impact: null,
    credit: null,
    deadline: null,
    assignedAt: null,
    dueAt: null,
    said: { sourceName: '', status: news.now.status, earned: news.now.earned, at: news.at },
    other: null,
    doubt: null,
    remarked: false,
    flagsMissing: false,
    supplies: [],
    early: false,
    effort: { minutes: 0, told: false },
    asked: null,
    followUpId: null,
    was: news.was,
    readAt: null,
  };
}

const at = (value: string | null): string => value ?? '9';

/** Each part in the order in which it is looked at first: what gains most, what comes next, what waits longest. */
function inOrder(a: WorkRow, b: WorkRow): number {
  if (a.group === 'loose' || a.group === 'doubtful') return acrossCourses(a, b);
  if (a.group === 'coming') return at(a.dueAt).localeCompare(at(b.dueAt)) || a.title.localeCompare(b.title);
  if (a.group === 'settled') return at(b.said.at).localeCompare(at(a.said.at));
  return (
    at(a.said.at ?? a.assignedAt).localeCompare(at(b.said.at ?? b.assignedAt)) ||
    a.title.localeCompare(b.title)
  );
}

/**
 * All the work there is to look at over every child: a bounded number of queries for each child, however many courses.
 * Loose ends first, in make-up order.
 */
export async function workOf(
  { db, clock }: Deps,
  guardianId: string,
  children: readonly Child[],
): Promise<Work> {
  const now = await clock.now();
  const studentIds = children.map(({ id }) => id);
  const talkIds = children.filter(({ role }) => rolesAllowed('read-talk').includes(role)).map(({ id }) => id);
  const household = await householdOf(db, guardianId);
  const [rows, followUps, flags, efforts, changes, offers, records] = await Promise.all([
    coursesOf(db, { studentIds, guardianId, now }),
    openFollowUps(db, guardianId, talkIds),
    coursesThatFlag(db, studentIds),
    toldEfforts(db, talkIds, household.id),
    resultChanges(db, studentIds, new Date(now.getTime() - settledDays * dayMs)),
    workOffers(db, guardianId, children, now),
    householdRecords(db, { studentIds, householdId: household.id, asOf: now }),
  ]);
  const courses = new Map<string, Course>();
  for (const { id, studentId, title, scale, figures } of rows.map(courseSummary)) {
    const ends = new Map((figures?.looseEnds ?? []).map((end) => [end.itemId, end]));
    courses.set(`${studentId}:${id}`, { title, outOf: scale.outOf, decimals: scale.decimals, ends });
  }
  const stakes = new Map(
    [...groupBy(records, ({ studentId }) => studentId)].map(([id, own]) => [
      id,
      new Map(own.flatMap(({ record }) => [...comingStakes(record)])),
    ]),
  );
  const items = await workItems(db, {
    studentIds,
    householdId: household.id,
    talkIds,
    looseIds: [...courses.values()].flatMap(({ ends }) => [...ends.keys()]),
    now,
    until: new Date(now.getTime() + earlyDays * dayMs),
  });
  const taken = new Map(
    followUps.flatMap((row) =>
      [row.item_id, ...row.works.map(({ itemId }) => itemId)].map(
        (itemId) => [`${row.student_id}:${itemId}`, row.id] as const,
      ),
    ),
  );
  const efforted = new Map(
    studentIds.map((id) => [id, learntEffort(efforts.filter(({ student_id }) => student_id === id))]),
  );
  const open = items.flatMap((item) => {
    const course = courses.get(`${item.student_id}:${item.course_id}`);
    const effort = efforted.get(item.student_id);
    if (!course || !effort) return [];
    const own = stakes.get(item.student_id) ?? new Map<string, number>();
    return rowOf(item, { now, course, stakes: own, flags: new Set(flags), followUps: taken, effort }) ?? [];
  });
  const settled = goodNewsOf(changes).flatMap((news) => {
    const course = courses.get(`${news.studentId}:${news.courseId}`);
    return course ? [settledRow(news, course)] : [];
  });
  const order = ['loose', 'doubtful', 'coming', 'undated', 'waiting', 'settled', 'excused'];
  return {
    asOf: now.toISOString(),
    today: dateIn(children[0]?.timeZone ?? 'UTC', now),
    rows: [...open, ...settled].sort(
      (a, b) => order.indexOf(a.group) - order.indexOf(b.group) || inOrder(a, b),
    ),
    offers,
  };
}
