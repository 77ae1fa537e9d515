import { onFigures } from '../../main/hooks';
import { wholeOf } from '../../records';
import { World } from '../../testing/world';
import { computeWanted } from './figures';
import { wantFigures } from './figureStore';

/* What waits is computed course by course, and comes to what computing everything comes to. */
let world: World;
let child: string;
let courses: readonly string[];
let now: Date;
const kept = async () =>
  world
    .db('current_figures')
    .where({ student_id: child })
    .orderBy('course_id')
    .select('course_id', 'figures', 'moved', 'standing', 'ended');
const waits = () => world.db('figures_wanted').where({ student_id: child }).first('courses', 'attendance');
const part = (...ids: readonly (string | undefined)[]) => ({
  ...{ studentId: child, courses: ids.flatMap((id) => id ?? []), attendance: false },
});

beforeAll(async () => {
  world = await World.read();
  child = world.student('caspian');
  await world.compute(child);
  now = await world.clock.now();
  courses = (await kept()).map(({ course_id }: { course_id: string }) => course_id);
  await world.db('figures_wanted').delete();
});
afterAll(() => world.stop());

it('joins what is wished of a child: parts with parts, and all of it with any', async () => {
  const [one, other] = courses;
  await wantFigures(world.db, [part(one)], now);
  await wantFigures(world.db, [part(one, other)], now);
  expect((await waits()).courses.sort()).toEqual([one, other].sort());
  await wantFigures(world.db, [{ ...part(), attendance: true }], now);
  expect(await waits()).toMatchObject({ courses: expect.arrayContaining([one, other]), attendance: true });
  await wantFigures(world.db, wholeOf([child]), now);
  expect((await waits()).courses).toBeNull();
  await wantFigures(world.db, [part(one)], now);
  expect((await waits()).courses).toBeNull();
  await world.db('figures_wanted').delete();
});

it('holds what is being read until all of it is there, whatever it was part of before', async () => {
  const later = new Date(now.getTime() + 3_600_000);
  await wantFigures(world.db, [part(courses[0])], now);
  await wantFigures(world.db, [part(courses[0])], now, later);
  expect(await world.db('figures_wanted').pluck('held_until')).toEqual([later]);
  await world.db('figures_wanted').delete();
});

it('computes the course that waits and no other, to the same figures', async () => {
  const before = await kept();
  expect(before.length).toBeGreaterThan(3);
  await world.db('current_figures').where({ student_id: child }).delete();
  const found: string[] = [];
  for (const course of courses) {
    found.push(course);
    await wantFigures(world.db, [part(course)], now);
    await computeWanted({ db: world.db, clock: world.clock, onFigures });
    expect((await kept()).map(({ course_id }: { course_id: string }) => course_id)).toEqual(found);
  }
  expect(await kept()).toEqual(before);
});

it('computes nothing for a mark of attendance, and has what follows from the record settled', async () => {
  const about: unknown[] = [];
  await world
    .db('current_figures')
    .where({ student_id: child })
    .update({ as_of: new Date(0) });
  await wantFigures(world.db, [{ ...part(), attendance: true }], now);
  await computeWanted({
    db: world.db,
    clock: world.clock,
    onFigures: async (_, { parts }) => void about.push(parts),
  });
  expect(about).toEqual([[{ studentId: child, courses: [], attendance: true }]]);
  expect(await world.db('current_figures').where({ student_id: child }).distinct().pluck('as_of')).toEqual([
    new Date(0),
  ]);
});
