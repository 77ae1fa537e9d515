import fc from 'fast-check';
import { answerQuery, pageLinks, QueryError, readQuery } from './query';

const rows = [
  { sourcedId: 'a', title: 'Tides', dateLastModified: '2026-10-01T10:00:00.000Z', score: 7 },
  { sourcedId: 'b', title: 'Knots', dateLastModified: '2026-10-03T10:00:00.000Z', score: 9 },
  { sourcedId: 'c', title: 'Kelp', dateLastModified: '2026-10-02T10:00:00.000Z' },
];
const ids = (query: Record<string, unknown>) =>
  answerQuery(rows, readQuery(query)).page.map(({ sourcedId }: Record<string, unknown>) => sourcedId);

describe('the standard’s queries', () => {
  it.each([
    ['all of it', {}, ['a', 'b', 'c']],
    ['a page', { limit: '1', offset: '1' }, ['b']],
    ['past the end', { offset: '9' }, []],
    ['sorted', { sort: 'dateLastModified' }, ['a', 'c', 'b']],
    ['sorted down', { sort: 'dateLastModified', orderBy: 'desc' }, ['b', 'c', 'a']],
    ['by what is there', { sort: 'title' }, ['c', 'b', 'a']],
    ['later than', { filter: "dateLastModified>'2026-10-02T10:00:00.000Z'" }, ['b']],
    ['from', { filter: "dateLastModified>='2026-10-02T10:00:00Z'" }, ['b', 'c']],
    ['in another notation of the instant', { filter: "dateLastModified>'2026-10-02T07:00:00-03:00'" }, ['b']],
    ['before', { filter: "dateLastModified<'2026-10-02T10:00:00Z'" }, ['a']],
    ['exactly', { filter: "title='Knots'" }, ['b']],
    ['anything but', { filter: "title!='Knots'" }, ['a', 'c']],
    ['holding', { filter: "title~'K'" }, ['b', 'c']],
    ['both', { filter: "title~'K' AND dateLastModified<'2026-10-03T00:00:00Z'" }, ['c']],
    ['a field that is not there', { filter: "grade='3'" }, []],
  ])('%s', (_name, query, expected) => expect(ids(query)).toEqual(expected));

  it('gives the chosen fields, where a record has them', () => {
    const { page } = answerQuery(rows, readQuery({ fields: 'sourcedId,score' }));
    expect(page).toEqual([{ sourcedId: 'a', score: 7 }, { sourcedId: 'b', score: 9 }, { sourcedId: 'c' }]);
  });

  it.each([
    ['no filter at all', { filter: 'tides' }, 'invalid_filter_field'],
    ['a filter without quotes', { filter: 'title=Knots' }, 'invalid_filter_field'],
    ['half of a filter', { filter: "title='Knots' AND" }, 'invalid_filter_field'],
    ['a limit of nothing', { limit: '0' }, 'invaliddata'],
    ['a limit that is no number', { limit: 'few' }, 'invaliddata'],
    ['an offset below the start', { offset: '-1' }, 'invaliddata'],
  ])('refuses %s', (_name, query, code) => {
    expect(() => readQuery(query)).toThrow(QueryError);
    expect(() => readQuery(query)).toThrow(expect.objectContaining({ code }));
  });

  it('gives no more than a thousand at once', () => expect(readQuery({ limit: '5000' }).limit).toBe(1000));

  it('links pages that together are the whole, each record once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 20 }), (count, limit) => {
        const many = Array.from({ length: count }, (_row, index) => ({ sourcedId: String(index) }));
        const seen: unknown[] = [];
        let next: string | undefined = `https://sis.example/or?limit=${limit}`;
        while (next) {
          const params: URLSearchParams = new URL(next).searchParams;
          const query = readQuery(Object.fromEntries(params));
          const { page, total } = answerQuery(many, query);
          seen.push(...page.map(({ sourcedId }: Record<string, unknown>) => sourcedId));
          next = /<([^>]+)>; rel="next"/.exec(pageLinks('https://sis.example/or', params, query, total))?.[1];
        }
        expect(seen).toEqual(many.map(({ sourcedId }) => sourcedId));
      }),
    );
  });
});
