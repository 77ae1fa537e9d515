import { lookAtChildren, wantOldLooks } from '.';
import { World } from '../testing/world';
import { studentsNotLookedAtToday } from './lookStore';

/*
 * Rules count days: whoever has not been looked at on a day is looked at, though nothing of their record has changed; and
 * earlier what a rule has something to say of by then.
 */
let world: World;
let sourceId: string;
const later = async (hours: number): Promise<Date> =>
  new Date((await world.clock.now()).getTime() + hours * 3_600_000);
const wished = async (what: 'studentIds' | 'parts'): Promise<unknown[]> => {
  const { rows } = await world.db.raw<{ rows: { ids: unknown[] }[] }>(
    `select payload->? as ids from graphile_worker._private_jobs j
       join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'lookAtChildren'`,
    [what],
  );
  return rows.flatMap(({ ids }) => ids);
};
const asked = () => wished('studentIds');
const parts = () => wished('parts');

beforeAll(async () => {
  world = await World.read();
  sourceId = world.sources.get('millrace') ?? '';
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'ottoline', role: 'look-only', children: ['isolde'], ended: true },
  ]);
  await lookAtChildren(world, [world.student('caspian'), world.student('isolde')]);
});
afterAll(() => world.stop());

it('asks for those of a source alone, and not before the next day where their school is', async () => {
  const { db } = world;
  // Midnight in Halifax is at three.
  const midnight = new Date(`${(await later(21)).toISOString().slice(0, 10)}T03:00:00Z`);
  expect(await studentsNotLookedAtToday(db, [sourceId], await later(0))).toEqual([]);
  expect(await studentsNotLookedAtToday(db, [sourceId], new Date(midnight.getTime() - 1))).toEqual([]);
  expect(await studentsNotLookedAtToday(db, [sourceId], midnight)).toEqual([world.student('caspian')]);
});

it('asks for nobody whom nobody is told about any more', async () => {
  const caspian = { student_id: world.student('caspian') };
  await world
    .db('guardian_links')
    .where(caspian)
    .update({ suspended_at: await later(0) });
  expect(await studentsNotLookedAtToday(world.db, [sourceId], await later(24))).toEqual([]);
  await world.db('guardian_links').where(caspian).update({ suspended_at: null });
});

it('wishes for looks at them, but for those who are looked at anyway', async () => {
  await world.workOff();
  const caspian = world.student('caspian');
  await world.db('looks_due').delete();
  await wantOldLooks(world.db, [sourceId], { now: await later(0), but: new Set() });
  expect(await asked()).toEqual([]);
  await wantOldLooks(world.db, [sourceId], { now: await later(24), but: new Set([caspian]) });
  expect(await asked()).toEqual([]);
  await wantOldLooks(world.db, [sourceId], { now: await later(24), but: new Set() });
  expect(await asked()).toEqual([caspian]);
});

it('looks at a course again when one of its last days comes near enough, and at nothing else', async () => {
  await world.workOff();
  const caspian = world.student('caspian');
  await lookAtChildren(world, [caspian]);
  const due = (await world
    .db('looks_due')
    .where({ student_id: caspian })
    .orderBy('at')
    .first('at', 'course_id')) as { at: Date; course_id: string };
  expect(due.at > (await later(0))).toBe(true);
  const wishAt = (now: Date) => wantOldLooks(world.db, [sourceId], { now, but: new Set() });
  await world.db('alert_looks').update({ at: due.at });
  await wishAt(new Date(due.at.getTime() - 1));
  expect(await parts()).toEqual([]);
  await wishAt(due.at);
  expect(await parts()).toContainEqual({ studentId: caspian, courses: [due.course_id], attendance: false });
  // What is taken is taken once.
  expect(await world.db('looks_due').where({ student_id: caspian }).where('at', '<=', due.at)).toEqual([]);
});
