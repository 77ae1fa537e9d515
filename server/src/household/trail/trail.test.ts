import { outlookRoutes, peopleRoutes, trailRoutes, type TrailEntry } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../../testing/world';
import { checkTrail, sealTrail } from './trailStore';

/* Who did what: only added to, sealed row by row, and read by the guardians of the child. */
let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
  await world.household('far', [{ name: 'far', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

const trail = async (agent: Agent): Promise<TrailEntry[]> =>
  (await agent.get(trailRoutes.trail.path.replace(':studentId', world.student('caspian'))).expect(200)).body
    .entries;
/** What is put down when an answer has gone out is there a moment later. */
async function opened(agent: Agent, count: number): Promise<TrailEntry[]> {
  for (let tries = 0; tries < 5_000; tries++) {
    const entries = (await trail(agent)).filter(({ kind }) => kind === 'record-opened');
    if (entries.length >= count) return entries;
    await new Promise((done) => setImmediate(done));
  }
  throw new Error('nobody has opened it');
}

it('says who opened the record, once a day, and of another household only that somebody did', async () => {
  const [far, ottoline] = [await world.signedIn('far'), await world.signedIn('ottoline')];
  for (const agent of [maren, maren, far, ottoline]) await agent.get(outlookRoutes.brief.path).expect(200);
  const entries = await opened(maren, 3);
  expect(entries.map(({ by, unnamed }) => [by, unnamed]).sort()).toEqual([
    [null, true],
    ['maren', false],
    ['ottoline', false],
  ]);
  await world.moveTo('2026-10-22T19:40:00Z');
  const other = await world.signedIn('tobiah');
  await other.get(outlookRoutes.brief.path).expect(200);
  expect((await opened(maren, 4))[0]).toMatchObject({ by: 'tobiah', at: '2026-10-22T19:40:00.000Z' });
  await world.moveTo('2026-10-21T19:40:00Z');
});

it('says what has changed about who sees the child, and by whom', async () => {
  const tobiah = (
    await world.db('guardians').where({ email: 'tobiah@test.example' }).first<{ id: string }>('id')
  ).id;
  await maren
    .post(
      peopleRoutes.object.path.replace(':studentId', world.student('caspian')).replace(':personId', tobiah),
    )
    .expect(204);
  expect((await trail(maren))[0]).toMatchObject({
    kind: 'suspended',
    by: 'maren',
    about: 'tobiah',
    role: 'guardian',
  });
  expect((await trail(await world.signedIn('far')))[0]).toMatchObject({
    by: null,
    unnamed: true,
    about: null,
  });
});

it('puts down each sign-in', async () => {
  const before = await world.db('trail').where({ kind: 'signed-in' }).pluck('seq');
  await world.signedIn('maren');
  expect(await world.db('trail').where({ kind: 'signed-in' }).pluck('seq')).toHaveLength(before.length + 1);
});

it.each([
  ['changed', `update trail set kind = 'exported' where seq = (select min(seq) from trail)`],
  ['sealed otherwise', `update trail set hash = 'x' where seq = (select min(seq) from trail)`],
  ['taken out', `delete from trail where seq = (select min(seq) from trail)`],
  ['emptied', 'truncate trail'],
])('is never %s', async (_name, sql) => {
  await sealTrail(world.db);
  await expect(world.db.raw(sql)).rejects.toThrow('the trail is only added to');
});

describe('the seals', () => {
  /** As somebody would who owns the database itself. */
  const behindItsBack = (sql: string) =>
    world.db.transaction(async (trx) => {
      await trx.raw('alter table trail disable trigger all');
      await trx.raw(sql);
      await trx.raw('alter table trail enable trigger all');
    });

  it('fit while nothing was touched, and a head that was kept stands in them', async () => {
    await sealTrail(world.db);
    const { head, sealed, ...rest } = await checkTrail(world.db, null);
    expect(rest).toEqual({ waiting: 0, brokenAt: null, headKnown: null });
    await world.signedIn('maren');
    expect(await Promise.all([sealTrail(world.db), sealTrail(world.db)])).toContain(0);
    expect(await checkTrail(world.db, head)).toMatchObject({
      sealed: sealed + 1,
      brokenAt: null,
      headKnown: true,
    });
    expect(await checkTrail(world.db, 'a'.repeat(64))).toMatchObject({ headKnown: false });
  });

  it('tell what was changed behind its back, and what is gone', async () => {
    const [{ head }, second] = [
      await checkTrail(world.db, null),
      await world.db('trail').where({ sealed_no: 2 }).first<{ params: object }>('params'),
    ];
    await behindItsBack(`update trail set params = '{"role":"guardian"}' where sealed_no = 2`);
    expect((await checkTrail(world.db, head)).brokenAt).toBe(2);
    await behindItsBack(`update trail set params = '${JSON.stringify(second.params)}' where sealed_no = 2`);
    expect((await checkTrail(world.db, head)).brokenAt).toBeNull();
    await behindItsBack('delete from trail where sealed_no = 3');
    expect((await checkTrail(world.db, head)).brokenAt).toBe(4);
    await behindItsBack('delete from trail where sealed_no >= 3');
    // A tail that is gone shows only against a head that was kept elsewhere.
    expect(await checkTrail(world.db, head)).toMatchObject({ brokenAt: null, headKnown: false });
  });
});
