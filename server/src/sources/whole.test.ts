import { readingHooks } from '../main/hooks';
import { seal, setDemoClock } from '../kit';
import { categoriesOfCourse } from '../records';
import { anItem, base, oneSchool, ref, serveSchool, type Rows, type School } from '../testing/oneSchool';
import { World } from '../testing/world';
import { addSource, findSource, steerSource, wholeDue } from './store';
import { syncSource } from './sync';

/* What a source no longer names, names anew, or has taken back without a word: all of it is read and compared. */
let world: World;
let school: School;
let sourceId: string;
let close: () => void;

beforeAll(async () => void (world = await World.start()));
afterAll(() => world.stop());
beforeEach(async () => {
  school = oneSchool({});
  const served = await serveSchool(
    () => school,
    async (_name, rows) => ({ rows }),
  );
  close = served.close;
  sourceId = await addSource(world.db, {
    ...{ name: 'Wrack', baseUrl: served.url, clientId: 'c' },
    sealedSecret: seal(world.config.secret, 's'),
  });
});
afterEach(() => close());

const read = (how: { whole?: boolean } = {}) => {
  const { db, clock, config } = world;
  return syncSource({ db, clock, config, reading: readingHooks }, sourceId, how);
};
const compare = () => read({ whole: true });
const names = async (table: string, where: object = {}): Promise<string[]> =>
  (await world
    .db(table)
    .where({ source_id: sourceId, ...where })
    .orderBy('external_id')
    .pluck('external_id')) as string[];
const standing = async () =>
  (
    await world
      .db('results as r')
      .join('items as i', 'i.id', 'r.item_id')
      .where({ 'i.source_id': sourceId })
      .orderBy(['r.at', 'r.seq'])
      .select<{ status: string; earned: number | null }[]>('r.status', 'r.earned')
  ).map(({ status, earned }) => [status, earned]);
const problems = async () =>
  (await world.db('sync_problems').where({ source_id: sourceId }).pluck('external_id')) as string[];
const source = () => findSource(world.db, sourceId);
const result = (id: string, more: Rows): Rows => ({
  ...{ ...base(id), lineItem: ref('i'), student: ref('child') },
  ...{ scoreStatus: 'fully graded', score: 17, ...more },
});
const at = (time: string) => ({ dateLastModified: `2026-10-21T${time}:00Z` });
const gone = (time: string) => ({ status: 'tobedeleted', ...at(time) });

it('what is named no longer goes, and comes back when it is named again', async () => {
  const before = { ...school, lineItems: [anItem('i', {}), anItem('j', {})] };
  school = before;
  await read();
  school = { ...school, lineItems: [anItem('i', {})] };
  await read();
  expect(await names('items', { removed: false })).toEqual(['i', 'j']);
  await compare();
  expect(await names('items', { removed: false })).toEqual(['i']);
  school = before;
  await compare();
  expect(await names('items', { removed: false })).toEqual(['i', 'j']);
});

it.each([
  ['a class', { classes: [] }],
  ['a place in it', { enrollments: [] }],
])('%s that is named no longer has ended', async (_what, less) => {
  await read();
  const active = () => world.db('enrolments').where({ source_id: sourceId, active: true }).count();
  expect(await active()).toEqual([{ count: 1 }]);
  school = { ...school, ...less };
  await compare();
  expect(await active()).toEqual([{ count: 0 }]);
});

it('a child that is taken back is in no class any more, and in all of them when it is back', async () => {
  await read();
  const { users = [] } = school;
  const active = () => world.db('enrolments').where({ source_id: sourceId, active: true }).count();
  school = { ...school, users: users.map((user) => ({ ...user, ...gone('10:00') })) };
  await read();
  expect(await active()).toEqual([{ count: 0 }]);
  school = { ...school, users: users.map((user) => ({ ...user, ...at('11:00') })) };
  await read();
  expect(await active()).toEqual([{ count: 1 }]);
});

it('a category that is taken back is none of its class any more', async () => {
  const metadata = { cadro: { class: 'k', dropLowest: 0 } };
  const category = { ...base('old'), title: 'Old ropes', weight: 30, metadata };
  school = { ...school, categories: [category] };
  await read();
  const titles = async () => {
    const { id } = await world.db('courses').where({ source_id: sourceId }).first<{ id: string }>('id');
    return (await categoriesOfCourse(world.db, id)).map(({ title }) => title);
  };
  expect(await titles()).toContain('Old ropes');
  school = { ...school, categories: [{ ...category, ...gone('10:00') }] };
  await read();
  expect(await titles()).not.toContain('Old ropes');
});

it('a score that is named no longer is open again', async () => {
  await read();
  school = { ...school, results: [] };
  await compare();
  expect(await standing()).toEqual([
    ['scored', 17],
    ['open', null],
  ]);
});

describe('a score that is made anew under another id', () => {
  const anew = result('r2', { score: 19, ...at('10:00') });
  const back = result('r', gone('10:05'));
  it.each([
    ['after the old one is taken back', [[back], [back, result('r2', { score: 19, ...at('10:10') })]]],
    ['before it', [[anew], [anew, back]]],
    ['before it, and told after it', [[back], [back, anew]]],
    ['on the same page', [[anew, back]]],
    ['with the same score', [[result('r2', at('10:00'))], [result('r2', at('10:00')), back]]],
  ])('stands: %s', async (_when, readings) => {
    await read();
    for (const results of readings) {
      school = { ...school, results };
      await read();
    }
    const [score] = (readings.at(-1) ?? []).filter(({ sourcedId }) => sourcedId === 'r2');
    expect((await standing()).at(-1)).toEqual(['scored', score?.['score']]);
  });

  it('is taken back by its own id alone', async () => {
    await read();
    school = { ...school, results: [back, anew] };
    await read();
    school = { ...school, results: [result('r', gone('10:20')), anew] };
    await read();
    expect((await standing()).at(-1)).toEqual(['scored', 19]);
    school = { ...school, results: [result('r2', gone('10:30'))] };
    await read();
    expect((await standing()).at(-1)).toEqual(['open', null]);
  });
});

it('a row that cannot be read takes nothing away, and is wrong no longer when it does not come again', async () => {
  await read();
  school = { ...school, lineItems: [anItem('i', { title: 7 })], results: [result('r', { score: {} })] };
  await compare();
  expect(await names('items', { removed: false })).toEqual(['i']);
  expect(await standing()).toEqual([['scored', 17]]);
  expect((await problems()).sort()).toEqual(['i', 'r']);
  await setDemoClock(world.db, new Date((await world.clock.now()).getTime() + 60_000));
  school = { ...school, lineItems: [anItem('i', {})], results: [] };
  await compare();
  expect(await problems()).toEqual([]);
});

it('asks before much goes, goes on reading meanwhile, and does as it is answered', async () => {
  const many = Array.from({ length: 40 }, (_none, nth) => anItem(`i${nth}`, {}));
  school = { ...school, lineItems: many, results: [] };
  await read();
  school = { ...school, lineItems: many.slice(15) };
  await expect(compare()).rejects.toMatchObject({ code: 'source-shrinks' });
  expect((await source())?.shrinks).toEqual({ what: 'items', gone: 15, of: 40 });
  school = { ...school, lineItems: [...many.slice(15), anItem('new', at('12:00'))] };
  await read();
  expect(await names('items', { removed: false })).toHaveLength(41);
  // The next quarter of an hour has not answered what was asked.
  expect((await source())?.shrinks).not.toBeNull();
  await steerSource(world.db, sourceId, 'let-go', await world.clock.now());
  await read();
  expect(await names('items', { removed: false })).toHaveLength(26);
  expect(await source()).toMatchObject({ shrinks: null, may_shrink: false });
});

it('is due once a night, by the school’s own clock', async () => {
  await read();
  const night = new Date('2026-10-22T03:10:00Z');
  const due = async (now: Date) => (await wholeDue(world.db, now)).filter((id) => id === sourceId);
  await world.db('sources').where({ id: sourceId }).update({ time_zone: 'America/Halifax' });
  expect(await due(night)).toEqual([]);
  const there = new Date('2026-10-22T06:10:00Z');
  expect(await due(there)).toEqual([sourceId]);
  await world.db('sources').where({ id: sourceId }).update({ whole_at: there });
  expect(await due(new Date('2026-10-22T07:10:00Z'))).toEqual([]);
  expect(await due(new Date('2026-10-23T06:10:00Z'))).toEqual([sourceId]);
  await steerSource(world.db, sourceId, 'pause', there);
  expect(await due(new Date('2026-10-23T06:10:00Z'))).toEqual([]);
});
