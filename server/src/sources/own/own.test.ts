import { ownRoutes, type OwnRow, type OwnTaken } from '@cadro/contract';
import type { Agent } from 'supertest';
import { putLink } from '../../household';
import { addOwnChild, ownChild as child, ownRecordOf, putOwnCourse } from '../../testing/ownChild';
import { World } from '../../testing/world';
import { sweepOwnSources } from './ownStore';

/* A family whose school hands nothing over writes the record down itself; everything else works on it. */
let world: World;
let maren: Agent;
let wren: string;
beforeAll(async () => {
  world = await World.start();
  await world.household('here', [
    { name: 'maren', children: [] },
    { name: 'tobiah', children: [] },
  ]);
  await world.household('there', [{ name: 'stranger', children: [] }]);
  maren = await world.signedIn('maren');
  wren = await addOwnChild(maren);
});
afterAll(() => world.stop());

const at = (path: string, params: Record<string, string> = {}) =>
  path.replace(/:(\w+)/g, (_all, name: string) => ({ studentId: wren, ...params })[name] ?? name);
const record = () => ownRecordOf(maren, wren);

const course = (change: Parameters<typeof putOwnCourse>[2] = {}) => putOwnCourse(maren, wren, change);
const row = (change: Partial<OwnRow>): OwnRow => ({
  ...{ itemId: null, title: 'Quiz 1', dueOn: null, category: null, earned: null, possible: null },
  ...{ percent: null, letter: null, status: 'open', comment: null, ...change },
});
const put = async (courseId: string, rows: readonly OwnRow[], agent = maren): Promise<OwnTaken> =>
  (await agent.post(at(ownRoutes.putWork.path, { courseId })).send({ rows }).expect(200)).body;
async function seen(courseId: string) {
  const { body } = await maren.get(`/api/students/${wren}/courses/${courseId}`).expect(200);
  const { posted, ifLeft, ifMadeUp, looseEnds } = body.figures ?? {};
  return { posted, ifLeft, ifMadeUp, looseEnds: (looseEnds ?? []).map(({ kind }: { kind: string }) => kind) };
}

it('is a child like any other, and says that it is kept by hand', async () => {
  const { body } = await maren.get('/api/me').expect(200);
  expect(body.children).toEqual([
    {
      ...{ id: wren, givenName: 'Wren', familyName: 'Aldervane', year: '6', byHand: true, role: 'guardian' },
      ...{ schoolName: 'Skerry Cove School', timeZone: 'America/Halifax' },
    },
  ]);
  const { body: sources } = await maren.get('/api/sources').expect(200);
  expect(sources.sources).toMatchObject([
    { name: 'Skerry Cove School', kind: 'own', studentIds: [wren], problems: [], failingSince: null },
  ]);
});

it('has true figures as soon as its work is written down', async () => {
  const courseId = await course();
  const taken = await put(courseId, [
    row({ title: 'Quiz 1', dueOn: '2026-10-09', earned: 17, possible: 20, status: 'scored' }),
    row({ title: 'Worksheet 4', dueOn: '2026-10-14', possible: 10, status: 'missing' }),
    row({ title: 'Quiz 2', dueOn: '2026-10-30', possible: 20 }),
  ]);
  expect(taken).toMatchObject({ added: 3, changed: 0, same: 0, guessed: 0, shareless: [] });
  // 17 of 30 earned; the missing one would do as well as the other.
  expect(await seen(courseId)).toEqual({
    ...{ posted: 56.666666666666664, ifLeft: 56.666666666666664, ifMadeUp: 85 },
    looseEnds: ['missing'],
  });
  const { body: work } = await maren.get('/api/work').expect(200);
  expect(JSON.stringify(work)).toContain('Quiz 2');
});

it('takes the same rows again without a double, and a changed score as a change of its day', async () => {
  const courseId = await course({ title: 'Tides' });
  const first = [
    row({ title: 'Tide log', dueOn: '2026-10-09', earned: 8, possible: 10, status: 'scored' }),
    row({ title: 'Harbour map', dueOn: '2026-10-12', earned: 9, possible: 10, status: 'scored' }),
  ];
  await put(courseId, first);
  expect(await put(courseId, first)).toMatchObject({ added: 0, changed: 0, same: 2 });
  const better = [row({ ...first[0], title: 'TIDE  LOG', earned: 10 })];
  expect(await put(courseId, better)).toMatchObject({ added: 0, changed: 1, same: 0 });
  const results = await world
    .db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .where({ 'i.course_id': courseId, 'i.title': 'TIDE  LOG' })
    .orderBy('r.at')
    .select('r.earned', 'r.at');
  expect(results).toEqual([
    // The score was there when the day was over; the better one is of today.
    { earned: 8, at: new Date('2026-10-10T02:59:00Z') },
    { earned: 10, at: new Date('2026-10-21T19:40:00Z') },
  ]);
  expect((await seen(courseId)).posted).toBe(95);
});

it('asks for the share of a category that has come with a table, and counts it from then on', async () => {
  const categories = [
    { id: null, title: 'Quizzes', weight: 60 },
    { id: null, title: 'Homework', weight: 40 },
  ];
  const courseId = await course({ title: 'Spanish', adds: 'weighted', categories });
  const taken = await put(courseId, [
    row({ title: 'Verbs', category: 'quizzes', earned: 6, possible: 10, status: 'scored' }),
    row({ title: 'Page 12', category: 'Homework', earned: 10, possible: 10, status: 'scored' }),
    row({ title: 'Poster', category: 'Projects', earned: 5, possible: 10, status: 'scored' }),
  ]);
  expect(taken.shareless).toEqual(['Projects']);
  expect((await seen(courseId)).posted).toBeCloseTo(76, 9);
  const kept = (await record()).courses.find(({ id }) => id === courseId);
  const shares = (kept?.categories ?? []).map(({ id, title, weight }) => ({
    ...{ id, title, weight: title === 'Projects' ? 100 : weight },
  }));
  await course({ id: courseId, title: 'Spanish', adds: 'weighted', categories: shares });
  expect((await seen(courseId)).posted).toBeCloseTo((76 * 100 + 50 * 100) / 200, 9);
});

it('fills in what is not stated, and says so', async () => {
  const courseId = await course({ title: 'Art' });
  const taken = await put(courseId, [
    row({ title: 'Collage', earned: 18, possible: 20, status: 'scored' }),
    row({ title: 'Sketch', percent: 85, status: 'scored' }),
    row({ title: 'Clay', letter: 'B+', status: 'scored', comment: 'Careful work' }),
    row({ title: 'Mural' }),
  ]);
  expect(taken).toMatchObject({ added: 4, guessed: 2, lettered: 1 });
  const kept = (await record()).courses.find(({ id }) => id === courseId)?.items;
  expect(
    kept?.map(({ title, earned, possible, status, comment }) => [title, earned, possible, status, comment]),
  ).toEqual([
    ['Clay', null, 20, 'handed-in', 'B+. Careful work'],
    ['Collage', 18, 20, 'scored', null],
    ['Mural', null, 20, 'open', null],
    ['Sketch', 85, 100, 'scored', null],
  ]);
});

it('takes away what was written by mistake, and brings it back as it was', async () => {
  const courseId = await course({ title: 'Music' });
  const [scale, song] = [
    row({ title: 'Scale', earned: 5, possible: 10, status: 'scored' }),
    row({ title: 'Song', earned: 10, possible: 10, status: 'scored' }),
  ];
  const { itemIds } = await put(courseId, [scale, song]);
  const itemId = itemIds[0] ?? '';
  await maren.delete(at(ownRoutes.dropWork.path, { courseId, itemId })).expect(204);
  expect((await seen(courseId)).posted).toBe(100);
  await put(courseId, [{ ...scale, itemId }]);
  expect((await seen(courseId)).posted).toBe(75);
  await maren.delete(at(ownRoutes.dropCourse.path, { courseId })).expect(204);
  expect((await record()).courses.some(({ id }) => id === courseId)).toBe(false);
  await maren.get(`/api/students/${wren}/courses/${courseId}`).expect(404);
  await course({ id: courseId, title: 'Music' });
  expect((await seen(courseId)).posted).toBe(75);
});

it('changes a course’s term and who the child is', async () => {
  const { body } = await maren
    .post(at(ownRoutes.putTerm.path))
    .send({ id: null, title: 'Spring', startsOn: '2027-01-11', endsOn: '2027-06-11' })
    .expect(200);
  const courseId = await course({ title: 'Drama', termId: body.termId });
  await maren
    .patch(at(ownRoutes.changeChild.path))
    .send({ ...child, term: undefined, givenName: 'Wrenna', schoolName: 'Skerry Cove Academy' })
    .expect(204);
  const kept = await record();
  expect(kept).toMatchObject({ givenName: 'Wrenna', schoolName: 'Skerry Cove Academy' });
  expect(kept.terms.map(({ title }) => title)).toEqual(['Fall', 'Spring']);
  expect(kept.courses.find(({ id }) => id === courseId)?.termId).toBe(body.termId);
});

describe('bad input', () => {
  it.each([
    ['a zone that is none', { ...child, timeZone: 'Atlantis/Deep' }],
    ['a term that ends before it starts', { ...child, term: { ...child.term, endsOn: '2026-08-01' } }],
    ['a name of blanks', { ...child, givenName: '   ' }],
    ['a date off every calendar', { ...child, term: { ...child.term, startsOn: '0000-00-00' } }],
    ['more than is asked for', { ...child, role: 'operator' }],
  ])('%s adds no child', async (_what, body) => {
    await maren.post('/api/own/children').send(body).expect(400);
    expect((await maren.get('/api/me')).body.children).toHaveLength(1);
  });
  it.each([
    ['an assignment that is not of this course', { itemId: '00000000-0000-4000-8000-000000000000' }, 404],
    ['points below nothing', { possible: -1 }, 400],
    ['a score without end', { earned: 1e15 }, 400],
    ['a status that is none', { status: 'lost' as never }, 400],
    ['a title that is a NUL', { title: 'a\u0000b' }, 400],
  ])('%s is refused, and nothing is written', async (_what, change, status) => {
    const courseId = await course({ title: 'Refusals' });
    const rows = [row({ title: 'Fine', possible: 1 }), row(change)];
    await maren.post(at(ownRoutes.putWork.path, { courseId })).send({ rows }).expect(status);
    expect((await record()).courses.find(({ id }) => id === courseId)?.items).toEqual([]);
  });
});

describe('whose it is', () => {
  it('is nobody else’s: a stranger and an uninvited member of the household find no such child', async () => {
    for (const name of ['stranger', 'tobiah']) {
      const agent = await world.signedIn(name);
      await agent.get(at(ownRoutes.record.path)).expect(404);
      await agent.delete(at(ownRoutes.forgetChild.path)).expect(404);
    }
  });

  it('goes for good when its guardian says so', async () => {
    await maren.delete(at(ownRoutes.forgetChild.path)).expect(204);
    expect((await maren.get('/api/me')).body.children).toEqual([]);
    expect(await world.db('sources').where({ kind: 'own' })).toEqual([]);
    expect(await world.db('students').where({ id: wren })).toEqual([]);
  });

  it('goes with the last of its household, and not while somebody else sees the child', async () => {
    const { body: lark } = await maren
      .post('/api/own/children')
      .send({ ...child, givenName: 'Lark' })
      .expect(201);
    const link = {
      studentId: lark.id,
      guardianId: await world.personId('stranger'),
      role: 'look-only' as const,
    };
    await putLink(world.db, { ...link, now: await world.clock.now() });
    await world.db('guardians').whereIn('email', ['maren@test.example', 'tobiah@test.example']).delete();
    await world.db('households').where({ name: 'here' }).delete();
    expect(await sweepOwnSources(world.db)).toBe(0);
    await world.db('guardian_links').where({ student_id: lark.id }).delete();
    expect(await sweepOwnSources(world.db)).toBe(1);
    expect(await world.db('students').where({ id: lark.id })).toEqual([]);
  });
});
