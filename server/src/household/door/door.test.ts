import { doorRoutes, householdRoutes, type Me, type WayIn } from '@cadro/contract';
import type { Agent } from 'supertest';
import { hashCode, newCode } from '../../kit';
import { password, World } from '../../testing/world';
import { addInvitation } from './invitationStore';

/* How people come in: whose record it is first, then an account; and how an address is shown to be theirs. */
let world: World;
const good = 'lantern wicks for thirty herons';
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'left', children: ['isolde'], ended: true },
  ]);
});
afterAll(() => world.stop());
beforeEach(() => world.db('login_tries').delete());

const guardianId = async (name: string): Promise<string> =>
  (
    await world
      .db('guardians')
      .where({ email: `${name}@test.example` })
      .first<{ id: string }>('id')
  ).id;

/** A code that opens Caspian's record in some way. */
async function code(change: Partial<Parameters<typeof addInvitation>[1]> = {}): Promise<string> {
  const fresh = newCode();
  const now = await world.clock.now();
  await addInvitation(world.db, {
    ...{ codeHash: hashCode(fresh), issuer: 'school', role: 'guardian', invitedBy: null, householdId: null },
    ...{ email: null, studentIds: [world.student('caspian')], now },
    expiresAt: new Date(now.getTime() + 86_400_000),
    ...change,
  });
  return fresh;
}
const look = (text: string) => world.nobody.post(doorRoutes.look.path).send({ code: text });
let people = 0;
const person = (change: object = {}) => ({
  ...{ name: 'Rosamund Tern', email: `rosamund${people++}@test.example`, password: good },
  ...{ language: 'en', keep: false },
  ...change,
});
const come = (body: object, agent: Agent = world.nobody) => agent.post(doorRoutes.come.path).send(body);
/** The secret at the end of the address in the last mail with such a subject. */
async function secretIn(address: string, subject: RegExp): Promise<string> {
  const mail = await world.mailTo(address, subject);
  return /#([\w-]{20,})/.exec(mail?.text ?? '')?.[1] ?? `no mail about ${subject.source}`;
}
const confirm = (token: string) => world.nobody.post(doorRoutes.confirm.path).send({ token });

describe('a code', () => {
  it('shows whose record it opens, by given name and school, and makes nothing', async () => {
    const { body } = await look('3QPT-7K9M-XR2D-V6HB').expect(200);
    expect(body as WayIn).toEqual({
      ...{ issuer: 'school', role: 'guardian', invitedBy: null, email: null },
      children: [{ givenName: 'Pet', schoolName: 'Little Fathom Primary' }],
    });
    expect(await world.db('link_codes').whereNotNull('used_at')).toEqual([]);
  });

  it.each<[string, () => Promise<string>, number, string]>([
    ['nobody knows', async () => newCode(), 404, 'code-unknown'],
    ['that ran out', async () => 'C8SN-0F2B-6WQA-1DVP', 410, 'code-expired'],
    ['of an invitation that ran out', () => code({ expiresAt: new Date(0) }), 410, 'code-expired'],
    [
      'of somebody whose own link has ended',
      async () => code({ invitedBy: await guardianId('left'), issuer: 'guardian' }),
      ...([410, 'code-expired'] as const),
    ],
    [
      'that was taken back',
      async () => {
        const taken = await code();
        await world
          .db('invitations')
          .where({ code_hash: hashCode(taken) })
          .update({ withdrawn_at: new Date() });
        return taken;
      },
      ...([404, 'code-unknown'] as const),
    ],
  ])('%s opens nothing', async (_name, make, status, problem) => {
    const text = await make();
    const answers = [await look(text), await come(person({ code: text }))];
    for (const { status: got, body } of answers) expect([got, body.code]).toEqual([status, problem]);
  });

  it('makes an account that is signed in and linked, once', async () => {
    const text = await code();
    const agent = world.nobody;
    const body = person({ code: text.toLowerCase().replaceAll('-', ' ') });
    const me = (await come(body, agent).expect(201)).body as Me;
    expect(me).toMatchObject({ name: 'Rosamund Tern', givenName: 'Rosamund', confirmed: false });
    expect(me.children.map(({ givenName, role }) => [givenName, role])).toEqual([['Caspian', 'guardian']]);
    await agent.get(householdRoutes.me.path).expect(200);
    const again = await come(person({ code: text }));
    expect([again.status, again.body.code]).toEqual([409, 'code-used']);
  });

  it('is good for one of two who use it at the same moment', async () => {
    const text = await code();
    const answers = await Promise.all([come(person({ code: text })), come(person({ code: text }))]);
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
  });

  it('stays good when the account cannot be made', async () => {
    const text = await code();
    const tries: [object, number, string][] = [
      [person({ code: text, email: 'MAREN@test.example' }), 409, 'address-known'],
      [person({ code: text, password: 'rosamund tern' }), 422, 'weak-password'],
      [person({ code: text, password: 'Tr0ub4d!' }), 422, 'weak-password'],
      [person({ code: text, name: 'x'.repeat(300) }), 400, 'bad-request'],
      [person({ code: text, name: '   ' }), 400, 'bad-request'],
      [person({ code: text, email: 'nobody' }), 400, 'bad-request'],
    ];
    for (const [body, status, problem] of tries) {
      const answer = await come(body);
      expect([answer.status, answer.body.code]).toEqual([status, problem]);
    }
    await come(person({ code: text })).expect(201);
  });

  it.each([
    ['of one letter', 'X', 'X'],
    ['from right to left', 'רוזמונד טרן', 'רוזמונד'],
    ['with a picture in it', '🦭 Rosamund', '🦭'],
    ['of markup', '<b>Rosamund</b> Tern', '<b>Rosamund</b>'],
  ])('takes a name %s as it is written', async (_name, name, givenName) => {
    const { body } = await come(person({ code: await code(), name })).expect(201);
    expect(body).toMatchObject({ name, givenName });
  });

  it('joins the household of who invited, or makes one of its own', async () => {
    const { household_id: householdId } = await world
      .db('guardians')
      .where({ email: 'maren@test.example' })
      .first<{ household_id: string }>('household_id');
    const invitedBy = await guardianId('maren');
    const joining = await code({ invitedBy, issuer: 'guardian', householdId });
    expect((await look(joining)).body).toMatchObject({ issuer: 'guardian', invitedBy: 'maren' });
    const joined = (await come(person({ code: joining })).expect(201)).body as Me;
    const apart = (await come(person({ code: await code() })).expect(201)).body as Me;
    const householdOf = async ({ id }: Me) =>
      (await world.db('guardians').where({ id }).first<{ household_id: string }>('household_id'))
        .household_id;
    expect(await householdOf(joined)).toBe(householdId);
    expect(await householdOf(apart)).not.toBe(householdId);
  });

  it('of a child makes its own account, which no other record joins', async () => {
    const agent = world.nobody;
    const me = (await come(person({ code: await code({ role: 'student' }) }), agent).expect(201)).body as Me;
    expect(me.children.map(({ role }) => role)).toEqual(['student']);
    const more = await agent
      .post(householdRoutes.link.path)
      .send({ code: await code({ studentIds: [world.student('isolde')] }) });
    expect([more.status, more.body.code]).toEqual([409, 'code-not-for-you']);
    const maren = await world.signedIn('maren');
    const childs = await code({ role: 'student', studentIds: [world.student('isolde')] });
    const other = await maren.post(householdRoutes.link.path).send({ code: childs });
    expect([other.status, other.body.code]).toEqual([409, 'code-not-for-you']);
  });

  it('that is tried again and again is answered with waits, from wherever it is tried', async () => {
    const statuses: number[] = [];
    for (let tries = 0; tries < 14; tries++) statuses.push((await look(newCode())).status);
    expect(statuses).toEqual([...Array<number>(13).fill(404), 429]);
    const waiting = await look('3QPT-7K9M-XR2D-V6HB');
    expect([waiting.status, waiting.body.code]).toEqual([429, 'too-many-tries']);
    expect(Number(waiting.headers['retry-after'])).toBeGreaterThan(0);
    // Two hundred at once are two hundred, too.
    await world.db('login_tries').delete();
    const many = await Promise.all(Array.from({ length: 60 }, () => look(newCode())));
    expect(many.filter(({ status }) => status === 404).length).toBeLessThanOrEqual(13);
  });
});

describe('the address', () => {
  it('is confirmed by one tap, and by a second one, too', async () => {
    const agent = world.nobody;
    const body = person({ code: await code() });
    await come(body, agent).expect(201);
    const token = await secretIn(body.email, /^Confirm your address/);
    for (const tap of [1, 2])
      expect({ tap, ...(await confirm(token).expect(200)).body }).toEqual({
        tap,
        outcome: 'confirmed',
        email: body.email,
      });
    expect((await agent.get(householdRoutes.me.path)).body.confirmed).toBe(true);
  });

  it.each([
    ['made up', async () => 'x'.repeat(43)],
    [
      'a week and a day old',
      async () => {
        const body = person({ code: await code() });
        await come(body).expect(201);
        const token = await secretIn(body.email, /^Confirm/);
        await world
          .db('address_proofs')
          .where({ address: body.email })
          .update({ expires_at: new Date(0) });
        return token;
      },
    ],
  ])('is not confirmed by what is %s', async (_name, make) => {
    const answer = await confirm(await make());
    expect([answer.status, answer.body.code]).toEqual([410, 'link-over']);
  });
});

describe('who comes without a code', () => {
  const later = (body: object) => world.nobody.post(doorRoutes.later.path).send(body);
  const own = ({ name, email, password: chosen, language }: ReturnType<typeof person>) => ({
    ...{ name, email, password: chosen, language },
  });

  it('has an account once the address is confirmed, and not before', async () => {
    const body = own(person());
    await later(body).expect(202);
    expect(await world.db('guardians').where({ email: body.email })).toEqual([]);
    const token = await secretIn(body.email, /^Finish setting up/);
    for (const tap of [1, 2])
      expect({ tap, ...(await confirm(token).expect(200)).body }).toEqual({
        tap,
        outcome: 'arrived',
        email: body.email,
      });
    expect(await world.db('guardians').where({ email: body.email })).toHaveLength(1);
    const agent = world.nobody;
    await agent.post(householdRoutes.signIn.path).send({ email: body.email, password: good }).expect(200);
    await agent
      .post(householdRoutes.link.path)
      .send({ code: await code() })
      .expect(201);
  });

  it('is told nothing of an address that has an account; its owner is', async () => {
    const answers = [await later(own(person({ email: 'maren@test.example' }))), await later(own(person()))];
    expect(answers.map(({ status, text }) => [status, text])).toEqual([
      [202, ''],
      [202, ''],
    ]);
    expect(await world.mailTo('maren@test.example', /^You already have/)).toBeDefined();
    await world.signedIn('maren');
  });
});

describe('a forgotten password', () => {
  const forgotten = (email: string) => world.nobody.post(doorRoutes.forgotten.path).send({ email });
  const renew = (token: string, next: string) =>
    world.nobody.post(doorRoutes.newPassword.path).send({ token, password: next });

  it('is set anew by mail, once, and every session ends', async () => {
    const body = person({ code: await code() });
    const agent = world.nobody;
    await come(body, agent).expect(201);
    await confirm(await secretIn(body.email, /^Confirm/)).expect(200);
    await forgotten(body.email.toUpperCase()).expect(202);
    const token = await secretIn(body.email, /^Set a new password/);
    const weak = await renew(token, 'password1');
    expect([weak.status, weak.body.code]).toEqual([422, 'weak-password']);
    const next = 'eleven quiet oars at dawn';
    const both = await Promise.all([renew(token, next), renew(token, 'eleven quiet oars at dusk')]);
    expect(both.map(({ status }) => status).sort()).toEqual([204, 410]);
    await agent.get(householdRoutes.me.path).expect(401);
    const sign = (text: string) =>
      world.nobody.post(householdRoutes.signIn.path).send({ email: body.email, password: text });
    expect((await sign(good)).status).toBe(401);
    const works: number[] = [];
    for (const text of [next, 'eleven quiet oars at dusk']) {
      // Which of the two was first is chance; that the other fails must not keep this one out.
      await world.db('login_tries').delete();
      works.push((await sign(text)).status);
    }
    expect(works.sort()).toEqual([200, 401]);
    expect((await world.mailsTo(body.email)).map(({ subject }) => subject)).toContain(
      'Your Cadro password was changed',
    );
  });

  it('answers alike for every address, and writes to none that is not confirmed', async () => {
    const body = person({ code: await code() });
    await come(body).expect(201);
    const answers = await Promise.all(
      [body.email, 'nobody@test.example', 'maren@test.example'].map((email) => forgotten(email)),
    );
    expect(new Set(answers.map(({ status, text }) => `${status} ${text}`))).toEqual(new Set(['202 ']));
    expect(await world.mailsTo('nobody@test.example')).toEqual([]);
    expect((await world.mailsTo(body.email)).map(({ subject }) => subject)).toEqual([
      'Confirm your address for Cadro',
      'Confirm your address for Cadro',
    ]);
  });

  it('is over after half an hour', async () => {
    await forgotten('maren@test.example').expect(202);
    const token = await secretIn('maren@test.example', /^Set a new password/);
    const now = await world.clock.now();
    await world.moveTo(new Date(now.getTime() + 31 * 60_000).toISOString());
    const answer = await renew(token, 'eleven quiet oars at dawn');
    await world.moveTo(now.toISOString());
    expect([answer.status, answer.body.code]).toEqual([410, 'link-over']);
  });

  it('is asked for so often and no oftener, of one address', async () => {
    const statuses: number[] = [];
    for (let asked = 0; asked < 5; asked++) statuses.push((await forgotten('left@test.example')).status);
    expect(statuses).toEqual([202, 202, 202, 202, 429]);
  });
});

it('keeps no password, code or secret of a mail in a table', async () => {
  const body = person({ code: await code() });
  await come(body).expect(201);
  const token = await secretIn(body.email, /^Confirm/);
  for (const table of ['guardians', 'invitations', 'account_mails', 'address_proofs', 'arrivals']) {
    const rows = JSON.stringify(await world.db(table));
    for (const secret of [good, password, token, String((body as { code?: string }).code)])
      expect(rows).not.toContain(secret);
  }
});
