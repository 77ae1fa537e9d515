import { operatorRoutes } from '@cadro/contract';
import { readingHooks } from '../main/hooks';
import { seal } from '../kit';
import { anItem, oneSchool, serveSchool, type School } from '../testing/oneSchool';
import { World } from '../testing/world';
import { addSource, allSources, findSource, steerSource } from './store';
import { syncSource } from './sync';

/* What somebody does about the reading of a school's system. */
let world: World;
let school: School;
let sourceId: string;
let close: () => void;
let onPage: (name: string) => Promise<void> = async () => undefined;
const many = (change: (id: number) => object = () => ({})) =>
  Array.from({ length: 40 }, (_none, id) => anItem(`i${id}`, change(id) as Record<string, unknown>));

beforeEach(async () => {
  world = await World.start();
  school = oneSchool({ lineItems: many(), results: [] });
  const served = await serveSchool(
    () => school,
    async (name, rows) => {
      await onPage(name);
      return { rows };
    },
  );
  close = served.close;
  sourceId = await addSource(world.db, {
    ...{ name: 'Wrack', baseUrl: served.url, clientId: 'c' },
    sealedSecret: seal(world.config.secret, 's'),
  });
});
afterEach(async () => {
  onPage = async () => undefined;
  close();
  await world.stop();
});

const read = () => {
  const { db, clock, config } = world;
  return syncSource({ db, clock, config, reading: readingHooks }, sourceId);
};
const steer = async (what: Parameters<typeof steerSource>[2]) =>
  steerSource(world.db, sourceId, what, await world.clock.now());
const there = async () =>
  Number(
    (await world.db('items').where({ source_id: sourceId, removed: false }).count<{ count: string }[]>())[0]
      ?.count,
  );
const source = () => findSource(world.db, sourceId);
const later = (removed: number, at: string): void => {
  const gone = { status: 'tobedeleted', dateLastModified: at };
  school = { ...school, lineItems: many((id) => (id < removed ? gone : {})) };
};

it('pauses, says so, and goes on where it was', async () => {
  await steer('pause');
  await read();
  expect(await there()).toBe(0);
  expect((await allSources(world.db)).map(({ id }) => id)).not.toContain(sourceId);
  await steer('resume');
  await read();
  expect(await there()).toBe(40);
});

it('tells how far it has come, stops when it is asked to, and ends in the same when it is read again', async () => {
  let seen: unknown = null;
  onPage = async (name) => {
    if (name !== 'lineItems') return;
    seen = (await source())?.progress;
    await steer('stop');
  };
  const { records } = await read();
  expect(seen).toMatchObject({ records: expect.any(Number) });
  expect(records).toBeGreaterThan(0);
  const stopped = await source();
  expect(stopped).toMatchObject({ progress: null, failing_since: null, read_at: null, stop_asked: false });
  onPage = async () => undefined;
  await read();
  expect(await there()).toBe(40);
  expect((await source())?.read_at).not.toBeNull();
});

it('asks before it takes much away, and takes it when it may', async () => {
  await read();
  later(9, '2026-10-20T09:00:00Z');
  await read();
  // A few may go.
  expect(await there()).toBe(31);
  later(25, '2026-10-20T10:00:00Z');
  await expect(read()).rejects.toMatchObject({ code: 'source-shrinks' });
  expect(await there()).toBe(31);
  expect((await source())?.shrinks).toEqual({ what: 'items', gone: expect.any(Number), of: 31 });
  await steer('let-go');
  await read();
  expect(await there()).toBe(15);
  // Once is not for good.
  expect(await source()).toMatchObject({ shrinks: null, may_shrink: false, failing_since: null });
});

it('does not ask about what has long been gone, though the school names it again and again', async () => {
  later(25, '2026-10-20T09:00:00Z');
  await read();
  expect(await there()).toBe(15);
  // This school gives everything each time, and something else has changed.
  school = {
    ...school,
    lineItems: [...(school['lineItems'] ?? []), anItem('new', { dateLastModified: '2026-10-20T11:00:00Z' })],
  };
  await read();
  expect(await there()).toBe(16);
});

it('is known to nobody but an operator', () => {
  expect(operatorRoutes.steerSource.access).toBe('operator');
});
