import { entryRoutes, householdRoutes, ownRoutes } from '@cadro/contract';
import { randomUUID } from 'node:crypto';
import pino from 'pino';
import request, { type Agent } from 'supertest';
import { forgetAnswers, systemClock } from '../../kit';
import { ownChild } from '../../testing/ownChild';
import { sessionCookieOf, World, password } from '../../testing/world';
import { buildServer } from '../app';
import { note } from './note';

let world: World;
let maren: Agent;
let tobiah: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  maren = await world.signedIn('maren');
  tobiah = await world.signedIn('tobiah');
});
afterAll(() => world.stop());

const write = (who: Agent, key: string, title: string) =>
  who.post(entryRoutes.create.path).set('idempotency-key', key).send(note(title));
const written = async (title: string): Promise<number> =>
  (await world.db('calendar_entries').where({ title })).length;
const key = () => `"${randomUUID()}"`;

it('is done once, however often it is asked for by its key, and answered the same each time', async () => {
  const once = key();
  const first = await write(maren, once, 'Once').expect(201);
  const second = await write(maren, once, 'Once').expect(201);
  expect(second.body).toEqual(first.body);
  expect(await written('Once')).toBe(1);
});

it('is done once where it is asked for many times in one moment', async () => {
  const once = key();
  const answers = await Promise.all(Array.from({ length: 6 }, () => write(maren, once, 'Thrice clicked')));
  // On a busy machine some may be told to ask again.
  const told = answers.filter(({ status }) => status === 201);
  expect(answers.filter(({ status, body }) => status !== 201 && body.code !== 'under-way')).toEqual([]);
  expect(new Set(told.map(({ body }) => body.id as string)).size).toBe(1);
  expect(await written('Thrice clicked')).toBe(1);
});

it('is remembered by a server that was started since', async () => {
  const once = key();
  const first = await write(maren, once, 'Before the restart').expect(201);
  const { db, clock, config } = world;
  const other = buildServer({ db, clock, config, log: pino({ level: 'silent' }), wall: systemClock });
  try {
    const agent = request.agent(other.app);
    const email = 'maren@test.example';
    const signedIn = await agent.post(householdRoutes.signIn.path).send({ email, password }).expect(200);
    expect(sessionCookieOf(signedIn)).not.toBe('');
    const again = await write(agent, once, 'Before the restart').expect(201);
    expect(again.body).toEqual(first.body);
  } finally {
    await other.close();
  }
  expect(await written('Before the restart')).toBe(1);
});

it('belongs to one write of one person', async () => {
  const once = key();
  await write(maren, once, 'Mine').expect(201);
  const { body } = await write(maren, once, 'Another').expect(422);
  expect(body.code).toBe('key-used');
  await write(tobiah, once, 'Mine').expect(201);
  expect([await written('Mine'), await written('Another')]).toEqual([2, 0]);
});

it('is under way for whoever asks while it is held up', async () => {
  const once = key();
  const held = await world.db.transaction();
  const asked = { person_id: await world.personId('maren'), key: once.slice(1, -1), asked: 'x', status: 0 };
  await held('write_answers').insert(asked);
  const { body, headers } = await write(maren, once, 'Held up').expect(409);
  expect([body.code, headers['retry-after']]).toEqual(['under-way', '2']);
  await held.rollback();
  await write(maren, once, 'Held up').expect(201);
  expect(await written('Held up')).toBe(1);
});

it('may be asked for again where it was refused, once it can be done', async () => {
  const once = key();
  const ask = () =>
    maren
      .patch(entryRoutes.change.path.replace(':entryId', randomUUID()))
      .set('idempotency-key', once)
      .send({ ...note('None'), version: 1 });
  await ask().expect(404);
  await ask().expect(404);
  expect(await world.db('write_answers').where({ key: once.slice(1, -1) })).toEqual([]);
});

it('is one where a household writes its own record, in which Cadro itself writes for it', async () => {
  const once = key();
  const add = () => maren.post(ownRoutes.addChild.path).set('idempotency-key', once).send(ownChild);
  const first = await add().expect(201);
  const second = await add().expect(201);
  expect(second.body).toEqual(first.body);
  expect(await world.db('students').where({ given_name: ownChild.givenName })).toHaveLength(1);
});

it('leaves nothing where it broke off in the middle', async () => {
  const once = key();
  await world.db.raw(
    `alter table write_answers add constraint breaks check (status = 0 or person_id <> ?) not valid`.replace(
      '?',
      `'${await world.personId('tobiah')}'`,
    ),
  );
  await write(tobiah, once, 'Broken off').expect(500);
  await world.db.raw('alter table write_answers drop constraint breaks');
  expect(await written('Broken off')).toBe(0);
  await write(tobiah, once, 'Broken off').expect(201);
  expect(await written('Broken off')).toBe(1);
});

it.each(['short', 'with a space in it', '"no end', '"' + 'x'.repeat(121) + '"', '"line\tbreak"'])(
  'refuses a key that is none: %s',
  async (wrong) => {
    const { body } = await write(maren, wrong, 'Keyless').expect(400);
    expect(body.errors[0].path).toBe('/idempotency-key');
  },
);

it('keeps answers sealed, and for a day', async () => {
  await write(maren, key(), 'A secret between us').expect(201);
  const rows = await world.db('write_answers').select();
  expect(rows.length).toBeGreaterThan(3);
  expect(JSON.stringify(rows)).not.toContain('A secret between us');
  await world.db('write_answers').update({ made_at: world.db.raw(`now() - interval '23 hours'`) });
  await forgetAnswers(world.db);
  expect(await world.db('write_answers').select()).toHaveLength(rows.length);
  await world.db('write_answers').update({ made_at: world.db.raw(`now() - interval '25 hours'`) });
  await forgetAnswers(world.db);
  expect(await world.db('write_answers').select()).toEqual([]);
});
