type Row = Record<string, unknown>;

export class QueryError extends Error {
  override readonly name = 'QueryError';
  constructor(
    readonly code: 'invalid_filter_field' | 'invaliddata',
    message: string,
  ) {
    super(message);
  }
}

export interface Query {
  readonly limit: number;
  readonly offset: number;
  readonly filter: (row: Row) => boolean;
  readonly sort: string | null;
  readonly descending: boolean;
  readonly fields: readonly string[] | null;
}

const text = (row: Row, field: string): string => String(row[field] ?? '');
const comparisons: Readonly<Record<string, (a: string, b: string) => boolean>> = {
  '=': (a, b) => a === b,
  '!=': (a, b) => a !== b,
  '>': (a, b) => a > b,
  '>=': (a, b) => a >= b,
  '<': (a, b) => a < b,
  '<=': (a, b) => a <= b,
  '~': (a, b) => a.includes(b),
};

function predicate(term: string): (row: Row) => boolean {
  const [, field, sign, value] = /^\s*(\w+)\s*(!=|>=|<=|=|>|<|~)\s*'([^']*)'\s*$/.exec(term) ?? [];
  const compare = comparisons[sign ?? ''];
  if (!field || value === undefined || !compare)
    throw new QueryError('invalid_filter_field', `cannot read the filter ${term}`);
  // Instants are compared in one notation, whichever the caller used.
  const wanted =
    field === 'dateLastModified' && !Number.isNaN(Date.parse(value)) ? new Date(value).toISOString() : value;
  return (row) => compare(text(row, field), wanted);
}

function filterOf(filter: string | undefined): (row: Row) => boolean {
  if (!filter) return () => true;
  const terms = filter.split(/ AND /i).map(predicate);
  return (row) => terms.every((fits) => fits(row));
}

function whole(value: string | undefined, fallback: number, least: number, name: string): number {
  if (value === undefined) return fallback;
  if (!/^\d+$/.test(value) || Number(value) < least)
    throw new QueryError('invaliddata', `${name} is not a whole number from ${least}`);
  return Number(value);
}

/** The standard's paging, filtering, sorting and field selection. */
export function readQuery(query: Readonly<Record<string, unknown>>): Query {
  const one = (name: string): string | undefined =>
    typeof query[name] === 'string' ? query[name] : undefined;
  return {
    limit: Math.min(whole(one('limit'), 100, 1, 'limit'), 1000),
    offset: whole(one('offset'), 0, 0, 'offset'),
    filter: filterOf(one('filter')),
    sort: one('sort') ?? null,
    descending: one('orderBy') === 'desc',
    fields: one('fields')?.split(',') ?? null,
  };
}

/** The page a query asks for, and how many rows fit it in all. */
export function answerQuery(
  rows: readonly Row[],
  { limit, offset, filter, sort, descending, fields }: Query,
) {
  const fitting = rows.filter(filter);
  if (sort) {
    const sign = descending ? -1 : 1;
    fitting.sort(
      (a, b) => sign * (text(a, sort) < text(b, sort) ? -1 : text(a, sort) > text(b, sort) ? 1 : 0),
    );
  }
  const page = fitting
    .slice(offset, offset + limit)
    .map((row) =>
      fields ? Object.fromEntries(fields.flatMap((name) => (name in row ? [[name, row[name]]] : []))) : row,
    );
  return { page, total: fitting.length };
}

/** RFC 8288 links to the other pages of the same query. */
export function pageLinks(
  base: string,
  params: URLSearchParams,
  { limit, offset }: Query,
  total: number,
): string {
  const link = (rel: string, to: number) => {
    const copy = new URLSearchParams(params);
    copy.set('limit', String(limit));
    copy.set('offset', String(to));
    return `<${base}?${copy.toString()}>; rel="${rel}"`;
  };
  const last = Math.max(0, Math.floor((total - 1) / limit) * limit);
  return [
    link('first', 0),
    ...(offset > 0 ? [link('prev', Math.max(0, offset - limit))] : []),
    ...(offset + limit < total ? [link('next', offset + limit)] : []),
    link('last', last),
  ].join(', ');
}
