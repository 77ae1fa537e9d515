import {
  doorRoutes,
  gradebookRoutes,
  householdRoutes,
  peopleRoutes,
  type Me,
  type People,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../../testing/world';
import { giveCodes } from '../codes/classCodes';
import { endLinkBySchool } from './bySchool';
import { restoreLink } from './peopleStore';

/* Who sees a child: by whose invitation, as what, and how it ends. Two households of one child share its record alone. */
let world: World;
let maren: Agent;
let far: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
    { name: 'kid', role: 'student', children: ['caspian'] },
  ]);
  await world.household('far', [{ name: 'far', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
  far = await world.signedIn('far');
});
afterAll(() => world.stop());
beforeEach(() => world.db('login_tries').delete());

const people = async (agent: Agent): Promise<People> =>
  (await agent.get(peopleRoutes.people.path).expect(200)).body;
const ofCaspian = async (agent: Agent) => {
  const child = (await people(agent)).children.find(({ givenName }) => givenName === 'Caspian');
  if (!child) throw new Error('Caspian is not there');
  return child;
};
const named = async (agent: Agent) =>
  (await ofCaspian(agent)).people.map(({ name, role, you, ours }) => [name, role, you, ours]);
const invite = (agent: Agent, body: object = {}) =>
  agent.post(peopleRoutes.invite.path).send({
    ...{ studentIds: [world.student('caspian')], role: 'guardian', email: null, together: true },
    ...body,
  });
const come = async (code: string, name: string): Promise<{ agent: Agent; me: Me }> => {
  const agent = world.nobody;
  const body = {
    ...{ code, name, email: `${name}@test.example`, password: 'lantern wicks for thirty herons' },
    ...{ language: 'en', keep: false },
  };
  return { agent, me: (await agent.post(doorRoutes.come.path).send(body).expect(201)).body as Me };
};
const at = (path: string, personId: string) =>
  path.replace(':studentId', world.student('caspian')).replace(':personId', personId);
const idOf = (name: string): Promise<string> => world.personId(name);
const sees = async (agent: Agent): Promise<number> => {
  const path = gradebookRoutes.course.path.replace(':studentId', world.student('caspian'));
  return (await agent.get(path.replace(':courseId', await world.courseId('boats', 'millrace')))).status;
};

describe('who sees a child', () => {
  it('is told to its guardians: the own household by name, another only that it is there', async () => {
    expect(await named(maren)).toEqual([
      ['kid', 'student', false, true],
      ['maren', 'guardian', true, true],
      ['ottoline', 'look-only', false, true],
      ['tobiah', 'guardian', false, true],
      [null, 'guardian', false, false],
    ]);
    await far.patch(peopleRoutes.showItself.path).send({ showsItself: true }).expect(204);
    expect((await named(maren)).at(-1)).toEqual(['far', 'guardian', false, false]);
    await far.patch(peopleRoutes.showItself.path).send({ showsItself: false }).expect(204);
  });

  it.each(['ottoline', 'kid'])('beside the own household is not told to %s', async (name) => {
    const seen = await named(await world.signedIn(name));
    expect(seen.map(([who]) => who).sort()).toEqual(['kid', 'maren', 'ottoline', 'tobiah']);
  });
});

describe('an invitation', () => {
  it('brings a guardian in, who writes in the same household, and all are told', async () => {
    const { body } = await invite(maren, { email: 'nestor@test.example' }).expect(201);
    expect(body.address).toBe(`${world.config.publicUrl}/new#${body.code as string}`);
    const [mail] = await world.mailsTo('nestor@test.example');
    expect(mail?.text).toContain(body.code);
    expect((await ofCaspian(maren)).invitations).toMatchObject([
      { email: 'nestor@test.example', role: 'guardian' },
    ]);
    const { agent, me } = await come(body.code as string, 'nestor');
    expect(me.children.map(({ role }) => role)).toEqual(['guardian']);
    expect((await named(agent)).filter(([, , , ours]) => ours)).toHaveLength(5);
    const notice = (await people(far)).notices[0];
    expect(notice).toMatchObject({ kind: 'link-made', name: null, role: 'guardian', read: false });
    expect((await people(maren)).notices[0]).toMatchObject({ name: 'nestor' });
    await maren.post(peopleRoutes.noticesRead.path).expect(204);
    expect((await people(maren)).notices.every(({ read }) => read)).toBe(true);
    const told = await world.mailTo('far@test.example', /^Someone new/);
    expect(told?.text).toContain(
      'Someone outside your household can see Caspian’s schoolwork now, as a guardian.',
    );
    expect((await world.mailTo('maren@test.example', /^Someone new/))?.text).toContain(
      'nestor can see Caspian’s',
    );
  });

  it('to a household of their own shares the record and nothing else', async () => {
    const { body } = await invite(maren, { together: false }).expect(201);
    const { agent } = await come(body.code as string, 'apart');
    expect((await named(agent)).filter(([, , , ours]) => ours)).toHaveLength(1);
    expect(await sees(agent)).toBe(200);
  });

  it('that went to one address twice lets in once', async () => {
    const to = { email: 'twice@test.example' };
    const codes = [await invite(maren, to).expect(201), await invite(maren, to).expect(201)].map(
      ({ body }) => body.code as string,
    );
    const { agent } = await come(codes[0] ?? '', 'twice');
    const link = (code: string) => agent.post(householdRoutes.link.path).send({ code });
    const answers = [await link(codes[1] ?? ''), await link(codes[0] ?? '')];
    expect(answers.map(({ body }) => body.code)).toEqual(['already-linked', 'code-used']);
    expect((await ofCaspian(agent)).people.filter(({ name }) => name === 'twice')).toHaveLength(1);
    // It stays with who gave it out, who can take it back.
    const left = (await ofCaspian(maren)).invitations.filter(({ email }) => email === to.email);
    expect(left).toHaveLength(1);
    const path = peopleRoutes.withdraw.path.replace(':invitationId', left[0]?.id ?? '');
    await maren.delete(path).expect(204);
  });

  it('keeps its days by the clock, whichever way that jumps', async () => {
    const now = await world.clock.now();
    const { body } = await invite(maren).expect(201);
    const look = async () =>
      (await world.nobody.post(doorRoutes.look.path).send({ code: body.code as string })).status;
    const days = async (count: number) => {
      await world.moveTo(new Date(now.getTime() + count * 24 * 3_600_000).toISOString());
      return look();
    };
    expect([await days(13), await days(15), await days(-3), await days(0)]).toEqual([200, 410, 200, 200]);
  });

  it('that is taken back, or whose inviter has left, opens nothing', async () => {
    const { body } = await invite(maren).expect(201);
    const tobiah = await world.signedIn('tobiah');
    // The guardians of a household share what they have given out; another household has no part in it.
    const withdraw = (agent: Agent, id: string) =>
      agent.delete(peopleRoutes.withdraw.path.replace(':invitationId', id));
    await withdraw(far, body.id as string).expect(404);
    await withdraw(tobiah, body.id as string).expect(204);
    await withdraw(tobiah, body.id as string).expect(404);
    const look = (code: string) => world.nobody.post(doorRoutes.look.path).send({ code });
    expect((await look(body.code as string)).body.code).toBe('code-unknown');
    const leaving = await come((await invite(maren).expect(201)).body.code as string, 'leaving');
    const left = (await invite(leaving.agent).expect(201)).body.code as string;
    await leaving.agent.delete(at(peopleRoutes.end.path, leaving.me.id)).expect(204);
    expect((await look(left)).body.code).toBe('code-expired');
  });

  it.each<[string, string, object, number]>([
    ['by who may only look', 'ottoline', {}, 403],
    ['by a child, to look', 'kid', { role: 'look-only' }, 403],
    ['to a child that is not theirs', 'tobiah', { studentIds: ['isolde'] }, 404],
    ['of one account for two children', 'maren', { role: 'student', studentIds: ['caspian', 'isolde'] }, 400],
    ['as nobody there is', 'maren', { role: 'owner' }, 400],
    ['to an address that is none', 'maren', { email: 'nowhere' }, 400],
  ])('is refused %s', async (_name, who, change, status) => {
    const { studentIds, ...rest } = { studentIds: ['caspian'], ...change };
    const body = { ...rest, studentIds: studentIds.map((id) => world.student(id)) };
    await invite(await world.signedIn(who), body).expect(status);
  });

  it('by the child itself is a code of one day, for a guardian', async () => {
    const kid = await world.signedIn('kid');
    const { body } = await invite(kid).expect(201);
    const now = await world.clock.now();
    expect(Date.parse(body.expiresAt as string) - now.getTime()).toBe(86_400_000);
    const preview = (await world.nobody.post(doorRoutes.look.path).send({ code: body.code })).body;
    expect(preview).toMatchObject({ issuer: 'child', role: 'guardian', invitedBy: 'kid' });
  });
});

describe('a link', () => {
  const end = (agent: Agent, id: string) => agent.delete(at(peopleRoutes.end.path, id));
  const role = (agent: Agent, id: string, to: string) =>
    agent.patch(at(peopleRoutes.changeRole.path, id)).send({ role: to });
  const object = (agent: Agent, id: string) => agent.post(at(peopleRoutes.object.path, id));

  it('of who was invited is changed by the household that invited, and by no other', async () => {
    const { agent, me } = await come((await invite(maren).expect(201)).body.code as string, 'wren');
    await role(far, me.id, 'look-only').expect(403);
    await role(maren, await idOf('tobiah'), 'look-only').expect(403);
    await role(maren, me.id, 'look-only').expect(204);
    expect(((await agent.get(householdRoutes.me.path)).body as Me).children[0]?.role).toBe('look-only');
    await role(agent, await idOf('maren'), 'look-only').expect(403);
    await end(maren, me.id).expect(204);
    expect(await sees(agent)).toBe(404);
  });

  it.each([
    ['a guardian whom the school let in', 'maren', 'tobiah', 403],
    ['somebody of another household', 'far', 'maren', 403],
    ['a guardian, by who may only look', 'ottoline', 'maren', 403],
    ['a guardian, by the child', 'kid', 'maren', 403],
    ['the child’s own, by the child', 'kid', 'kid', 403],
    ['somebody of another household, by who may only look', 'ottoline', 'far', 404],
  ])('of %s stays', async (_name, who, whose, status) => {
    await end(await world.signedIn(who), await idOf(whose)).expect(status);
  });

  it('that is objected to opens nothing until the school has answered, once', async () => {
    const { agent, me } = await come((await invite(far).expect(201)).body.code as string, 'newcomer');
    expect(await sees(agent)).toBe(200);
    await object(await world.signedIn('ottoline'), me.id).expect(404);
    await object(maren, me.id).expect(204);
    expect(await sees(agent)).toBe(404);
    expect((await people(far)).notices[0]).toMatchObject({ kind: 'suspended' });
    await object(far, me.id).expect(403);
    expect(await restoreLink(world.db, world.student('caspian'), me.id, await world.clock.now())).toBe(true);
    expect(await sees(agent)).toBe(200);
    await object(maren, me.id).expect(403);
  });

  it('that is on hold, or that the school has ended, no invitation leads around', async () => {
    const { agent, me } = await come((await invite(far).expect(201)).body.code as string, 'returning');
    const again = async (code: string) => agent.post(householdRoutes.link.path).send({ code });
    const invited = async () => (await invite(far).expect(201)).body.code as string;
    const schools = async () =>
      (
        await giveCodes(
          world.db,
          { studentIds: [world.student('caspian')] },
          { issuer: 'school', role: 'guardian', days: 2, now: await world.clock.now() },
        )
      )[0]?.code ?? '';
    await object(maren, me.id).expect(204);
    for (const code of [await invited(), await schools()])
      expect((await again(code)).body.code).toBe('link-on-hold');
    expect(await sees(agent)).toBe(404);
    expect(await endLinkBySchool(world, world.student('caspian'), me.id)).toBe(true);
    expect((await again(await invited())).body.code).toBe('link-on-hold');
    expect(await sees(agent)).toBe(404);
    expect((await again(await schools())).status).toBe(201);
    expect(await sees(agent)).toBe(200);
  });

  it('of a household’s last guardian takes those with it whom it let look', async () => {
    await world.household('third', [
      { name: 'last', children: ['caspian'] },
      { name: 'aunt', role: 'look-only', children: ['caspian'] },
    ]);
    const [last, aunt] = [await world.signedIn('last'), await world.signedIn('aunt')];
    await end(last, await idOf('last')).expect(204);
    expect([await sees(last), await sees(aunt)]).toEqual([404, 404]);
    expect(((await last.get(householdRoutes.me.path)).body as Me).children).toEqual([]);
    expect((await people(maren)).notices.filter(({ kind }) => kind === 'link-ended').length).toBeGreaterThan(
      1,
    );
  });
});
