import { tablesAlone } from '../../testing/databases';
import type { Clock, Db } from '../db';
import { keptAnswer } from './kept';
import { forgetKept } from './keptStore';

/* An answer is given out again while nothing of it has been touched, and no longer than the clock lets it stand. */
let db: Db;
let drop: () => Promise<void>;
let guardianId: string;
let householdId: string;
let studentId: string;
let strangerId: string;
beforeAll(async () => {
  ({ db, drop } = await tablesAlone(3));
  const idOf = async (table: string, row: object): Promise<string> => {
    const [made] = await db(table).insert(row).returning<{ id: string }[]>('id');
    return made?.id ?? '';
  };
  householdId = await idOf('households', { name: 'Aldervane' });
  guardianId = await idOf('guardians', {
    ...{ household_id: householdId, email: 'maren@test.example', password_hash: 'x' },
    ...{ name: 'Maren Aldervane', given_name: 'Maren' },
  });
  const source = {
    name: 'Gannet Head',
    base_url: 'http://gannet',
    client_id: 'c',
    client_secret_sealed: 'x',
  };
  const source_id = await idOf('sources', source);
  const school_id = await idOf('schools', {
    ...{ source_id, external_id: 's', name: 'Gannet Head', time_zone: 'America/Halifax' },
  });
  const child = (name: string) =>
    idOf('students', {
      source_id,
      school_id,
      external_id: name,
      given_name: name,
      family_name: 'Aldervane',
      year: '11',
    });
  [studentId, strangerId] = [await child('Isolde'), await child('Orrin')];
  await db('guardian_links').insert({
    ...{ guardian_id: guardianId, student_id: studentId, role: 'guardian', linked_at: '2026-09-01T12:00Z' },
  });
});
afterAll(() => drop());
beforeEach(() => db('kept_answers').delete());

const evening = '2026-10-21T19:40:00.000Z';
const clockAt = (at: string): Clock => ({ now: () => Promise.resolve(new Date(at)) });

/** What is answered at an instant, and whether it was made for it; `makes` is what is read when it is made. */
async function asked(at = evening, { makes = 'the same', has = '' } = {}) {
  let made = 0;
  const answer = await keptAnswer({ db, clock: clockAt(at) }, { guardianId, name: 'page', has }, async () => {
    made += 1;
    return JSON.stringify(makes);
  });
  return { ...answer, made };
}
/** A kept one is made beside it, too, to be compared: that is no new one. */
const isNew = async (at?: string): Promise<boolean> => {
  const before = await db('kept_answers').first<{ at: Date } | undefined>('at');
  await asked(at);
  const after = await db('kept_answers').first<{ at: Date } | undefined>('at');
  return before?.at.getTime() !== after?.at.getTime();
};

it('is made once, and again by another program', async () => {
  expect(await isNew()).toBe(true);
  expect(await isNew()).toBe(false);
  await db('kept_answers').update({ build: 'of yesterday' });
  expect(await isNew()).toBe(true);
});

it('has a tag, by which whoever has it need not be sent it', async () => {
  const first = await asked();
  expect(first).toMatchObject({ body: '"the same"', etag: expect.stringMatching(/^"[\w-]{27}"$/) });
  expect(await asked(evening, { has: first.etag })).toMatchObject({ body: null, etag: first.etag });
  expect(await asked(evening, { has: '"another"' })).toMatchObject({ body: '"the same"' });
  await db('guardians').where({ id: guardianId }).update({ given_name: 'Maren' });
  expect(await asked(evening, { has: first.etag })).toMatchObject({ body: null, etag: first.etag });
});

it.each<[what: string, touched: () => Promise<unknown>, stands: boolean]>([
  ['their name', () => db('guardians').where({ id: guardianId }).update({ name: 'Maren A.' }), false],
  ['their household', () => db('households').where({ id: householdId }).update({ name: 'A.' }), false],
  ['a child of theirs', () => db('students').where({ id: studentId }).update({ given_name: 'I.' }), false],
  ['the source', () => db('sources').update({ read_at: new Date(evening) }), false],
  [
    'somebody else’s child',
    () => db('students').where({ id: strangerId }).update({ given_name: 'O.' }),
    true,
  ],
  ['nothing', () => db('students').where({ given_name: 'nobody' }).update({ given_name: 'O.' }), true],
  [
    'a child who comes',
    () =>
      db('guardian_links').insert({
        ...{ guardian_id: guardianId, student_id: strangerId, role: 'look-only' },
        linked_at: '2026-10-01T12:00Z',
      }),
    false,
  ],
  ['a child who came', () => db('students').where({ id: strangerId }).update({ given_name: 'Orrin' }), false],
  [
    'somebody who moves out of their household',
    async () => {
      const [other] = await db('guardians')
        .insert({
          ...{ household_id: householdId, email: 'tobiah@test.example', password_hash: 'x' },
          ...{ name: 'Tobiah Aldervane', given_name: 'Tobiah' },
        })
        .returning<{ id: string }[]>('id');
      const [elsewhere] = await db('households').insert({ name: 'B.' }).returning<{ id: string }[]>('id');
      await asked();
      await db('guardians').where({ id: other?.id }).update({ household_id: elsewhere?.id });
    },
    false,
  ],
  ['a link that goes', () => db('guardian_links').where({ student_id: strangerId }).delete(), false],
])('stands or falls with what is touched: %s', async (_what, touched, stands) => {
  await asked();
  await touched();
  expect(await isNew()).toBe(!stands);
});

it('is not given out where something was touched while it was made', async () => {
  await keptAnswer({ db, clock: clockAt(evening) }, { guardianId, name: 'page', has: '' }, async () => {
    await db('students').where({ id: studentId }).update({ given_name: 'Isolde' });
    return '"of before"';
  });
  expect(await isNew()).toBe(true);
});

it('waits for nobody: what is being written is seen when it is written', async () => {
  const trx = await db.transaction();
  await trx('students').where({ id: studentId }).update({ given_name: 'Isolde' });
  expect(await isNew()).toBe(true);
  expect(await isNew()).toBe(false);
  await trx.commit();
  expect(await isNew()).toBe(true);
});

it.each([
  ['a minute', '2026-10-21T19:41:00Z', 'the same', true],
  ['to the end of its quarter of an hour', '2026-10-21T19:44:59Z', 'the same', true],
  ['not beyond it', '2026-10-21T19:45:00Z', 'the same', false],
  ['not for a time that was before it', '2026-10-21T19:39:00Z', 'the same', false],
  ['to what is due', '2026-10-21T19:42:00Z', '2026-10-21T19:43:00Z', true],
  ['not beyond what is due', '2026-10-21T19:43:00Z', '2026-10-21T19:43:00Z', false],
  ['not beyond whole days after something', '2026-10-21T19:42:30Z', '2026-10-16T19:42:30.000Z', false],
  ['as long where that is another hour', '2026-10-21T19:44:00Z', '2026-10-16T12:42:30.000Z', true],
])('stands by the clock: %s', async (_how, later, named, stands) => {
  await asked(evening, { makes: named });
  const row = await db('kept_answers').first<{ stamp: string }>('stamp');
  await db('kept_answers').update({ body: '"kept"', etag: '"kept"' });
  // Given out, it is found to be another than what is made now; anew, nothing is compared.
  const again = asked(later, { makes: named });
  if (stands) await expect(again).rejects.toThrow('an answer stands that is not true');
  else expect((await again).body).toBe(JSON.stringify(named));
  expect(row?.stamp).toMatch(/^\d+:\d+$/);
});

it('is forgotten with what was touched in its time, an hour later', async () => {
  await asked();
  await forgetKept(db);
  expect(await isNew()).toBe(false);
  const ago = db.raw(`now() - interval '61 minutes'`);
  await db('touches').update({ at: ago });
  await forgetKept(db);
  expect(await db('touches').select()).toEqual([]);
  expect(await isNew()).toBe(true);
  await db('kept_answers').update({ at: ago });
  await forgetKept(db);
  expect(await db('kept_answers').select()).toEqual([]);
});

it('goes with a child whose record is deleted, and stays with any other', async () => {
  await asked();
  await db('students').where({ id: strangerId }).delete();
  expect(await db('kept_answers').select()).toHaveLength(1);
  await db('guardian_links').where({ student_id: studentId }).delete();
  await db('students').where({ id: studentId }).delete();
  expect(await db('kept_answers').select()).toEqual([]);
});

it('goes with its guardian', async () => {
  await asked();
  await db('guardians').where({ id: guardianId }).delete();
  expect(await db('kept_answers').select()).toEqual([]);
});
