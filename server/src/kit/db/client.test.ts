import { openDatabase } from './database';

/* Nothing is asked here: what a statement would be is all that is looked at. */
const db = openDatabase('postgres://nobody@127.0.0.1:1/none');
afterAll(() => db.destroy());
const ids = (count: number) => Array.from({ length: count }, (_, index) => `id-${index}`);
const day = new Date('2026-10-21T00:00:00Z');

describe('a list in a statement', () => {
  it.each([1, 2, 70_000])('of %i is one value of one statement', (count) => {
    const { sql, bindings } = db('items').whereIn('id', ids(count)).select('title').toSQL().toNative();
    expect(sql).toBe('select "title" from "items" where "id" = any ($1)');
    expect(bindings).toEqual([ids(count)]);
  });

  it.each([
    ['that is left out', db('a').whereNotIn('b', [1, 2]), '"b" <> all ($1)', [[1, 2]]],
    ['of instants', db('a').whereIn('b', [day]), '"b" = any ($1)', [[day]]],
    [
      'beside other conditions',
      db('a').where({ c: 1 }).whereIn('b', ['x']),
      '"c" = $1 and "b" = any ($2)',
      [1, ['x']],
    ],
    ['of nothing', db('a').whereIn('b', []), '1 = $1', [0]],
    [
      'of pairs, as it was',
      db('a').whereIn(['b', 'c'], [['x', 'y']]),
      '("b", "c") in (($1, $2))',
      ['x', 'y'],
    ],
    [
      'that is asked for, as it was',
      db('a').whereIn('b', db('c').select('d')),
      '"b" in (select "d" from "c")',
      [],
    ],
  ])('%s', (_name, query, where, values) => {
    const { sql, bindings } = query.toSQL().toNative();
    expect(sql).toBe(`select * from "a" where ${where}`);
    expect(bindings).toEqual(values);
  });
});
