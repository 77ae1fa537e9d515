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
import {
  hasCourses,
  isWhole,
  layBeside,
  loadCourses,
  studentsIn,
  wholeOf,
  type Dissolved,
  type LoadedCourse,
  type PartOfRecord,
} from '../../records';
import { asHouseholdHas, householdsIn } from './accounts';
import {
  keptFigures,
  partsThatFell,
  putStands,
  storeFigures,
  studentsWaiting,
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
    /** Of what: of a child of whom it is a part, nothing else has changed. */
    readonly parts: readonly PartOfRecord[];
    /** Those of a child's courses in every term, as a household has them: work of a term that is over can be marked. */
    readonly recordsOf: (studentId: string, householdId: string) => readonly CourseRecord[];
    /** All of a child's courses likewise. */
    readonly allRecordsOf: (studentId: string, householdId: string) => Promise<readonly CourseRecord[]>;
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

function recordsIn(
  trx: Trx,
  parts: readonly PartOfRecord[],
  courses: readonly LoadedCourse[],
  now: Date,
): Pick<Parameters<FiguresHook>[1], 'recordsOf' | 'allRecordsOf'> {
  const byStudent = groupBy(courses, ({ course }) => course.student_id);
  const whole = new Set(studentsIn(parts.filter(isWhole)));
  const read = (loaded: readonly LoadedCourse[], householdId: string) =>
    loaded.flatMap((each) =>
      termRecordsOf(asHouseholdHas(each, householdId), now, true).map(({ record }) => record),
    );
  const recordsOf = (studentId: string, householdId: string) =>
    read(byStudent.get(studentId) ?? [], householdId);
  return {
    recordsOf,
    allRecordsOf: async (studentId, householdId) =>
      whole.has(studentId)
        ? recordsOf(studentId, householdId)
        : read(await loadCourses(trx, wholeOf([studentId])), householdId),
  };
}

/** A trend is told by weeks: it may be a day behind where nothing else has changed. */
const trendStandsMs = dayMs;

/** Computes and stores figures of what is meant. */
async function computeIn(
  trx: Trx,
  parts: readonly PartOfRecord[],
  now: Date,
): Promise<{ readonly courses: readonly LoadedCourse[]; readonly dissolved: readonly Dissolved[] }> {
  const studentIds = studentsIn(parts);
  await readNewComments(trx, studentsIn(parts.filter(isWhole)));
  const dissolved = await layBeside(trx, studentIds);
  const [courses, views] = await together(trx, [
    () => loadCourses(trx, parts),
    () => householdViews(trx, studentIds),
  ]);
  const published: KeptFigures[] = [];
  const assumed: AssumedFigures[] = [];
  const atMost = new Date(now.getTime() + trendStandsMs);
  const stands = new Map(
    parts.map(({ studentId, courses: some }) => [
      studentId,
      new Map((some ?? []).map((courseId) => [courseId, atMost.getTime()])),
    ]),
  );
  const standsFor = (studentId: string, courseId: string, untilMs: number) => {
    const own = stands.get(studentId);
    own?.set(courseId, Math.min(own.get(courseId) ?? atMost.getTime(), untilMs));
  };
  for (const loaded of courses) {
    const { id: courseId, student_id: studentId } = loaded.course;
    const { computed: figures, untilMs } = figuresIn(asHouseholdHas(loaded, null), now, (record) => record);
    standsFor(studentId, courseId, untilMs);
    if (!figures) continue;
    published.push({ studentId, courseId, ...figures });
    const own = householdsIn(loaded);
    for (const householdId of new Set([...views.households(studentId), ...own])) {
      const view = views.of(householdId, studentId, courseId);
      if (view.correction === null && view.offers.length === 0 && !own.includes(householdId)) continue;
      const had = asHouseholdHas(loaded, householdId);
      const assumes = figuresIn(had, now, (record) => householdRecord(record, view));
      standsFor(studentId, courseId, assumes.untilMs);
      if (assumes.computed) assumed.push({ studentId, courseId, householdId, ...assumes.computed });
    }
  }
  await storeFigures(trx, parts, now, { published, assumed });
  await putStands(trx, parts, stands, { asOf: now, atMost });
  return { courses, dissolved };
}

/**
 * Computes children's current figures from the history and stores one row per course, and one more for each household
 * that assumes another policy or has confirmed an offer; then lets the rooms below look at the new record. Figures are
 * a cache: running it again gives the same numbers.
 */
async function storeFor(
  trx: Trx,
  deps: FigureDeps,
  parts: readonly PartOfRecord[],
  now: Date,
): Promise<void> {
  const computed = parts.filter(hasCourses);
  const { courses, dissolved } =
    computed.length > 0 ? await computeIn(trx, computed, now) : { courses: [], dissolved: [] };
  await deps.onFigures(trx, { parts, dissolved, now, ...recordsIn(trx, parts, courses, now) });
}

/** Computes some children's figures at once. */
export async function computeFigures(deps: FigureDeps, studentIds: readonly string[]): Promise<void> {
  const now = await deps.clock.now();
  await houseTransaction(deps.db, (trx) => storeFor(trx, deps, wholeOf(studentIds), now));
}

/** So many children are computed together, and so many parts of records. */
const atOnce = { whole: 50, parts: 300 } as const;

/** The queue's wish that whoever waits for figures gets them. */
export const figuresJob: Job = { task: 'computeFigures', payload: {}, key: 'figures' };

/** Computes the figures of everyone who waits for them. */
export async function computeWanted(deps: FigureDeps): Promise<void> {
  for (;;) {
    const now = await deps.clock.now();
    const taken = await deps.db.transaction(async (trx) => {
      const some = await takeWanted(trx, { whole: false, most: atOnce.parts, now });
      const parts = some.length > 0 ? some : await takeWanted(trx, { whole: true, most: atOnce.whole, now });
      if (parts.length > 0) await storeFor(trx, deps, parts, now);
      return parts.length;
    });
    if (taken === 0) return;
  }
}

/**
 * What of some sources' figures the clock has changed waits as what a reading has changed.
 * @returns whoever of the sources waits for all of their figures now.
 */
export async function wantFallenFigures(db: Db, sourceIds: readonly string[], now: Date): Promise<string[]> {
  await wantFigures(db, await partsThatFell(db, sourceIds, now), now);
  return studentsWaiting(db, sourceIds);
}

/**
 * The figures of children's courses as their households read them, where neither record nor clock has changed them since:
 * whoever asks for the same need not compute them again.
 */
export async function figuresOfNow(
  db: Db,
  parts: readonly PartOfRecord[],
  now: Date,
): Promise<(studentId: string, householdId: string) => FiguresAt> {
  const rows = await keptFigures(db, parts);
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
