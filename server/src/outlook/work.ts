import {
  rolesAllowed,
  type Child,
  type CourseSummary,
  type GoodNews,
  type OpenEnd,
  type Permission,
  type Work,
  type WorkRow,
} from '@cadro/contract';
import {
  acrossCourses,
  dateIn,
  dayMs,
  doubtOf,
  isDoneInClass,
  isNotice,
  isSeenEarly,
  learntEffort,
  openEndsOf,
  ridesOn,
  waitsSinceMs,
  type Rides,
} from '@cadro/core';
import { openFollowUps } from '../followups';
import { courseSummaries, householdRecords } from '../gradebook';
import { householdOf } from '../household';
import { groupBy, type Db, type Deps } from '../kit';
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

const millis = (at: Date | null): number | null => at && at.getTime();

/** Where a work belongs that is no loose end; null where it is nobody's concern now. */
function groupOf(row: WorkItem, now: Date): WorkRow['group'] | null {
  const { kind, possible, in_class, due_at } = row;
  if (isNotice({ kind, possible, dated: due_at !== null })) return null;
  const status = row.status ?? 'open';
  const item = { inClass: isDoneInClass(kind, in_class), dueAtMs: millis(due_at) };
  if (waitsSinceMs({ status, atMs: millis(row.at), item }, now.getTime()) !== null) return 'waiting';
  if (status === 'excused')
    return row.at && now.getTime() - row.at.getTime() <= excusedDays * dayMs ? 'excused' : null;
  if (status !== 'open') return null;
  if (item.dueAtMs === null) return row.assigned_at <= now ? 'undated' : null;
  const ahead = item.dueAtMs - now.getTime();
  return ahead >= 0 && ahead <= (isEarly(row) ? earlyDays : comingDays) * dayMs ? 'coming' : null;
}

interface Course {
  readonly title: string;
  readonly outOf: number;
  readonly decimals: number;
  readonly ends: ReadonlyMap<string, OpenEnd>;
}

interface Facts {
  readonly now: Date;
  readonly course: Course;
  readonly rides: ReadonlyMap<string, Rides>;
  readonly flags: ReadonlySet<string>;
  readonly followUps: ReadonlyMap<string, string>;
  readonly effort: (kind: string | null, possible: number) => number;
}

type Said = Parameters<typeof doubtOf>[0];

/** What each of two sources says of a work, and whether they agree. */
function saidOf(item: WorkItem, end: OpenEnd | null, now: Date) {
  const said: Said = { status: item.status ?? 'open', earned: item.earned, atMs: millis(item.at) };
  const other =
    item.other_status && item.other_at
      ? { status: item.other_status, earned: item.other_earned, atMs: item.other_at.getTime() }
      : null;
  const doubt = end && end.kind !== 'unmarked' ? doubtOf(said, other, now.getTime()) : null;
  return { said, other, doubt };
}

/** Where a work stands: a loose end in its part, any other where it is somebody's concern. */
function placeOf(item: WorkItem, end: OpenEnd | null, doubt: WorkRow['doubt'], now: Date) {
  if (!end) return groupOf(item, now);
  if (end.kind === 'unmarked') return 'waiting';
  return doubt === 'doubtful' ? 'doubtful' : 'loose';
}

const iso = (at: Date | null): string | null => at?.toISOString() ?? null;

function rowOf(item: WorkItem, facts: Facts): WorkRow | null {
  const { now, course, rides, flags, followUps, effort } = facts;
  const end = course.ends.get(item.item_id) ?? null;
  const { said, other, doubt } = saidOf(item, end, now);
  const group = placeOf(item, end, doubt, now);
  if (!group) return null;
  const tells = other && (doubt !== null || (group === 'waiting' && other.status === 'scored'));
  // Nothing rides any more on what has been handed in, taken in class or excused, but for its score.
  const riding = group === 'coming' || group === 'undated' ? rides.get(item.item_id) : undefined;
  const told = item.told_minutes;
  const sourceName = item.source_name;
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
    impact: end ? end.impact : (riding?.decides ?? null),
    gain: end ? end.impact : (riding?.gain ?? null),
    credit: end?.credit ?? null,
    deadline: end?.deadline ?? null,
    assignedAt: item.assigned_told ? item.assigned_at.toISOString() : null,
    dueAt: iso(item.due_at),
    said: { sourceName, status: said.status, earned: said.earned, at: iso(item.at) },
    other: tells ? { sourceName, status: other.status, earned: other.earned, at: iso(item.other_at) } : null,
    doubt,
    remarked: item.remarked,
    flagsMissing: flags.has(item.course_id),
    supplies: item.supplies,
    early: isEarly(item),
    effort: { minutes: told ?? effort(item.kind, item.possible), told: told !== null },
    asked: item.asked_answer && item.asked_on ? { answer: item.asked_answer, on: item.asked_on } : null,
    followUpId: followUps.get(keyOf(item.student_id, item.item_id)) ?? null,
    was: null,
    readAt: iso(item.read_at),
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
    gain: null,
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

/** Names a course or a work of a child. */
const keyOf = (studentId: string, id: string): string => `${studentId}:${id}`;

/** The order of the parts. */
const order: readonly WorkRow['group'][] = [
  'loose',
  'doubtful',
  'coming',
  'undated',
  'waiting',
  'settled',
  'excused',
];

/** Courses by child and id, each with its loose ends by work. */
const coursesByKey = (rows: readonly CourseSummary[]): ReadonlyMap<string, Course> =>
  new Map(
    rows.map(({ id, studentId, title, scale, figures }) => {
      const ends = new Map((figures ? openEndsOf(figures) : []).map((end) => [end.itemId, end]));
      return [keyOf(studentId, id), { title, outOf: scale.outOf, decimals: scale.decimals, ends }];
    }),
  );

/** What rides on each work to come, by child. */
const ridesByChild = (records: Awaited<ReturnType<typeof householdRecords>>) =>
  new Map(
    [...groupBy(records, ({ studentId }) => studentId)].map(([id, own]) => [
      id,
      new Map(own.flatMap(({ record }) => [...ridesOn(record)])),
    ]),
  );

/** The follow-up under which each work is in hand. */
const followUpsByWork = (rows: Awaited<ReturnType<typeof openFollowUps>>): ReadonlyMap<string, string> =>
  new Map(
    rows.flatMap(({ id, student_id: studentId, item_id: itemId, works }) =>
      [...(itemId ? [itemId] : []), ...works.map((work) => work.itemId)].map(
        (each) => [keyOf(studentId, each), id] as const,
      ),
    ),
  );

/** Everything the list is made of, in a bounded number of queries. */
async function gathered(db: Db, guardianId: string, children: readonly Child[], now: Date) {
  const studentIds = children.map(({ id }) => id);
  const idsWith = (permission: Permission) =>
    children.filter(({ role }) => rolesAllowed(permission).includes(role)).map(({ id }) => id);
  const talkIds = idsWith('read-talk');
  const homeIds = idsWith('read-desk');
  const { id: householdId } = await householdOf(db, guardianId);
  const [rows, followUps, flags, efforts, changes, offers, records] = await Promise.all([
    courseSummaries(db, { studentIds, guardianId, now }),
    openFollowUps(db, guardianId, talkIds),
    coursesThatFlag(db, studentIds),
    toldEfforts(db, talkIds, householdId),
    resultChanges(db, studentIds, new Date(now.getTime() - settledDays * dayMs)),
    workOffers(db, guardianId, children, now),
    householdRecords(db, { studentIds, householdId, asOf: now }),
  ]);
  const courses = coursesByKey(rows);
  const items = await workItems(db, {
    ...{ studentIds, householdId, homeIds, talkIds, now },
    looseIds: [...courses.values()].flatMap(({ ends }) => [...ends.keys()]),
    until: new Date(now.getTime() + earlyDays * dayMs),
  });
  return { studentIds, courses, followUps, flags, efforts, changes, offers, records, items };
}

/**
 * All the work there is to look at over every child: a bounded number of queries, however many courses.
 * Loose ends first, in make-up order.
 */
export async function workOf(
  { db, clock }: Deps,
  guardianId: string,
  children: readonly Child[],
): Promise<Work> {
  const now = await clock.now();
  const { studentIds, courses, offers, ...kept } = await gathered(db, guardianId, children, now);
  const riding = ridesByChild(kept.records);
  const followUps = followUpsByWork(kept.followUps);
  const flags = new Set(kept.flags);
  const efforts = new Map(
    studentIds.map((id) => [id, learntEffort(kept.efforts.filter(({ student_id }) => student_id === id))]),
  );
  const open = kept.items.flatMap((item) => {
    const course = courses.get(keyOf(item.student_id, item.course_id));
    const effort = efforts.get(item.student_id);
    if (!course || !effort) return [];
    const own = riding.get(item.student_id) ?? new Map<string, Rides>();
    return rowOf(item, { now, course, rides: own, flags, followUps, effort }) ?? [];
  });
  const settled = goodNewsOf(kept.changes).flatMap((news) => {
    const course = courses.get(keyOf(news.studentId, news.courseId));
    return course ? [settledRow(news, course)] : [];
  });
  return {
    asOf: now.toISOString(),
    today: dateIn(children[0]?.timeZone ?? 'UTC', now),
    rows: [...open, ...settled].sort(
      (a, b) => order.indexOf(a.group) - order.indexOf(b.group) || inOrder(a, b),
    ),
    offers,
  };
}
