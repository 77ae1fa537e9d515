import { workGroups, type WorkGroup, type WorkRow } from '@cadro/contract';
import { dayMs, shareOf, sharePerHour } from '@cadro/core';

export const sorts = ['order', 'effect', 'hour', 'deadline', 'effort', 'date'] as const;
export type Sort = (typeof sorts)[number];
export const mends = ['any', 'yes', 'no'] as const;
export const ends = ['any', '3', '7', '14'] as const;

/** What the list is narrowed down to; it stands in the address, so every value is a text. */
export interface WorkFilter {
  readonly q: string;
  readonly part: WorkGroup | 'all';
  /** A child's id, a course's id, a school's word for a kind; empty: all. */
  readonly child: string;
  readonly course: string;
  readonly kind: string;
  readonly mend: (typeof mends)[number];
  readonly ends: (typeof ends)[number];
  readonly sort: Sort;
}

export const noFilter: WorkFilter = {
  q: '',
  part: 'all',
  child: '',
  course: '',
  kind: '',
  mend: 'any',
  ends: 'any',
  sort: 'order',
};

const oneOf = <T extends string>(values: readonly T[], value: string | undefined, otherwise: T): T =>
  values.find((each) => each === value) ?? otherwise;

/** Reads a filter from an address; what it does not know is as if it were not there. */
export const filterOf = (params: Readonly<Record<string, string | undefined>>): WorkFilter => ({
  q: params['q'] ?? '',
  part: oneOf(['all', ...workGroups] as const, params['part'], 'all'),
  child: params['child'] ?? '',
  course: params['course'] ?? '',
  kind: params['kind'] ?? '',
  mend: oneOf(mends, params['mend'], 'any'),
  ends: oneOf(ends, params['ends'], 'any'),
  sort: oneOf(sorts, params['sort'], 'order'),
});

export const isNarrow = (filter: WorkFilter): boolean =>
  Object.entries(noFilter).some(([name, value]) => filter[name as keyof WorkFilter] !== value);

export const keyOf = ({
  group,
  studentId,
  itemId,
}: Pick<WorkRow, 'group' | 'studentId' | 'itemId'>): string => `${group}:${studentId}:${itemId}`;

/** When something about a row ends: a loose end's deadline, else its day. */
const endOf = ({ kind, deadline, dueAt }: WorkRow): string | null => (kind ? deadline : dueAt);

const byText = (a: string | null, b: string | null): number => (a ?? '9').localeCompare(b ?? '9');

const orders: Readonly<Record<Exclude<Sort, 'order'>, (a: WorkRow, b: WorkRow) => number>> = {
  effect: (a, b) => shareOf(b) - shareOf(a),
  hour: (a, b) => sharePerHour(b, b.effort.minutes) - sharePerHour(a, a.effort.minutes),
  deadline: (a, b) => byText(endOf(a), endOf(b)),
  effort: (a, b) => a.effort.minutes - b.effort.minutes,
  date: (a, b) => byText(a.dueAt ?? a.assignedAt, b.dueAt ?? b.assignedAt),
};

/**
 * The rows that fit a filter, in its order. Parts stay together unless one asks for another order: then all stand in
 * one list, since the question goes over all of them.
 * @param found keys the search has found; null: everything. @param now the server's instant.
 */
export function arrangeWork(
  rows: readonly WorkRow[],
  filter: WorkFilter,
  { found, now }: { readonly found: ReadonlySet<string> | null; readonly now: string },
): WorkRow[] {
  const { part, child, course, kind, mend, sort } = filter;
  const fits = rows.filter((row) => {
    const end = endOf(row);
    const ahead = end === null ? Infinity : (Date.parse(end) - Date.parse(now)) / dayMs;
    return (
      (!found || found.has(keyOf(row))) &&
      (part === 'all' || row.group === part) &&
      (!child || row.studentId === child) &&
      (!course || row.courseId === course) &&
      (!kind || row.itemKind === kind) &&
      (mend === 'any' || (row.kind !== null && row.recoverable === (mend === 'yes'))) &&
      (filter.ends === 'any' || (ahead >= 0 && ahead <= Number(filter.ends)))
    );
  });
  return sort === 'order' ? fits : [...fits].sort(orders[sort]);
}

/** Above several of the list: the head of a part or of a day. */
export type Head =
  | { readonly is: 'part'; readonly key: string; readonly group: WorkGroup; readonly count: number }
  | { readonly is: 'day'; readonly key: string; readonly on: string; readonly count: number };
interface Row {
  readonly is: 'row';
  readonly key: string;
  readonly row: WorkRow;
}
/** A line of the list: a head, or a work. */
export type Line = Head | Row;

/** Puts heads between the rows: one for each part, and for what is coming one for each day. */
export function linesOf(rows: readonly WorkRow[], sort: Sort, dateOf: (at: string) => string): Line[] {
  const line = (row: WorkRow): Line => ({ is: 'row', key: keyOf(row), row });
  if (sort !== 'order') return rows.map(line);
  return workGroups.flatMap((group) => {
    const own = rows.filter((row) => row.group === group);
    if (own.length === 0) return [];
    const head: Line = { is: 'part', key: group, group, count: own.length };
    if (group !== 'coming') return [head, ...own.map(line)];
    const days = new Map<string, WorkRow[]>();
    for (const row of own) {
      const on = row.dueAt ? dateOf(row.dueAt) : '';
      days.set(on, [...(days.get(on) ?? []), row]);
    }
    return [
      head,
      ...[...days].flatMap(([on, due]): Line[] => [
        { is: 'day', key: `day:${on}`, on, count: due.length },
        ...due.map(line),
      ]),
    ];
  });
}

/** Lines as lists: the heads that stand above each, and its works. */
export function blocksOf(
  lines: readonly Line[],
): { readonly heads: readonly Head[]; readonly rows: readonly Row[] }[] {
  const blocks: { heads: Head[]; rows: Row[] }[] = [];
  for (const line of lines) {
    const last = blocks.at(-1);
    if (line.is === 'row') {
      if (last) last.rows.push(line);
      else blocks.push({ heads: [], rows: [line] });
    } else if (last?.rows.length === 0) last.heads.push(line);
    else blocks.push({ heads: [line], rows: [] });
  }
  return blocks;
}
