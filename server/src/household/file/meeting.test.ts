import { doorRoutes, keepingRoutes, onFileRoutes, peopleRoutes, type Role } from '@cadro/contract';
import type { Agent } from 'supertest';
import { hashCode, newCode } from '../../kit';
import { addInvitation } from '../door/invitationStore';
import { World } from '../../testing/world';
import { linksFor } from '../people/bySchool';
import { restrict } from '../people/restricting';
import { followSchool, nameAs } from './named';

/* What a school's feed holds back from one person whom it names holds from the moment on in which that person comes. */
const hooks = { onRestricted: async () => undefined };
const password = 'lantern wicks for thirty herons';
let world: World;
let studentId: string;
let said: object;
beforeEach(async () => {
  world = await World.read();
  studentId = world.student('caspian');
  const child = await world
    .db('student_profiles')
    .where({ student_id: studentId })
    .first<{ source_id: string }>('source_id');
  said = {
    ...{ source_id: child.source_id, external_id: 'r1', student_id: studentId },
    ...{ what: 'attendance', agent: 'agent-tobiah' },
  };
  await world.db('told_restrictions').insert(said);
  await followSchool(world, child.source_id, hooks);
});
afterEach(() => world.stop());

async function code(): Promise<string> {
  const fresh = newCode();
  const now = await world.clock.now();
  await addInvitation(world.db, {
    ...{ codeHash: hashCode(fresh), issuer: 'school', role: 'guardian', invitedBy: null, householdId: null },
    ...{ email: null, studentIds: [studentId], now, expiresAt: new Date(now.getTime() + 86_400_000) },
  });
  return fresh;
}
async function comes(email: string, how?: string): Promise<Agent> {
  const agent = world.nobody;
  const person = { name: email.split('@')[0], email, password, language: 'en', keep: false };
  await agent
    .post(doorRoutes.come.path)
    .send({ ...person, code: how ?? (await code()) })
    .expect(201);
  return agent;
}
async function confirms(email: string): Promise<void> {
  const mail = await world.mailTo(email, /^Confirm your address/);
  const token = /#([\w-]{20,})/.exec(mail?.text ?? '')?.[1];
  await world.nobody.post(doorRoutes.confirm.path).send({ token }).expect(200);
}
const invites = async (agent: Agent, role: Role): Promise<string> => {
  const body = { studentIds: [studentId], role, email: null, together: true };
  return (await agent.post(peopleRoutes.invite.path).send(body).expect(201)).body.code as string;
};
const byMail = async (email: string): Promise<string> =>
  ((await world.db('guardians').where({ email }).first<{ id: string }>('id')) ?? { id: '' }).id;
/** Whether somebody sees the days on which the child was away. */
const reads = async (agent: Agent): Promise<boolean> =>
  (await agent.get(`/api/students/${studentId}/attendance.csv`).expect(200)).text.split('\r\n').length > 3;
const maren = 'maren@aldervane.example';
const tobiah = 'tobiah@aldervane.example';

it('holds until it is known that one is not the one, and from whom it is from their first page on', async () => {
  const mother = await comes(maren);
  // Nobody here is known to be the one the school means: it may be her.
  expect(await reads(mother)).toBe(false);
  await confirms(maren);
  expect(await reads(mother)).toBe(true);
  const father = await comes(tobiah);
  expect(await reads(father)).toBe(false);
  await confirms(tobiah);
  expect(await reads(father)).toBe(false);
  expect(await reads(mother)).toBe(true);
});

it('holds no longer from the others once the one it means has come', async () => {
  const other = await comes('rosamund@test.example');
  await confirms('rosamund@test.example');
  expect(await reads(other)).toBe(false);
  await comes(tobiah);
  await confirms(tobiah);
  expect(await reads(other)).toBe(true);
});

it('holds from whom they let in, whatever they let them in as', async () => {
  const father = await comes(tobiah);
  await confirms(tobiah);
  const looks = await comes('friend@test.example', await invites(father, 'look-only'));
  const guards = await comes('second@test.example', await invites(father, 'guardian'));
  const further = await comes('third@test.example', await invites(guards, 'look-only'));
  for (const agent of [looks, guards, further]) expect(await reads(agent)).toBe(false);
  // The other parent, let in by the first: the school names her itself.
  const mother = await comes(maren, await invites(father, 'guardian'));
  expect(await reads(mother)).toBe(false);
  await confirms(maren);
  expect(await reads(mother)).toBe(true);
});

it('holds not from whom they had let in before', async () => {
  await world.db('told_restrictions').delete();
  const father = await comes(tobiah);
  await confirms(tobiah);
  const before = await comes('before@test.example', await invites(father, 'guardian'));
  await world.moveTo('2026-10-22T18:00:00Z');
  const row = { studentId, what: 'attendance', courseId: null, personId: await byMail(tobiah) } as const;
  await restrict(world, row, hooks);
  const after = await comes('after@test.example', await invites(father, 'look-only'));
  expect([await reads(father), await reads(before), await reads(after)]).toEqual([false, true, false]);
  const links = await linksFor(world.db, [{ studentId, givenName: 'Caspian' }]);
  expect(links.filter(({ withheld }) => withheld.includes('attendance')).map(({ person }) => person)).toEqual(
    ['tobiah', 'after'],
  );
});

it('is told whom the school does not know by their address, and ends with a word of the operator', async () => {
  const mother = await comes('elsewhere@test.example');
  await confirms('elsewhere@test.example');
  const file = async () =>
    (await mother.get(onFileRoutes.read.path.replace(':studentId', studentId)).expect(200)).body as {
      known: boolean;
    };
  expect((await file()).known).toBe(false);
  const link = { studentId, personId: await byMail('elsewhere@test.example') };
  await expect(nameAs(world, { ...link, agent: 'agent-nobody' }, hooks)).rejects.toThrow('nothing here');
  expect(await nameAs(world, { ...link, personId: studentId, agent: 'agent-maren' }, hooks)).toBe(false);
  expect(await nameAs(world, { ...link, agent: 'agent-maren' }, hooks)).toBe(true);
  expect(await reads(mother)).toBe(true);
  expect((await file()).known).toBe(true);
  expect(await nameAs(world, { ...link, agent: 'agent-tobiah' }, hooks)).toBe(true);
  expect(await reads(mother)).toBe(false);
});

it('holds when an address is changed to the one the school has', async () => {
  await world.db('told_restrictions').delete();
  const other = await comes('new@test.example');
  await confirms('new@test.example');
  expect(await reads(other)).toBe(true);
  await world.db('told_restrictions').insert(said);
  await other.post(keepingRoutes.address.path).send({ email: tobiah, password }).expect(202);
  for (const to of ['new@test.example', tobiah]) {
    const mail = await world.mailTo(to, /address/);
    const token = /#([\w-]{20,})/.exec(mail?.text ?? '')?.[1];
    await world.nobody.post(doorRoutes.confirm.path).send({ token }).expect(200);
  }
  expect(await reads(other)).toBe(false);
  const link = { student_id: studentId, named_as: 'agent-tobiah' };
  expect(await world.db('guardian_links').where(link)).toHaveLength(1);
});
