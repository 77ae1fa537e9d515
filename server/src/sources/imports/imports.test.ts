import { createReadStream } from 'node:fs';
import { readingHooks } from '../../main/hooks';
import { World } from '../../testing/world';
import { bundleOf, smallSchool, type Tables } from '../../testing/bundles';
import { addBundleSource } from '../store';
import { syncSource } from '../sync';
import { answerBundle, bundlesOf } from './bundleStore';
import { receiveBundle, receiveFile } from './receive';

/* A school that hands over files: what they tell becomes a record like any other. */
let world: World;
let source: string;
let made = 0;
beforeAll(async () => {
  world = await World.start();
  await world.moveTo('2026-10-21T19:40:00Z');
});
afterAll(() => world.stop());
beforeEach(async () => {
  source = await addBundleSource(world.db, { name: `Wrack ${(made += 1)}`, timeZone: 'America/Halifax' });
});

const deps = () => ({ db: world.db, clock: world.clock });
const take = () => syncSource({ ...deps(), config: world.config, reading: readingHooks }, source);
const hand = async (path: string) => receiveFile(deps(), source, path, 'a.zip');
async function read(tables: Tables, modes: Record<string, string> = {}) {
  await hand(await bundleOf(tables, modes));
  await take();
  await world.workOff();
  const [bundle] = await bundlesOf(world.db, [source]);
  return bundle;
}

const figures = async () =>
  Object.fromEntries(
    (
      await world
        .db('current_figures as f')
        .join('students as s', 's.id', 'f.student_id')
        .where({ 's.source_id': source })
        .orderBy('s.external_id')
        .select('s.external_id', 'f.figures')
    ).map(({ external_id, figures: { posted, ifLeft, looseEnds } }) => [
      external_id,
      [Math.round(posted), Math.round(ifLeft), looseEnds.map(({ kind }: { kind: string }) => kind)],
    ]),
  );
const small = smallSchool as Tables;
const rows = (
  of: string,
  more: (row: Record<string, string | number>, index: number) => object = (row) => row,
) => (small[of] ?? []).map((row, index) => more({ ...row }, index)) as Record<string, string | number>[];

it('has figures as soon as its first bundle is in, and keeps the file no longer', async () => {
  expect(await read(small)).toMatchObject({ state: 'done', problems: 0, ask: null });
  expect(await figures()).toEqual({ odo: [51, 51, ['missing']], una: [100, 60, ['overdue']] });
  expect(await world.db('bundle_parts').count()).toEqual([{ count: 0 }]);
  expect(await world.db('change_log').count()).toEqual([{ count: 0 }]);
  expect(await world.db('sources').where({ id: source }).first('read_at')).toEqual({
    read_at: new Date('2026-10-21T19:40:00Z'),
  });
});

it('takes the same file once, and writes the same rows once', async () => {
  const path = await bundleOf(small);
  expect(await hand(path)).not.toBeNull();
  await take();
  expect(await hand(path)).toBeNull();
  const count = async () =>
    world.db('results as r').join('items as i', 'i.id', 'r.item_id').where({ 'i.source_id': source }).count();
  const before = await count();
  await read({ ...small, orgs: [...rows('orgs'), { sourcedId: 'other', name: 'Other', type: 'district' }] });
  expect(await count()).toEqual(before);
});

it('tells what an addition changes, and what a whole table has no longer', async () => {
  await read(small);
  const changed = {
    ...rows('results')[0],
    score: 20,
    status: 'active',
    dateLastModified: '2026-10-20T10:00:00Z',
  };
  await read({ results: [changed] } as Tables, { results: 'delta' });
  expect((await figures())['odo']).toEqual([60, 60, ['missing']]);
  const log = () => world.db('change_log').orderBy('id').select('kind', 'before', 'after');
  expect(await log()).toEqual([
    { kind: 'result', before: { status: 'scored', earned: 17 }, after: { status: 'scored', earned: 20 } },
  ]);
  await read({ results: rows('results').slice(0, 2) }, { results: 'bulk' });
  expect((await figures())['una']).toEqual(
    [NaN, 0, ['overdue', 'overdue']].map((each) => (Number.isNaN(each) ? 0 : each)),
  );
  expect(await log()).toContainEqual({
    kind: 'result',
    before: { status: 'scored', earned: 20 },
    after: { status: 'open', earned: null },
  });
  await read(
    { enrollments: rows('enrollments').slice(0, 1), classes: rows('classes') },
    { enrollments: 'bulk', classes: 'bulk' },
  );
  expect(
    await world.db('enrolments').where({ source_id: source, active: true }).pluck('external_id'),
  ).toEqual(['e1']);
  await read(
    { classes: [], lineItems: rows('lineItems').slice(0, 1) },
    { classes: 'bulk', lineItems: 'bulk' },
  );
  expect(
    await world.db('enrolments').where({ source_id: source, active: true }).pluck('external_id'),
  ).toEqual([]);
  expect(await world.db('items').where({ source_id: source, removed: true }).pluck('external_id')).toEqual([
    'sheet',
  ]);
});

it('takes a whole table for the truth, whatever it is dated', async () => {
  await read(small);
  await read({ results: rows('results').slice(1) }, { results: 'bulk' });
  expect((await figures())['odo']).toMatchObject([0, 0, { length: 2 }]);
  // Back as it was, and dated as it was.
  await read(
    {
      results: [
        ...rows('results'),
        { ...rows('results')[0], sourcedId: 'again', lineItemSourcedId: 'sheet', studentSourcedId: 'una' },
      ],
    },
    { results: 'bulk' },
  );
  expect((await figures())['odo']).toEqual([51, 51, ['missing']]);
  // Put right, under an earlier day.
  await read(
    {
      results: rows('results', (row, index) =>
        index === 0 ? { ...row, score: 20, scoreDate: '2026-09-10' } : row,
      ),
    },
    { results: 'bulk' },
  );
  expect((await figures())['odo']).toEqual([60, 60, ['missing']]);
});

it('forgets what was wrong with a row without a name, once the table comes mended', async () => {
  const results = [...rows('results'), { ...rows('results')[0], sourcedId: '' }];
  await read({ ...small, results });
  const problems = () => world.db('sync_problems').where({ source_id: source }).pluck('external_id');
  expect(await problems()).toEqual(['row 5']);
  await read({ results: rows('results') }, { results: 'bulk' });
  expect(await problems()).toEqual([]);
});

describe('a whole table that would take much away', () => {
  const many = Array.from({ length: 50 }, (_each, index) => ({
    ...rows('lineItems')[0],
    sourcedId: `i${index}`,
    title: `Knot ${index}`,
  }));
  beforeEach(async () => {
    await read({ ...small, lineItems: many as never, results: [] });
  });
  const left = async () =>
    Number((await world.db('items').where({ source_id: source, removed: false }).count())[0]?.['count']);

  it('asks first, and holds what comes after it', async () => {
    const asked = await read({ lineItems: many.slice(0, 30) as never }, { lineItems: 'bulk' });
    expect(asked).toMatchObject({ state: 'asking', ask: { what: 'items', gone: 20, of: 50 } });
    expect(await left()).toBe(50);
    await read(
      {
        lineItems: [
          { ...many[0], sourcedId: 'new', status: 'active', dateLastModified: '2026-10-20T10:00:00Z' },
        ] as never,
      },
      { lineItems: 'delta' },
    );
    expect(await left()).toBe(50);
    expect(await answerBundle(world.db, asked?.id ?? '', 'take', await world.clock.now())).toBe(source);
    await take();
    expect(await left()).toBe(31);
    expect((await bundlesOf(world.db, [source])).map(({ state }) => state)).toEqual(['done', 'done', 'done']);
  });

  it('is left as it is where somebody says so', async () => {
    const asked = await read({ lineItems: many.slice(0, 30) as never }, { lineItems: 'bulk' });
    await answerBundle(world.db, asked?.id ?? '', 'stop', await world.clock.now());
    await take();
    expect(await left()).toBe(50);
    expect(await world.db('bundle_parts').count()).toEqual([{ count: 0 }]);
    expect(await answerBundle(world.db, asked?.id ?? '', 'take', await world.clock.now())).toBeNull();
  });

  it('does not ask about a few', async () => {
    expect(await read({ lineItems: many.slice(0, 42) as never }, { lineItems: 'bulk' })).toMatchObject({
      state: 'done',
    });
    expect(await left()).toBe(42);
  });
});

it('names each row that it could not take, and forgets it when it comes mended', async () => {
  const broken = await read({
    ...small,
    lineItems: rows('lineItems', (row, index) => (index === 1 ? { ...row, resultValueMax: 'ten' } : row)),
  });
  expect(broken).toMatchObject({ state: 'done', problems: 2 });
  const problems = () =>
    world
      .db('sync_problems')
      .where({ source_id: source })
      .orderBy('collection')
      .select('collection', 'external_id', 'fault', 'reason');
  expect(await problems()).toEqual([
    {
      collection: 'lineItems',
      external_id: 'sheet',
      fault: 'misfit',
      reason: 'lineItems.csv, row 3: /resultValueMax is none of what it can be',
    },
    { collection: 'results', external_id: 'x2', fault: 'unknown-reference', reason: '' },
  ]);
  await read({ lineItems: rows('lineItems') }, { lineItems: 'bulk' });
  expect(await problems()).toEqual([]);
  expect(await figures()).toEqual({ odo: [51, 51, ['missing']], una: [100, 60, ['overdue']] });
});

it('sets aside more rows than a statement has room for, and takes them when what they name has come', async () => {
  const many = Array.from({ length: 9_500 }, (_each, index) => ({
    ...rows('lineItems')[0],
    sourcedId: `i${index}`,
    categorySourcedId: 'later',
  }));
  expect(await read({ ...small, lineItems: many as never, results: [] })).toMatchObject({ state: 'done' });
  const waiting = () => world.db('sync_problems').where({ source_id: source }).count();
  expect(await waiting()).toEqual([{ count: 9_500 }]);
  const later = [...rows('categories'), { sourcedId: 'later', title: 'Later', weight: 1 }];
  expect(await read({ categories: later }, { categories: 'bulk' })).toMatchObject({ state: 'done' });
  expect(await waiting()).toEqual([{ count: 0 }]);
  expect(await world.db('items').where({ source_id: source }).count()).toEqual([{ count: 9_500 }]);
});

it('goes on where it was cut', async () => {
  await hand(await bundleOf(small));
  let written = 0;
  const cut = {
    ...readingHooks,
    onRecords: async (...args: Parameters<typeof readingHooks.onRecords>) => {
      if ((written += 1) === 3) throw new Error('killed');
      await readingHooks.onRecords(...args);
    },
  };
  await expect(syncSource({ ...deps(), config: world.config, reading: cut }, source)).rejects.toThrow(
    'killed',
  );
  const [halfway] = await bundlesOf(world.db, [source]);
  expect(halfway).toMatchObject({ state: 'reading', at_table: expect.any(String) });
  expect(await world.db('sources').where({ id: source }).first('last_error')).toEqual({
    last_error: 'killed',
  });
  await take();
  await world.workOff();
  expect((await bundlesOf(world.db, [source]))[0]).toMatchObject({ state: 'done', problems: 0 });
  expect(await figures()).toEqual({ odo: [51, 51, ['missing']], una: [100, 60, ['overdue']] });
  expect(
    await world
      .db('results as r')
      .join('items as i', 'i.id', 'r.item_id')
      .where({ 'i.source_id': source })
      .count(),
  ).toEqual([{ count: 3 }]);
});

it('refuses what is no bundle, and reads the next all the same', async () => {
  await receiveBundle(deps(), source, { name: 'x.zip', stream: createReadStream(__filename) });
  expect(await read(small)).toMatchObject({ state: 'done' });
  expect((await bundlesOf(world.db, [source]))[1]).toMatchObject({ state: 'refused', fault: 'not-a-zip' });
});

it('keeps nothing of a file that is too large', async () => {
  const path = await bundleOf(small);
  const sent = receiveBundle(deps(), source, { name: 'x.zip', stream: createReadStream(path), most: 100 });
  await expect(sent).rejects.toMatchObject({ code: 'bundle-too-large' });
  expect(await bundlesOf(world.db, [source])).toEqual([]);
});
