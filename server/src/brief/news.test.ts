import { newsRoutes, outlookRoutes, type Brief, type News, type NewsLine } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* What is new, over some evenings of the story: each evening is one look. */
let world: World;
let maren: Agent;
const dayMs = 86_400_000;
const evening = (day: number) => new Date(Date.parse('2026-10-19T19:40:00.000Z') + day * dayMs).toISOString();

const news = async (agent = maren, query: Record<string, string> = {}): Promise<News> =>
  (await agent.get(newsRoutes.news.path).query(query).expect(200)).body as News;
const brief = async (agent = maren): Promise<Brief> =>
  (await agent.get(outlookRoutes.brief.path).expect(200)).body as Brief;
const looked = (upTo: string, agent = maren) => agent.post(newsRoutes.looked.path).send({ upTo }).expect(204);
const freshOf = ({ fresh }: News): NewsLine[] => fresh.flatMap(({ lines }) => lines);

beforeAll(async () => {
  world = await World.start();
  await world.moveTo(evening(0));
  await world.syncAll();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'ottoline', role: 'look-only', children: ['pet'] },
  ]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

it('shows a week to whoever has never looked, by what the schools put down', async () => {
  const { since, looked: before, fresh, earlier, week } = await news();
  expect([since, before, week]).toEqual([evening(-7), false, null]);
  const days = fresh.map(({ on }) => on);
  expect(days).toEqual([...days].sort().reverse());
  expect(days.every((on) => on >= '2026-10-12')).toBe(true);
  expect(new Set(freshOf(await news()).map(({ kind }) => kind))).toEqual(
    new Set(['score', 'standing', 'remark', 'attendance', 'assigned', 'announced']),
  );
  expect(earlier.every(({ on }) => on <= '2026-10-12' && on >= '2026-10-05')).toBe(true);
});

it('is counted on the Brief as it is listed', async () => {
  const lines = freshOf(await news());
  const { fresh } = await brief();
  const whose = lines.flatMap((line) => ('studentId' in line ? [line.studentId] : line.studentIds));
  expect(fresh.counts.reduce((sum, { count }) => sum + count, 0)).toBe(whose.length);
  expect(whose.length).toBeGreaterThan(10);
});

it('is nothing once it has been looked at, and what comes next is all of it', async () => {
  await looked(evening(0));
  expect(freshOf(await news()).length).toBeGreaterThan(0); // the sitting goes on
  await world.moveTo(evening(1));
  expect(freshOf(await news())).toEqual([]);
  expect((await news()).since).toBe(evening(0));
  await world.syncAll();
  const { asOf } = await news();
  const lines = freshOf(await news());
  expect(lines.length).toBeGreaterThan(0);
  for (const { at } of lines) expect(at > evening(0) && at <= asOf).toBe(true);
});

it('keeps what is new while somebody reads it, and lets go of it the next time', async () => {
  await world.moveTo(evening(2));
  await world.syncAll();
  const before = freshOf(await news());
  await looked(evening(2));
  await looked(evening(2));
  expect(freshOf(await news())).toEqual(before);
  expect((await brief()).fresh.counts.every(({ count }) => count === 0)).toBe(true);
  await world.moveTo(new Date(Date.parse(evening(2)) + 31 * 60_000).toISOString());
  expect(freshOf(await news())).toEqual([]);
});

it('never takes a look for one that is still to come', async () => {
  await looked('2031-01-01T00:00:00.000Z');
  expect(Date.parse((await news()).since)).toBeLessThanOrEqual(Date.parse((await news()).asOf));
});

it('tells a score that is put right and a date that is moved, from what it was', async () => {
  const itemId = await world.itemId('kelp-titration', 'gannet-head');
  await world.moveTo(evening(3));
  const { now } = { now: new Date(Date.parse(evening(3)) - 60_000) };
  const studentId = world.student('isolde');
  const [last] = await world
    .db('results')
    .where({ student_id: studentId, item_id: itemId })
    .orderBy('at', 'desc')
    .limit(1);
  await world.db('results').insert({
    ...{ student_id: studentId, item_id: itemId, at: now, known_at: now },
    ...{ status: 'scored', earned: 31, late: false, levels: '{}' },
  });
  await world.db('change_log').insert({
    ...{ student_id: studentId, item_id: itemId, kind: 'work', at: now },
    before: JSON.stringify({ due_at: '2026-10-28T12:00:00+00:00' }),
    after: JSON.stringify({ due_at: '2026-10-30T12:00:00+00:00' }),
  });
  const ofQuiz = freshOf(await news()).filter((line) => 'itemId' in line && line.itemId === itemId);
  expect(ofQuiz).toMatchObject([{ kind: 'score', was: last.earned, earned: 31, possible: 40 }]);
});

it('looks back at a week, and at the one before it', async () => {
  const { week, since, fresh, earlier } = await news(maren, { week: '2026-10-08' });
  expect([week, since]).toEqual(['2026-10-05', '2026-10-05T02:59:59.999Z']);
  expect(fresh.length).toBeGreaterThan(2);
  for (const { on } of fresh) expect(on >= '2026-10-05' && on <= '2026-10-11').toBe(true);
  for (const { on } of earlier) expect(on >= '2026-09-28' && on <= '2026-10-04').toBe(true);
});

it('is each guardian’s own, and of their own children', async () => {
  const ottoline = await world.signedIn('ottoline');
  const { since, fresh } = await news(ottoline);
  expect(since).not.toBe((await news()).since);
  const ids = fresh.flatMap(({ lines }) =>
    lines.flatMap((line) => ('studentId' in line ? [line.studentId] : line.studentIds)),
  );
  expect(new Set(ids)).toEqual(new Set([world.student('pet')]));
});

it.each([
  { week: 'soon' },
  { week: '2026-13-01' },
  { week: '9999-12-31' },
  { week: '0001-01-01' },
  { since: '2026-10-01' },
])('refuses %j', async (query) => {
  await maren.get(newsRoutes.news.path).query(query).expect(400);
});
