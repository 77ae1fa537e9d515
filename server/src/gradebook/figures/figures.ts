import type { CourseRecord } from '@cadro/contract';
import {
  courseAnswer,
  dayMs,
  decidedSince,
  figuresOf,
  householdRecord,
  movedDays,
  standsUntilMs,
  type FiguresAt,
} from '@cadro/core';
import {
  groupBy,
  houseTransaction,
  startOfDay,
  together,
  type Db,
  type Deps,
  type Job,
  type Trx,
} from '../../kit';
import { layBeside, loadCourses, type Dissolved, type LoadedCourse } from '../../records';
import { asHouseholdHas, householdsIn } from './accounts';
import {
  keptFigures,
  putStands,
  storeFigures,
  studentsWaiting,
  studentsWhoseFiguresFell,
  takeWanted,
  wantFigures,
  type AssumedFigures,
  type KeptFigures,
  type TermDates,
} from './figureStore';
import { householdViews } from './householdStore';
import { readNewComments } from '../readOffers';
import { termRecordsOf, type TermRecord } from './termRecords';

/** What the rooms below do about new figures; handed in, because this room does not know them. */
export type FiguresHook = (
  trx: Trx,
  about: {
    readonly studentIds: readonly string[];
    /** A child's courses in every term, as a household has them: work of a term that is over can be marked. */
    readonly recordsOf: (studentId: string, householdId: string) => readonly CourseRecord[];
    /** What households have written that has become one with a work of the school's. */
    readonly dissolved: readonly Dissolved[];
    readonly now: Date;
  },
) => Promise<void>;

export interface FigureDeps extends Deps {
  readonly onFigures: FiguresHook;
}

type Computed = Omit<KeptFigures, 'studentId' | 'courseId'>;

/** Figures, where a course stands in a term, and up to when the clock alone leaves them as they are. */
interface Standing {
  readonly computed: Computed | null;
  readonly untilMs: number;
}

const datesOf = ({ term }: TermRecord): TermDates => ({
  part: term.externalId,
  title: term.title,
  endsOn: term.endsOn,
});

/** The figures of the term a course stands in, and of the one before while this one has none. */
function figuresFor(
  standing: TermRecord,
  before: TermRecord | undefined,
  now: Date,
  read: (record: CourseRecord) => CourseRecord,
): { readonly computed: Computed; readonly untilMs: number } {
  const since = new Date(now.getTime() - movedDays * dayMs).toISOString();
  const record = read(standing.record);
  const answer = courseAnswer(record, { since });
  const lastRecord = answer.posted === null && before ? read(before.record) : null;
  const last = lastRecord && courseAnswer(lastRecord);
  const computed = {
    figures: figuresOf(answer),
    moved: answer.moved,
    standing: datesOf(standing),
    ended:
      last && before
        ? {
            ...datesOf(before),
            ...{ posted: last.posted, display: last.display, letter: last.letter },
            decided: decidedSince(read(before.record), before.record.policy.termEnd),
            closed: last.looseEnds.filter(({ kind, recoverable }) => kind !== 'unmarked' && !recoverable),
          }
        : null,
  };
  const untilMs = Math.min(standsUntilMs(record), lastRecord ? standsUntilMs(lastRecord) : Infinity);
  return { computed, untilMs };
}

/** When a course next comes to stand in another term. */
const nextTermMs = ({ terms, course }: LoadedCourse, now: Date): number =>
  Math.min(
    ...terms
      .map(({ startsOn }) => startOfDay(startsOn, course.time_zone).getTime())
      .filter((ms) => ms > now.getTime()),
  );

/** The figures of a course as somebody has it. */
function figuresIn(loaded: LoadedCourse, now: Date, read: (record: CourseRecord) => CourseRecord): Standing {
  const terms = termRecordsOf(loaded, now, true);
  const standing = terms.find((term) => term.standing);
  const next = nextTermMs(loaded, now);
  if (!standing) return { computed: null, untilMs: next };
  const before = terms.findLast(({ term }) => term.endsOn < standing.term.startsOn);
  const { computed, untilMs } = figuresFor(standing, before, now, read);
  return { computed, untilMs: Math.min(untilMs, next) };
}

const recordsIn = (courses: readonly LoadedCourse[], now: Date): Parameters<FiguresHook>[1]['recordsOf'] => {
  const byStudent = groupBy(courses, ({ course }) => course.student_id);
  return (studentId, householdId) =>
    (byStudent.get(studentId) ?? []).flatMap((loaded) =>
      termRecordsOf(asHouseholdHas(loaded, householdId), now, true).map(({ record }) => record),
    );
};

/** A trend is told by weeks: it may be a day behind where nothing else has changed. */
const trendStandsMs = dayMs;

/**
 * Computes children's current figures from the history and stores one row per course, and one more for each household
 * that assumes another policy or has confirmed an offer; then lets the rooms below look at the new record. Figures are
 * a cache: running it again gives the same numbers.
 */
async function storeFor(trx: Trx, deps: FigureDeps, studentIds: readonly string[], now: Date): Promise<void> {
  await readNewComments(trx, studentIds);
  const dissolved = await layBeside(trx, studentIds);
  const [courses, views] = await together(trx, [
    () => loadCourses(trx, studentIds),
    () => householdViews(trx, studentIds),
  ]);
  const published: KeptFigures[] = [];
  const assumed: AssumedFigures[] = [];
  const stands = new Map(studentIds.map((id) => [id, now.getTime() + trendStandsMs]));
  const standsFor = (studentId: string, untilMs: number) =>
    stands.set(studentId, Math.min(stands.get(studentId) ?? Infinity, untilMs));
  for (const loaded of courses) {
    const { id: courseId, student_id: studentId } = loaded.course;
    const { computed: figures, untilMs } = figuresIn(asHouseholdHas(loaded, null), now, (record) => record);
    standsFor(studentId, untilMs);
    if (!figures) continue;
    published.push({ studentId, courseId, ...figures });
    const own = householdsIn(loaded);
    for (const householdId of new Set([...views.households(studentId), ...own])) {
      const view = views.of(householdId, studentId, courseId);
      if (view.correction === null && view.offers.length === 0 && !own.includes(householdId)) continue;
      const had = asHouseholdHas(loaded, householdId);
      const assumes = figuresIn(had, now, (record) => householdRecord(record, view));
      standsFor(studentId, assumes.untilMs);
      if (assumes.computed) assumed.push({ studentId, courseId, householdId, ...assumes.computed });
    }
  }
  await storeFigures(trx, studentIds, now, { published, assumed });
  await putStands(trx, stands, now);
  await deps.onFigures(trx, { studentIds, recordsOf: recordsIn(courses, now), dissolved, now });
}

/** Computes some children's figures at once. */
export async function computeFigures(deps: FigureDeps, studentIds: readonly string[]): Promise<void> {
  const now = await deps.clock.now();
  await houseTransaction(deps.db, (trx) => storeFor(trx, deps, studentIds, now));
}

/** So many children are computed together. */
const childrenAtOnce = 50;

/** The queue's wish that whoever waits for figures gets them. */
export const figuresJob: Job = { task: 'computeFigures', payload: {}, key: 'figures' };

/** Computes the figures of everyone who waits for them. */
export async function computeWanted(deps: FigureDeps): Promise<void> {
  for (;;) {
    const now = await deps.clock.now();
    const taken = await deps.db.transaction(async (trx) => {
      const studentIds = await takeWanted(trx, childrenAtOnce, now);
      if (studentIds.length > 0) await storeFor(trx, deps, studentIds, now);
      return studentIds.length;
    });
    if (taken < childrenAtOnce) return;
  }
}

/**
 * After a reading: whoever's figures the clock has changed since waits as those do whose records changed.
 * @returns all of the source who wait for their figures now.
 */
export async function wantFallenFigures(db: Db, sourceId: string, now: Date): Promise<string[]> {
  await wantFigures(db, await studentsWhoseFiguresFell(db, sourceId, now), now);
  return studentsWaiting(db, sourceId);
}

/**
 * The figures of children's courses as their households read them, where neither record nor clock has changed them since:
 * whoever asks for the same need not compute them again.
 */
export async function figuresOfNow(
  db: Db,
  studentIds: readonly string[],
  now: Date,
): Promise<(studentId: string, householdId: string) => FiguresAt> {
  const rows = await keptFigures(db, studentIds);
  const current = rows.filter(({ asOf, until }) => asOf <= now && until !== null && now < until);
  const place = (studentId: string, courseId: string, householdId: string | null) =>
    `${studentId}:${courseId}:${householdId ?? ''}`;
  const kept = new Map(
    current.map((row) => [
      place(row.studentId, row.courseId, row.householdId),
      { ...row.figures, moved: row.moved },
    ]),
  );
  return (studentId, householdId) => (courseId) =>
    kept.get(place(studentId, courseId, householdId)) ?? kept.get(place(studentId, courseId, null));
}
