import { householdRoutes, onFileRoutes, type OnFile } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../../testing/world';
import { giveCodes } from '../codes/classCodes';
import { restrict } from '../people/restricting';
import { followSchool } from './named';

const hooks = { onRestricted: async () => undefined };
let world: World;
let studentId: string;
let maren: Agent;
let tobiah: Agent;
beforeAll(async () => {
  world = await World.read();
  studentId = world.student('caspian');
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('apart', [{ name: 'tobiah', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
  tobiah = await world.signedIn('tobiah');
  for (const name of ['maren', 'tobiah'])
    await world
      .db('guardians')
      .where({ email: `${name}@test.example` })
      .update({ email: `${name}@aldervane.example` });
});
afterAll(() => world.stop());

const fileFor = async (agent: Agent): Promise<OnFile> =>
  (await agent.get(onFileRoutes.read.path.replace(':studentId', studentId)).expect(200)).body as OnFile;
const reached = ({ people }: OnFile): string[] =>
  people.flatMap(({ name, reach }) => (reach ? [`${name} ${reach.phone}`] : []));

it('shows what the school has of the child and of the own household, and of others that they are named', async () => {
  const file = await fileFor(maren);
  expect(file).toMatchObject({
    schoolName: 'Millrace Middle School',
    child: { name: 'Caspian Aldervane', birthDate: '2013-05-19', address: '4 Tideway Steps, Sorrel Quay' },
    office: { contactable: true },
  });
  expect(file.people.map(({ name, relation }) => [name, relation])).toEqual([
    ['Maren Aldervane', 'parent'],
    ['Ottoline Aldervane', 'relative'],
    ['Tobiah Aldervane', 'guardian'],
  ]);
  expect(reached(file)).toEqual(['Maren Aldervane +1 555 010 0200']);
  expect(JSON.stringify(file)).not.toContain('0177');
});

it('shows each household its own, and a child those of its own', async () => {
  expect(reached(await fileFor(tobiah))).toEqual(['Tobiah Aldervane +1 555 010 0177']);
  const child = await world.signedIn('caspian');
  expect(reached(await fileFor(child))).toEqual(['Maren Aldervane +1 555 010 0200']);
});

it('knows nobody by an address that is not confirmed', async () => {
  const own = world.db('guardians').where({ email: 'maren@aldervane.example' });
  await own.clone().update({ confirmed_at: null });
  expect(reached(await fileFor(maren))).toEqual([]);
  await own.clone().update({ confirmed_at: new Date(0) });
});

it('is nothing to whom the school holds it back from', async () => {
  const row = { studentId, what: 'contacts' as const, courseId: null, personId: null };
  await restrict(world, row, { onRestricted: async () => undefined });
  expect(await fileFor(maren)).toMatchObject({ child: null, people: [] });
  // From everybody but the child.
  expect((await fileFor(await world.signedIn('caspian'))).child).not.toBeNull();
  await world.db('restrictions').delete();
});

describe('whom the school names', () => {
  const sourceId = () =>
    world
      .db('student_profiles')
      .where({ student_id: studentId })
      .first<{ source_id: string }>('source_id')
      .then(({ source_id }) => source_id);
  const links = (): Promise<string[]> =>
    world
      .db('guardian_links as l')
      .join('guardians as g', 'g.id', 'l.guardian_id')
      .where({ 'l.student_id': studentId })
      .whereNull('l.ended_at')
      .orderBy('g.email')
      .pluck('g.email');
  const names = (...agents: string[]) =>
    world
      .db('child_files')
      .where({ student_id: studentId })
      .update({ agents: JSON.stringify(agents) });

  it('stays as long as it is named; who was never named stays, too', async () => {
    const before = await links();
    await followSchool(world, await sourceId(), hooks);
    await names('agent-maren', 'agent-tobiah');
    await followSchool(world, await sourceId(), hooks);
    expect(await links()).toEqual(before);
  });

  it('loses the link when it is named no longer, from the next request on, and comes back by the school alone', async () => {
    const file = onFileRoutes.read.path.replace(':studentId', studentId);
    await followSchool(world, await sourceId(), hooks);
    await names('agent-tobiah');
    await followSchool(world, await sourceId(), hooks);
    await maren.get(file).expect(404);
    expect(await links()).not.toContain('maren@aldervane.example');
    expect(await links()).toContain('tobiah@aldervane.example');
    // Named again, one is not let in by that: the school gives out a code.
    await names('agent-maren', 'agent-tobiah');
    await followSchool(world, await sourceId(), hooks);
    await maren.get(file).expect(404);
    // By its code one is back, and stays, also while its list still does not name one.
    await names('agent-tobiah');
    const giving = { issuer: 'school', role: 'guardian', days: 9, now: await world.clock.now() } as const;
    const [given] = await giveCodes(world.db, { studentIds: [studentId] }, giving);
    await maren.post(householdRoutes.link.path).send({ code: given?.code }).expect(201);
    await followSchool(world, await sourceId(), hooks);
    await maren.get(file).expect(200);
  });

  it('ends nothing where the school says nothing of whom it names', async () => {
    const before = await links();
    await world.db('child_files').where({ student_id: studentId }).update({ agents: null });
    await followSchool(world, await sourceId(), hooks);
    expect(await links()).toEqual(before);
  });
});

describe('what the school’s feed holds back', () => {
  const tell = async (...rows: { what: string; agent?: string; course_id?: string }[]) => {
    const { source_id } = await world
      .db('student_profiles')
      .where({ student_id: studentId })
      .first<{ source_id: string }>('source_id');
    await world.db('told_restrictions').delete();
    for (const [index, row] of rows.entries())
      await world
        .db('told_restrictions')
        .insert({ source_id, external_id: `r${index}`, student_id: studentId, ...row });
    await followSchool(world, source_id, hooks);
  };
  const held = async () =>
    (
      await world
        .db('restrictions as r')
        .leftJoin('guardians as g', 'g.id', 'r.guardian_id')
        .orderBy(['r.what', { column: 'r.source_id', order: 'asc', nulls: 'first' }])
        .select<{ what: string; email: string | null; source_id: string | null }[]>(
          'r.what',
          'g.email',
          'r.source_id',
        )
    ).map(({ what, email, source_id }) => [what, email, source_id !== null]);

  it('is held back from who is meant, and no longer when it says so; what the operator said stays', async () => {
    const own = { studentId, what: 'contacts' as const, courseId: null, personId: null };
    await restrict(world, own, hooks);
    await tell({ what: 'comments', agent: 'agent-tobiah' }, { what: 'attendance' }, { what: 'contacts' });
    expect(await held()).toEqual([
      ['attendance', null, true],
      ['comments', 'tobiah@aldervane.example', true],
      ['contacts', null, false],
      ['contacts', null, true],
    ]);
    await tell({ what: 'attendance' });
    expect(await held()).toEqual([
      ['attendance', null, true],
      ['contacts', null, false],
    ]);
    await tell();
    expect(await held()).toEqual([['contacts', null, false]]);
  });

  it('is held back from whom it does not name, where nobody here is the one; and nothing of a course it does not name', async () => {
    await world.db('restrictions').delete();
    await tell({ what: 'comments', agent: 'agent-nobody' }, { what: 'course' });
    expect(await held()).toEqual([['comments', 'maren@aldervane.example', true]]);
    const courseId = await world.courseId('boats', 'millrace');
    await tell({ what: 'course', course_id: courseId, agent: 'agent-tobiah' });
    expect(await held()).toEqual([['course', 'tobiah@aldervane.example', true]]);
  });
});
