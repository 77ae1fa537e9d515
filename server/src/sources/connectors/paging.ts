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
export const justBefore = (instant: string): string => new Date(Date.parse(instant) - 1).toISOString();

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

/**
 * Walks a collection page by page, oldest change first, until its end. A page starts at the last change seen, not at an
 * offset: a record that changes meanwhile moves to the end of the list, and an offset would then skip the one that
 * slips into its place. Where a whole page changed in one instant, or the source does not sort or does not filter, an
 * offset is all there is, with that weakness.
 * @param read asks for what changed after `since` (everything when null), from `offset` on.
 * @param member where a row has its change instant.
 * @throws SourceError where the pages never end.
 */
export async function* walk(
  read: (since: string | null, offset: number) => Promise<Asked>,
  member: string,
  since: string | null,
  budget?: Budget,
): AsyncGenerator<readonly unknown[]> {
  let place: Place = { from: since, offset: 0, filters: true };
  let before = '';
  for (;;) {
    budget?.spend({ pages: 1 });
    const page = await read(place.from, place.offset);
    if (page.rows.length === 0) return;
    const digest = digestOf(page.rows);
    const again = digest === before;
    // A source that knows of no offset gives its one page again; a full one again and again is none.
    if (again && place.offset > 0) {
      if (page.rows.length < pageSize) return;
      throw new SourceError('source-nonsense', 'gives the same page again and again', false);
    }
    if (!again) yield page.rows;
    if (isLast(page, place.offset)) return;
    before = digest;
    place = nextPlace(
      place,
      page.rows.map((row) => changeOf(row, member)),
      page.rows.length,
    );
  }
}
