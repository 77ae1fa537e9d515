import type { OutRow } from '@cadro/core/out';
import { HttpProblem } from '../../kit';

type Query = Readonly<Record<string, unknown>>;
const usual = { limit: 100, most: 5_000 };

const text = (query: Query, name: string): string | undefined =>
  typeof query[name] === 'string' ? query[name] : undefined;

function whole(query: Query, name: string, otherwise: number): number {
  const said = text(query, name);
  if (said === undefined) return otherwise;
  if (!/^\d{1,9}$/.test(said))
    throw new HttpProblem('bad-request', { errors: [{ path: `/${name}`, message: 'is no number' }] });
  return Number(said);
}

/** A row's member by its path, as text. */
function valueOf(row: OutRow, path: string): string {
  const value = path
    .split('.')
    .reduce<unknown>(
      (at, name) =>
        typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[name] : undefined,
      row,
    );
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
    ? String(value)
    : '';
}

type Test = (row: OutRow) => boolean;
const condition = /^\s*([A-Za-z][\w.]*)\s*(>=|<=|!=|=|>|<|~)\s*'([^']*)'\s*$/;

function testOf(clause: string): Test {
  const [, path = '', is, wanted = ''] = condition.exec(clause) ?? [];
  if (!is)
    throw new HttpProblem('bad-request', { errors: [{ path: '/filter', message: 'is not understood' }] });
  const instant = Date.parse(wanted);
  const isTime = /^\d{4}-\d{2}-\d{2}/.test(wanted) && !Number.isNaN(instant);
  return (row) => {
    const own = valueOf(row, path);
    const order = isTime ? Date.parse(own) - instant : own === wanted ? 0 : own < wanted ? -1 : 1;
    switch (is) {
      case '=':
        return order === 0;
      case '!=':
        return order !== 0;
      case '>':
        return order > 0;
      case '>=':
        return order >= 0;
      case '<':
        return order < 0;
      case '<=':
        return order <= 0;
      default:
        return own.toLowerCase().includes(wanted.toLowerCase());
    }
  };
}

/** `dateLastModified>'2026-10-01' AND status='active'`; of one kind of word between two, as the standard allows it. */
function filterOf(said: string | undefined): Test {
  if (said === undefined || said.trim() === '') return () => true;
  const any = / OR /.test(said);
  const tests = said
    .slice(0, 1_000)
    .split(any ? ' OR ' : ' AND ')
    .map(testOf);
  return any ? (row) => tests.some((test) => test(row)) : (row) => tests.every((test) => test(row));
}

/** The rows that are asked for, by the standard's `filter`, `sort`, `orderBy`, `limit` and `offset`. */
export function selected(
  rows: readonly OutRow[],
  query: Query,
): {
  readonly page: readonly OutRow[];
  readonly total: number;
  readonly next: Record<string, string> | null;
} {
  const limit = Math.min(whole(query, 'limit', usual.limit), usual.most);
  const offset = whole(query, 'offset', 0);
  const sort = text(query, 'sort');
  const found = rows.filter(filterOf(text(query, 'filter')));
  if (sort !== undefined) {
    const way = text(query, 'orderBy') === 'desc' ? -1 : 1;
    const compare = (a: string, b: string) => (a === b ? 0 : a < b ? -1 : 1);
    found.sort(
      (a, b) => way * compare(valueOf(a, sort), valueOf(b, sort)) || compare(a.sourcedId, b.sourcedId),
    );
  }
  const isMore = offset + limit < found.length && limit > 0;
  return {
    page: found.slice(offset, offset + limit),
    total: found.length,
    next: isMore ? { limit: String(limit), offset: String(offset + limit) } : null,
  };
}
