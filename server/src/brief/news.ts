import type { Brief, Child, News, NewsDay } from '@cadro/contract';
import { dateIn, dayMs, daysAfter, newsDays, weekOf, type Came, type LessonCame } from '@cadro/core';
import { attendanceOf, type ChildAttendance } from '../attendance';
import { startOfDay, type Db, type Deps } from '../kit';
import { cameOfWorks, cameWords, type CameWords, type CameWork } from '../records';
import { newsLook, putNewsLook, type NewsLook } from './newsStore';

/** Whoever has not looked yet is shown a week; whoever has been away for long, four of them. */
const firstMs = 7 * dayMs;
const mostMs = 28 * dayMs;
const earlierMs = 7 * dayMs;
/** Looks within this time of each other are one sitting: what is new stays so while somebody reads it. */
const sittingMs = 30 * 60 * 1000;

/** After one instant, and up to another. */
interface Span {
  readonly since: Date;
  readonly until: Date;
}

const instant = (at: string | null): string | null => at && new Date(at).toISOString();

const nameOf = (row: CameWork) => ({
  ...{ studentId: row.student_id, courseId: row.course_id, courseTitle: row.course_title },
  ...{ itemId: row.item_id, title: row.title, at: row.at.toISOString() },
});

function wordLine(row: CameWords): Came['others'][number] {
  const at = row.at.toISOString();
  const ofCourse = { studentId: row.student_id, courseId: row.course_id, courseTitle: row.course_title };
  switch (row.kind) {
    case 'remark': {
      const { item_id: itemId, ...said } = row.data;
      return { kind: 'remark', at, ...ofCourse, itemId, ...said };
    }
    case 'stored':
      return { kind: 'stored', at, ...ofCourse, ...row.data };
    case 'announced': {
      const { student_ids: studentIds, title, text } = row.data;
      return { kind: 'announced', at, studentIds, title, text };
    }
  }
}

/** Absences and late arrivals as they came; who was there is no news. */
const lessonsThatCame = (attendance: readonly ChildAttendance[], { since, until }: Span): LessonCame[] =>
  attendance.flatMap(({ child, marks }) =>
    marks.flatMap(({ mark, meaning }): LessonCame[] => {
      if (!meaning || meaning.kind === 'present' || meaning.kind === 'closed') return [];
      const at =
        mark.knownAt ?? (mark.markedAt ? new Date(mark.markedAt) : startOfDay(mark.on, child.timeZone));
      if (at <= since || at > until) return [];
      const lesson = {
        courseTitle: mark.courseTitle,
        period: mark.period,
        mark: meaning.kind,
        excused: meaning.excused,
      };
      return [{ studentId: child.id, at: at.toISOString(), on: mark.on, lesson }];
    }),
  );

/** What came within a span, by day: two queries beside the attendance, which is handed in. */
async function daysThatCame(
  db: Db,
  children: readonly Child[],
  attendance: readonly ChildAttendance[],
  span: Span,
): Promise<NewsDay[]> {
  const ids = children.map(({ id }) => id);
  const [works, words] = await Promise.all([cameOfWorks(db, ids, span), cameWords(db, ids, span)]);
  const came: Came = {
    results: works.flatMap((row) => (row.kind === 'result' ? [{ ...nameOf(row), ...row.data }] : [])),
    assigned: works.flatMap((row) =>
      row.kind === 'assigned' ? [{ ...nameOf(row), dueAt: instant(row.data.due) }] : [],
    ),
    dates: works.flatMap((row) =>
      row.kind === 'moved'
        ? [{ ...nameOf(row), was: instant(row.data.was), dueAt: instant(row.data.due) }]
        : [],
    ),
    withdrawn: works.flatMap((row) => (row.kind === 'withdrawn' ? [nameOf(row)] : [])),
    lessons: lessonsThatCame(attendance, span),
    others: words.map(wordLine),
  };
  const zones = new Map(children.map(({ id, timeZone }) => [id, timeZone]));
  const [first] = children;
  return newsDays(came, (id) => zones.get(id ?? '') ?? first?.timeZone ?? 'UTC');
}

interface NewSince {
  readonly since: Date;
  readonly looked: boolean;
}

/** Since when what comes is new to a guardian: the last look, a week where there was none. */
function newSince(look: NewsLook | undefined, now: Date, within: 'sitting' | 'look'): NewSince {
  const goesOn = look && within === 'sitting' && now.getTime() - look.seen_at.getTime() <= sittingMs;
  const since = goesOn ? look.since : look?.seen_at;
  if (!since) return { since: new Date(now.getTime() - firstMs), looked: false };
  return { since: new Date(Math.max(since.getTime(), now.getTime() - mostMs)), looked: true };
}

/** The last instant before a day. */
const before = (on: string, zone: string): Date => new Date(startOfDay(on, zone).getTime() - 1);

/** What is new over all children: since the guardian's last look, or in a week that is asked for. */
export async function newsOf(
  { db, clock }: Deps,
  guardianId: string,
  children: readonly Child[],
  week: string | undefined,
): Promise<News> {
  const now = await clock.now();
  const zone = children[0]?.timeZone ?? 'UTC';
  const asked = week === undefined ? null : weekOf(week);
  const attendance = await attendanceOf(db, { guardianId }, children, now);
  const mark = newSince(await newsLook(db, guardianId), now, 'sitting');
  const since = asked ? before(asked.from, zone) : mark.since;
  const ends = asked ? before(daysAfter(asked.to, 1), zone) : now;
  const until = new Date(Math.min(ends.getTime(), now.getTime()));
  const [fresh, earlier] = await Promise.all([
    daysThatCame(db, children, attendance, { since, until }),
    daysThatCame(db, children, attendance, {
      since: new Date(since.getTime() - earlierMs),
      until: since,
    }),
  ]);
  return {
    asOf: now.toISOString(),
    today: dateIn(zone, now),
    since: since.toISOString(),
    looked: mark.looked,
    week: asked?.from ?? null,
    fresh,
    earlier,
  };
}

/** How much is new, as the Brief tells it: what has been read in this sitting is not counted again. */
export async function freshCounts(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  { attendance, now }: { readonly attendance: readonly ChildAttendance[]; readonly now: Date },
): Promise<Brief['fresh']> {
  const { since, looked } = newSince(await newsLook(db, guardianId), now, 'look');
  const days = await daysThatCame(db, children, attendance, { since, until: now });
  const whose = days.flatMap(({ lines }) =>
    lines.flatMap((line) => ('studentId' in line ? [line.studentId] : line.studentIds)),
  );
  return {
    ...{ since: since.toISOString(), looked },
    counts: children.map(({ id }) => ({
      studentId: id,
      count: whose.filter((each) => each === id).length,
    })),
  };
}

/** Puts down that the guardian has seen what came up to an instant, never one that is still to come. */
export async function sawNews({ db, clock }: Deps, guardianId: string, upTo: string): Promise<void> {
  const now = await clock.now();
  const seen = new Date(Math.min(Date.parse(upTo), now.getTime()));
  await putNewsLook(db, guardianId, { upTo: seen, sittingMs });
}
