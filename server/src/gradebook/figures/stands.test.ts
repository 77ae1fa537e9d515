import { World } from '../../testing/world';
import { partsThatFell } from './figureStore';
import { figuresOfNow, wantFallenFigures } from './figures';
import { studentsIn, wholeOf } from '../../records';

/* Figures are computed again when the clock changes them, and not before. */
let world: World;
let child: string;
let sourceId: string;
beforeAll(async () => {
  world = await World.read();
  child = world.student('caspian');
  sourceId = world.sources.get('millrace') ?? '';
  await world.compute(child);
});
afterAll(() => world.stop());

const until = async (): Promise<Date> =>
  ((await world.db('figures_stand').where({ student_id: child }).first('until')) as { until: Date }).until;
const fell = async (at: Date): Promise<boolean> =>
  studentsIn(await partsThatFell(world.db, [sourceId], at)).includes(child);

/** The courses whose figures stand up to an instant and no longer. */
const untils = async (at: Date): Promise<string[]> => {
  const row = (await world.db('figures_stand').where({ student_id: child }).first('untils')) as {
    untils: Record<string, string>;
  };
  return Object.entries(row.untils)
    .flatMap(([courseId, until]) => (Date.parse(until) <= at.getTime() ? [courseId] : []))
    .sort();
};

it('stand up to the first instant at which the clock changes one of them', async () => {
  const now = await world.clock.now();
  const ends = await until();
  expect(ends.getTime()).toBeGreaterThan(now.getTime());
  expect(await fell(now)).toBe(false);
  expect(await fell(new Date(ends.getTime() - 1))).toBe(false);
  expect(await fell(ends)).toBe(true);
});

it('stand no longer than a day, since a trend is told by weeks', async () => {
  const now = await world.clock.now();
  expect((await until()).getTime()).toBeLessThanOrEqual(now.getTime() + 86_400_000);
});

it('are those of now for whoever looks while they stand, and nobody’s afterwards', async () => {
  const ends = await until();
  const [course] = await untils(ends);
  if (course === undefined) throw new Error('no course falls with its child');
  const at = async (instant: Date) =>
    (await figuresOfNow(world.db, wholeOf([child]), instant))(child, child)(course);
  expect(await at(new Date(ends.getTime() - 1))).toBeDefined();
  expect(await at(ends)).toBeUndefined();
});

it('are wanted again where they fell, of a child without any, and where the clock was set back', async () => {
  const ends = await until();
  await world.db('figures_wanted').delete();
  const waits = () => world.db('figures_wanted').where({ student_id: child }).first('courses');
  await wantFallenFigures(world.db, [sourceId], new Date(ends.getTime() - 1));
  expect(await waits()).toBeUndefined();
  // Of a record that stands but for a course, that course alone.
  expect(await wantFallenFigures(world.db, [sourceId], ends)).not.toContain(child);
  expect(await waits()).toEqual({ courses: await untils(ends) });
  expect((await untils(ends)).length).toBeGreaterThan(0);
  await world.compute(child);
  const now = await world.clock.now();
  expect(await fell(new Date(now.getTime() - 1))).toBe(true);
  await world.db('figures_stand').where({ student_id: child }).delete();
  expect(await fell(now)).toBe(true);
  expect(await wantFallenFigures(world.db, [sourceId], now)).toContain(child);
});

it('fall with the day on which work is due, and say then that it is overdue', async () => {
  await world.compute(child);
  const said = async () =>
    (
      (await world.db('current_figures').where({ student_id: child }).select('figures')) as {
        figures: { looseEnds: { itemId: string; kind: string }[] };
      }[]
    ).flatMap(({ figures }) => figures.looseEnds.map(({ itemId, kind }) => `${kind} ${itemId}`));
  // Every instant at which they fall, for a week: whatever is said of a due date is said from it on.
  const end = (await world.clock.now()).getTime() + 7 * 86_400_000;
  for (let at = await until(); at.getTime() < end; at = await until()) {
    const before = await said();
    await world.moveTo(new Date(at.getTime() - 1).toISOString());
    await world.compute(child);
    expect(await said()).toEqual(before);
    await world.moveTo(at.toISOString());
    await world.compute(child);
  }
  expect((await said()).length).toBeGreaterThan(0);
});
