import { randomUUID } from 'node:crypto';
import type { OwnRow, OwnTaken } from '@cadro/contract';
import { pairRows, plainTitle } from '@cadro/core/own';
import { endOfDay, HttpProblem } from '../../kit';
import { sayPair, wholeItems, type WholeItem } from '../../records';
import { categoryRecords, dueOnOf, noCategory, requireOwnCourse, type OwnCourseKept } from './ownCourse';
import { sourceBeside } from './ownStore';
import { writeOwn, type OwnDeps } from './writeOwn';

/** A row that comes again and again from a source of its own, which names it. */
export interface NamedRow extends OwnRow {
  /** By the source's own name for it; null for what somebody writes. */
  readonly key?: string;
}

/** What a row says once points that are not stated have been filled in. */
interface Reckoned extends NamedRow {
  readonly possible: number;
  readonly guessed: boolean;
  readonly lettered: boolean;
}

/** What an assignment is worth where nothing in the course says what is usual. */
const usualPoints = 100;

function median(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? null;
}

/** Fills in what a row leaves unsaid: its points by the assignment it changes, by a percent, or by what is usual. */
function reckoned(row: NamedRow, known: WholeItem | undefined, usual: number): Reckoned {
  const said = row.possible ?? (row.percent === null ? null : row.earned === null ? 100 : null);
  const possible = said ?? known?.possible ?? usual;
  const earned = row.earned ?? (row.percent === null ? null : (row.percent / 100) * possible);
  // A letter alone is no number: it is kept as what was said of the work.
  const lettered = row.status === 'scored' && earned === null && row.letter !== null;
  const unscored = row.status === 'scored' && earned === null;
  const remark = lettered ? [row.letter, row.comment].filter(Boolean).join('. ') : row.comment;
  return {
    ...row,
    possible,
    earned: row.status === 'scored' || row.status === 'incomplete' ? earned : null,
    status: unscored ? 'handed-in' : row.status,
    comment: remark?.trim() ? remark.trim() : null,
    guessed: said === null && known === undefined,
    lettered,
  };
}

/** The category a row falls into, by its name; new ones are made, without a share. */
function categoriesFor(course: OwnCourseKept, rows: readonly OwnRow[], placed: readonly Placed[]) {
  const byName = new Map(
    course.categories
      .filter(({ title }) => title !== '')
      .map(({ title, externalId }) => [plainTitle(title), externalId]),
  );
  const made: { id: string; title: string; weight: number }[] = [];
  for (const { category } of rows) {
    if (category === null || byName.has(plainTitle(category))) continue;
    const fresh = { id: randomUUID(), title: category.trim(), weight: 0 };
    made.push(fresh);
    byName.set(plainTitle(category), fresh.id);
  }
  const none = noCategory(course.course.externalId);
  const of = ({ row: { category }, known, about }: Placed): string =>
    (category === null ? (known ?? about)?.categoryId : byName.get(plainTitle(category))) ?? none;
  // A school's course has none for what falls into none.
  const isNew = course.own.beside && !course.course.own && placed.some((each) => of(each) === none);
  return { of, made, none: isNew ? [{ id: none, title: '', weight: 0 }] : [] };
}

interface Placed {
  readonly row: Reckoned;
  /** The school's work that it was written down about. */
  readonly about: WholeItem | null;
  readonly known: WholeItem | undefined;
  readonly id: string;
}

/** Which assignment each row is about: the one it names, or the one of its name and day, or a new one. */
function place({ items, theirs, own }: OwnCourseKept, rows: readonly NamedRow[]): Placed[] {
  const { timeZone } = own.child.school;
  const about = rows.map(({ itemId }) => theirs.find(({ id }) => id === itemId) ?? null);
  const named = rows.map(({ itemId, key }, at) => {
    if (itemId === null) return key === undefined ? undefined : items.find((item) => item.externalId === key);
    const item = items.find(({ id, sameAs }) => id === itemId || sameAs === itemId);
    if (!item && !about[at]) throw new HttpProblem('not-found');
    return item;
  });
  const free = items.filter((item) => !item.removed && !named.includes(item));
  const open = rows.flatMap((row, at) => (named[at] || about[at] ? [] : [{ ...row, at }]));
  const pairs = pairRows(
    free.map((item) => ({ title: item.title, dueOn: dueOnOf(item, timeZone) })),
    open,
  );
  const found = new Map(open.map(({ at }, index) => [at, free[pairs[index] ?? -1]]));
  const usual =
    median(
      [...items, ...theirs]
        .filter(({ removed, possible }) => !removed && possible > 0)
        .map(({ possible }) => possible),
    ) ??
    median(rows.flatMap(({ possible }) => (possible === null || possible === 0 ? [] : [possible]))) ??
    usualPoints;
  return rows.map((row, at) => {
    const known = named[at] ?? found.get(at);
    return {
      ...{ row: reckoned(row, known ?? about[at] ?? undefined, usual), known, about: about[at] ?? null },
      id: known?.externalId ?? row.key ?? randomUUID(),
    };
  });
}

/** Since when a result stands: one that is new since its day, if that is over; one that changes, since now. */
function standsFrom({ row, known }: Placed, dueAt: Date | null, now: Date): string {
  const isFirst = known === undefined || known.at === null;
  const at = isFirst && dueAt !== null && dueAt < now && row.status !== 'open' ? dueAt : now;
  return at.toISOString();
}

function recordsOf(
  { own, course }: OwnCourseKept,
  placed: readonly Placed[],
  category: (each: Placed) => string,
) {
  const { child, now } = own;
  const common = { course_id: course.externalId };
  const withDue = placed.map((each) => ({
    ...each,
    dueAt: each.row.dueOn === null ? null : endOfDay(each.row.dueOn, child.school.timeZone),
  }));
  return {
    items: withDue.map(({ row, known, about, id, dueAt }) => ({
      ...{ ...common, id, title: row.title.trim(), description: known?.description ?? null },
      ...{ possible: row.possible, category_id: category({ row, known, about, id }), removed: false },
      assigned_at: (known?.assignedAt ?? (dueAt !== null && dueAt < now ? dueAt : now)).toISOString(),
      ...{ assigned_told: false, due_at: dueAt?.toISOString() ?? null, term_external_id: null },
    })),
    results: withDue
      .filter(({ row, known }) => row.status !== 'open' || (known?.status ?? 'open') !== 'open')
      .map(({ dueAt, ...each }) => ({
        ...{ id: each.id, item_id: each.id, student_id: child.externalId, whole: true },
        ...{ at: standsFrom(each, dueAt, now), status: each.row.status, earned: each.row.earned },
        ...{ late: each.known?.late ?? false, levels: {}, comment: null },
      })),
    comments: placed
      .filter(({ row, known }) => row.comment !== null && row.comment !== (known?.remark ?? null))
      .map(({ row, id }) => ({
        ...{ ...common, id: `${id}:remark`, student_id: child.externalId, item_id: id, subject: 'score' },
        ...{ author_id: course.teacher?.externalId ?? null, text: row.comment, term_external_id: null },
        ...{ written_at: now.toISOString(), about: null, recording: null, elsewhere: null },
      })),
  };
}

const isSame = ({ row, known }: Placed, categoryId: string, timeZone: string): boolean =>
  known !== undefined &&
  !known.removed &&
  known.title === row.title.trim() &&
  dueOnOf(known, timeZone) === row.dueOn &&
  known.possible === row.possible &&
  (known.status ?? 'open') === row.status &&
  known.earned === row.earned &&
  known.categoryId === categoryId &&
  (row.comment === null || known.remark === row.comment);

/** A row that says less than is known takes nothing back: a day, a category, a score that it does not name stay. */
function filled(placed: Placed, isNamed: boolean, timeZone: string): Placed {
  const { row, known } = placed;
  if (isNamed || known === undefined) return placed;
  const silent = row.status === 'open' && row.earned === null;
  return {
    ...placed,
    row: {
      ...row,
      dueOn: row.dueOn ?? dueOnOf(known, timeZone),
      ...(silent ? { status: known.status ?? 'open', earned: known.earned } : {}),
    },
  };
}

/** The ids of what the family has written of a course, by its own names for it. */
async function idsOf({ own, course }: OwnCourseKept): Promise<ReadonlyMap<string, string>> {
  const { db } = own.deps;
  const sourceId = own.beside && (await sourceBeside(db, own.beside));
  const now = await wholeItems(db, own.child.id, [course.id], sourceId === null ? {} : { sourceId });
  return new Map(now.map(({ externalId, id }) => [externalId, id]));
}

/** What was written down about a work of the school's is one with it. */
async function pairNamed(
  { own }: OwnCourseKept,
  placed: readonly Placed[],
  idOf: ReadonlyMap<string, string>,
): Promise<void> {
  const fresh = placed.flatMap(({ about, known, id }) => {
    const ownId = idOf.get(id);
    return about && known?.sameAs !== about.id && ownId ? [{ ownId, itemId: about.id, same: true }] : [];
  });
  if (fresh.length === 0) return;
  for (const pair of fresh) await sayPair(own.deps.db, pair);
  await own.deps.onWritten(own.deps, own.child.id);
}

/** Takes rows in: writes what is new or differs. The same rows again change nothing. */
export async function putOwnWork(
  deps: OwnDeps,
  guardianId: string,
  of: { readonly studentId: string; readonly courseId: string },
  rows: readonly OwnRow[],
): Promise<OwnTaken> {
  return takeRows(await requireOwnCourse(deps, guardianId, of), rows);
}

/** As `putOwnWork`, into a course that has been opened. */
export async function takeRows(kept: OwnCourseKept, rows: readonly NamedRow[]): Promise<OwnTaken> {
  const { own, course, items } = kept;
  const isTheirs = own.beside !== null && !course.own;
  const { timeZone } = own.child.school;
  const placed = place(kept, rows).map((each, at) => filled(each, rows[at]?.itemId !== null, timeZone));
  const { of: category, made, none } = categoriesFor(kept, rows, placed);
  const differing = placed.filter((each) => !isSame(each, category(each), timeZone));
  const parts = [...made, ...none].map((each) => categoryRecords(course.externalId, each));
  if (differing.length > 0)
    await writeOwn(
      own,
      {
        categories: parts.flatMap((part) => part.categories),
        // What a school's course is divided into is the school's to say.
        courseCategories: isTheirs ? [] : parts.flatMap((part) => part.courseCategories),
        ...recordsOf(kept, differing, category),
      },
      // What fills an empty course was so before it was written down.
      { backlog: items.every(({ removed }) => removed) && rows.length > 1 },
    );
  const idOf = await idsOf(kept);
  await pairNamed(kept, placed, idOf);
  const added = placed.filter(({ known }) => known === undefined).length;
  return {
    ...{ added, changed: differing.length - added, same: placed.length - differing.length },
    guessed: differing.filter(({ row }) => row.guessed).length,
    lettered: placed.filter(({ row }) => row.lettered).length,
    shareless: course.policy?.method === 'weighted' ? made.map(({ title }) => title) : [],
    itemIds: placed.flatMap(({ id }) => idOf.get(id) ?? []),
  };
}

const goneRecord = (item: WholeItem, courseId: string) => ({
  ...{ id: item.externalId, title: item.title, description: item.description, possible: item.possible },
  ...{ course_id: courseId, category_id: item.categoryId, assigned_at: item.assignedAt.toISOString() },
  ...{ assigned_told: item.assignedTold, due_at: item.dueAt?.toISOString() ?? null },
  ...{ term_external_id: item.termId, removed: true },
});

/** Takes an assignment away; written down once more by its id it is there again. */
export async function dropOwnWork(
  deps: OwnDeps,
  guardianId: string,
  { studentId, itemId, courseId }: { studentId: string; itemId: string; courseId: string },
): Promise<void> {
  const kept = await requireOwnCourse(deps, guardianId, { studentId, courseId });
  const item = kept.items.find(({ id }) => id === itemId);
  if (!item) throw new HttpProblem('not-found');
  await takeBack(kept, [item]);
}

/** Takes assignments away. */
export async function takeBack({ own, course }: OwnCourseKept, items: readonly WholeItem[]): Promise<void> {
  if (items.length === 0) return;
  await writeOwn(own, { items: items.map((item) => goneRecord(item, course.externalId)) });
}
