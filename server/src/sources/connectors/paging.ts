import { SourceError } from '../errors';
import type { Budget } from '../http/budget';
import { digestOf, isObject } from '../readRows';

/** The list inside an answer such as `{"results": [...]}`. */
export function listIn(body: unknown, member: string): unknown[] {
  const list = isObject(body) ? body[member] : undefined;
  if (!Array.isArray(list)) {
    throw new SourceError('source-nonsense', `the answer has no list named ${member}`, true);
  }
  return list;
}

/** A millisecond early, so that a source's `>` gives again what changed in that very instant. */
const justBefore = (instant: string): string => new Date(Date.parse(instant) - 1).toISOString();

/** A row's change instant in one notation, null where it has none. */
function changeOf(row: unknown, member: string): string | null {
  const value = isObject(row) ? row[member] : undefined;
  const at = typeof value === 'string' ? Date.parse(value) : NaN;
  return Number.isNaN(at) ? null : new Date(at).toISOString();
}

/** The last change of a page that came in order of change; null where the source does not sort. */
function lastInOrder(changes: readonly (string | null)[]): string | null {
  const sorted = changes.every((at, index) => at !== null && at >= (changes[index - 1] ?? ''));
  return sorted ? (changes.at(-1) ?? null) : null;
}

/** Records asked for at once; a source may give fewer. */
export const pageSize = 200;

export interface Asked {
  readonly rows: readonly unknown[];
  /** How many match in all; null where the source does not say it. */
  readonly total: number | null;
  /** Whether more follow; null where the source does not say it. */
  readonly more: boolean | null;
}

const isLast = ({ rows, total, more }: Asked, offset: number): boolean =>
  total === null ? more === false : offset + rows.length >= total;

/** Where the next page begins: after an instant, and so many records on. */
interface Place {
  readonly from: string | null;
  readonly offset: number;
  /** False once a source has been seen to give what it was not asked for: then only an offset leads on. */
  readonly filters: boolean;
}

function nextPlace(
  { from, offset, filters }: Place,
  changes: readonly (string | null)[],
  count: number,
): Place {
  const older = from !== null && changes.some((at) => at !== null && at <= from);
  if (!filters || older) return { from, offset: offset + count, filters: false };
  const last = lastInOrder(changes);
  const next = last && justBefore(last);
  return next && (from === null || next > from)
    ? { from: next, offset: 0, filters }
    : { from, offset: offset + count, filters };
}

/** Rows by their names and changes: whether one has been seen before. */
const keyOf = (row: unknown, { id, changed }: Members): string => {
  const [name, at] = isObject(row) ? [row[id], row[changed]] : [];
  return typeof name === 'string' && typeof at === 'string' ? `${name} ${at}` : digestOf([row]);
};

/** Pages that begin at one instant and are told apart by an offset alone. */
class Stretch {
  private readonly rows = new Set<string>();
  /** Whether anything has come that was not there before. */
  stirs = false;
  rounds = 0;

  /** @returns whether any of a page's rows is seen for the first time. */
  takes({ rows }: Asked, isKnown: boolean, members: Members): boolean {
    const before = this.rows.size;
    for (const row of rows) this.rows.add(keyOf(row, members));
    const isNew = this.rows.size > before;
    if (isNew && !isKnown) this.stirs = true;
    return isNew;
  }
}

/** However it stirs, a stretch is read again so often at most: what is left comes with the next reading. */
const mostRounds = 5;

export interface Walked {
  readonly rows: readonly unknown[];
  readonly digest: string;
}

/** Where a row has its name and its change instant. */
export interface Members {
  readonly id: string;
  readonly changed: string;
}

interface Walk {
  /** Asks for what changed after `since` (everything when null), from `offset` on. */
  readonly read: (since: string | null, offset: number) => Promise<Asked>;
  readonly members: Members;
  readonly since: string | null;
  /** Digests of pages that an earlier walk has seen: the very same says nothing new. */
  readonly known?: ReadonlySet<string> | undefined;
  readonly budget?: Budget | undefined;
}

/**
 * Walks a collection page by page, oldest change first, until its end. A page starts at the last change seen, not at an
 * offset: a record that changes meanwhile moves to the end of the list, and an offset would then skip the one that
 * slips into its place. Where a whole page changed in one instant, or the source does not sort, an offset is all there
 * is: such a stretch is read again until nothing of it is new. A source that does not filter gives all of it again at
 * the next reading anyway.
 * @throws SourceError where the pages never end.
 */
export async function* walk({
  read,
  members,
  since,
  known = new Set(),
  budget,
}: Walk): AsyncGenerator<Walked> {
  let place: Place = { from: since, offset: 0, filters: true };
  let stretch = new Stretch();
  let before = '';
  for (;;) {
    budget?.spend({ pages: 1 });
    const page = await read(place.from, place.offset);
    const digest = digestOf(page.rows);
    // A source that knows of no offset gives its one page again; a full one again and again is none.
    if (digest === before && place.offset > 0 && page.rows.length > 0) {
      if (page.rows.length < pageSize) return;
      throw new SourceError('source-nonsense', 'gives the same page again and again', false);
    }
    if (stretch.takes(page, known.has(digest), members)) yield { rows: page.rows, digest };
    const isOver = page.rows.length === 0 || isLast(page, place.offset);
    const changes = page.rows.map((row) => changeOf(row, members.changed));
    const next = isOver ? null : nextPlace(place, changes, page.rows.length);
    const isLeft = next === null || next.offset === 0;
    if (isLeft && place.offset > 0 && place.filters && stretch.stirs && stretch.rounds < mostRounds) {
      Object.assign(stretch, { stirs: false, rounds: stretch.rounds + 1 });
      place = { ...place, offset: 0 };
      before = '';
      continue;
    }
    if (next === null) return;
    if (isLeft) stretch = new Stretch();
    before = digest;
    place = next;
  }
}
