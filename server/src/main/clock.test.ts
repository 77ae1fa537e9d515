import { alertRoutes, ownRoutes, type Alert } from '@cadro/contract';
import type { Agent } from 'supertest';
import { addJobs } from '../kit';
import { restingSources } from '../sources';
import { addOwnChild, putOwnCourse } from '../testing/ownChild';
import { World } from '../testing/world';
import { followClockJob } from './hooks';

/* What the clock alone changes is computed and told of every child, also of one whose record nobody reads anywhere. */
let world: World;
let maren: Agent;
let wren: string;
let courseId: string;
const row = (earned: number | null, dueOn: string) => ({
  ...{ itemId: null, title: `Poem due ${dueOn}`, dueOn, category: null, earned, possible: 20 },
  ...{ percent: null, letter: null, status: earned === null ? 'open' : 'scored', comment: null },
});
const looseEnds = async (): Promise<string[]> => {
  const { body } = await maren.get(`/api/students/${wren}/courses/${courseId}`).expect(200);
  return (body.figures?.looseEnds ?? []).map(({ kind }: { kind: string }) => kind);
};
const alerts = async (): Promise<Alert[]> =>
  (await maren.get(alertRoutes.list.path).expect(200)).body.alerts.filter(
    ({ studentId }: Alert) => studentId === wren,
  );

beforeAll(async () => {
  world = await World.start();
  await world.household('here', [{ name: 'maren', children: [] }]);
  maren = await world.signedIn('maren');
  wren = await addOwnChild(maren);
  courseId = await putOwnCourse(maren, wren);
  await maren
    .post(ownRoutes.putWork.path.replace(':studentId', wren).replace(':courseId', courseId))
    .send({
      rows: [row(18, '2026-10-05'), row(17, '2026-10-08'), row(null, '2026-10-22')],
    })
    .expect(200);
  await world.workOff();
});
afterAll(() => world.stop());

it('says that work of a child by hand is overdue once its day is over, and tells of it', async () => {
  const before = await alerts();
  expect(await looseEnds()).not.toContain('overdue');
  await world.moveTo('2026-10-24T15:00:00.000Z');
  await addJobs(world.db, [followClockJob]);
  await world.workOff();
  expect(await looseEnds()).toContain('overdue');
  expect((await alerts()).length).toBeGreaterThan(before.length);
});

it('leaves to its readings a school that has just been read, and follows it when it is silent', async () => {
  await world.syncAll();
  const now = await world.clock.now();
  const own: string[] = await world.db('sources').where({ kind: 'own' }).pluck('id');
  const schools = [...world.sources.values()];
  const rest = async (minutes: number) =>
    (await restingSources(world.db, new Date(now.getTime() + minutes * 60_000))).sort();
  expect(await rest(15)).toEqual(own);
  expect(await rest(25)).toEqual([...own, ...schools].sort());
  await world
    .db('sources')
    .whereIn('id', schools)
    .update({ progress: { collection: 'items', records: 1 } });
  expect(await rest(25)).toEqual(own);
});
