import { followUpRoutes, householdRoutes, keepingRoutes, messageRoutes, type Me } from '@cadro/contract';
import type { Agent } from 'supertest';
import { password, World } from '../../testing/world';
import { removeLeavers, removeLeft, sweepDoor } from './leaving';

/* One's own data: how one is called, and how an account goes, with all that is its own and nothing of anybody else. */
let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
  await world.household('far', [{ name: 'far', children: ['caspian'] }]);
});
afterAll(() => world.stop());
beforeEach(() => world.db('login_tries').delete());

const me = async (agent: Agent): Promise<Me> => (await agent.get(householdRoutes.me.path).expect(200)).body;
const leave = (agent: Agent, text = password) =>
  agent.post(keepingRoutes.leave.path).send({ password: text });

it('lets go of what has served, and of nothing else', async () => {
  const [old, fresh] = [new Date('2025-01-01T00:00:00Z'), await world.clock.now()];
  const mail = { address: 'x@test.example', language: 'en', kind: 'confirm' };
  await world.db('account_mails').insert([
    { ...mail, made_at: old, state: 'sent' },
    { ...mail, made_at: old, state: 'waiting' },
    { ...mail, made_at: fresh, state: 'sent' },
  ]);
  const arrival = { email: 'x@test.example', name: 'X', given_name: 'X', password_hash: 'x', language: 'en' };
  await world.db('arrivals').insert([
    { ...arrival, token_hash: 'a', made_at: old, expires_at: old },
    { ...arrival, token_hash: 'b', made_at: fresh, expires_at: fresh },
  ]);
  await sweepDoor(world);
  const mails = await world.db('account_mails').where({ address: 'x@test.example' }).orderBy('made_at');
  expect(mails.map(({ state }: { state: string }) => state)).toEqual(['waiting', 'sent']);
  expect(await world.db('arrivals').pluck('token_hash')).toEqual(['b']);
  await world.db('account_mails').where({ address: 'x@test.example' }).delete();
});

it('is called as one wishes, by Cadro and in letters to teachers', async () => {
  const maren = await world.signedIn('maren');
  const change = { name: ' Maren Aldervane ', givenName: 'Mari', shownAs: 'M. Aldervane' };
  const { body } = await maren.patch(householdRoutes.changeMe.path).send(change).expect(200);
  expect(body).toMatchObject({ name: 'Maren Aldervane', givenName: 'Mari', shownAs: 'M. Aldervane' });
  const { teachers } = (
    await maren.get(messageRoutes.teachers.path.replace(':studentId', world.student('caspian')))
  ).body as { teachers: { id: string; contactable: boolean }[] };
  const teacherId = teachers.find(({ contactable }) => contactable)?.id;
  const letter = { studentId: world.student('caspian'), teacherId, subject: 'S', text: 'T' };
  const thread = await maren.post(messageRoutes.send.path).send(letter).expect(202);
  expect(thread.body.messages[0].author).toBe('M. Aldervane');
});

it.each<[string, object]>([
  ['no name', { name: '   ' }],
  ['a name of 300 characters', { name: 'x'.repeat(300) }],
  ['nothing at all', {}],
  ['an empty name for teachers', { shownAs: '' }],
])('is not called %s', async (_name, change) => {
  const maren = await world.signedIn('maren');
  await maren.patch(householdRoutes.changeMe.path).send(change).expect(400);
});

describe('an account that its owner wants deleted', () => {
  it('asks for the password, ends the other sessions, and is told by mail', async () => {
    const [own, other] = [await world.signedIn('maren'), await world.signedIn('maren')];
    expect((await leave(own, 'wrong')).body.code).toBe('wrong-credentials');
    const { body } = await leave(own).expect(200);
    expect(body.leavesAt).toBe('2026-11-20T19:40:00.000Z');
    await other.get(householdRoutes.me.path).expect(401);
    expect((await world.mailTo('maren@test.example', /will be deleted$/))?.text).toContain('2026-11-20');
  });

  it('is kept when its owner comes back within thirty days', async () => {
    await world.moveTo('2026-11-19T19:40:00Z');
    expect(await removeLeavers(world)).toBe(0);
    const maren = await world.signedIn('maren');
    await maren.delete(keepingRoutes.stay.path).expect(200);
    await world.moveTo('2026-12-19T19:40:00Z');
    expect(await removeLeavers(world)).toBe(0);
    expect((await me(maren)).leavesAt).toBeNull();
    await world.moveTo('2026-10-21T19:40:00Z');
  });

  it('goes afterwards with all that is its own; letters stay with the school, and others keep theirs', async () => {
    const [maren, far] = [await world.signedIn('maren'), await world.signedIn('far')];
    const followUp = { studentId: world.student('caspian'), title: 'A talk', note: 'At supper.' };
    await maren.post(followUpRoutes.create.path).send(followUp).expect(201);
    await far.post(followUpRoutes.create.path).send(followUp).expect(201);
    const ids = await world.db('guardians').where({ email: 'maren@test.example' }).pluck('id');
    await leave(maren).expect(200);
    await world.moveTo('2026-11-20T19:40:00Z');
    expect(await removeLeavers(world)).toBe(1);
    await maren.get(householdRoutes.me.path).expect(401);
    // Nothing anywhere holds the person any more but what is kept without names: the trail.
    const { rows } = await world.db.raw<{ rows: { name: string }[] }>(
      `select table_name as name from information_schema.columns
        where table_schema = 'public' and column_name = 'guardian_id'`,
    );
    for (const { name } of rows)
      if (!['guardian_profiles', 'standing_links'].includes(name))
        expect({ name, left: await world.db(name).whereIn('guardian_id', ids) }).toEqual({ name, left: [] });
    expect(await world.db('messages').where({ author: 'M. Aldervane' })).toHaveLength(1);
    expect(JSON.stringify(await world.db('messages'))).not.toContain('maren@test.example');
    // Whom the last guardian of the household let look sees nothing any more; another household keeps all of its own.
    expect((await me(await world.signedIn('ottoline'))).children).toEqual([]);
    const { followUps } = (await far.get(followUpRoutes.list.path)).body as { followUps: object[] };
    expect(followUps).toHaveLength(1);
  });
});

describe('a child who has left', () => {
  const is = async (student: string): Promise<boolean> =>
    (await world.db('students').where({ id: world.student(student) })).length === 1;
  const removed = () => removeLeft(world);

  it('is kept as long as the operator says after its last term, and after the last who saw it', async () => {
    await world.db.raw(`update terms set ends_on = least(ends_on, '2026-11-06')`);
    await world.moveTo('2028-11-01T12:00:00Z');
    expect(await removed()).toBe(0);
    await world.moveTo('2028-11-10T12:00:00Z');
    // Whom somebody sees stays; of the others nothing is left.
    const linked = await world.db('guardian_links').whereNull('ended_at').distinct().pluck('student_id');
    const before = await world.db('students').pluck('id');
    expect(await removed()).toBe(before.length - linked.length);
    expect(await is('caspian')).toBe(true);
    expect(await is('neighbour-b')).toBe(false);
    await world.db('guardian_links').update({ ended_at: '2026-11-20T12:00:00Z' });
    expect(await removed()).toBe(0);
    await world.moveTo('2028-11-21T12:00:00Z');
    expect(await removed()).toBeGreaterThan(0);
    expect(await world.db('results').count()).toEqual([{ count: 0 }]);
    // Who looked is kept without them.
    expect((await world.db('trail')).length).toBeGreaterThan(0);
  });
});
