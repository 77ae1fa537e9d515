import { lookAtChildren, wantOldLooks } from '.';
import { World } from '../testing/world';
import { studentsLookedAtBefore } from './watchStore';

/* Rules count days: whoever has not been looked at for long is looked at, though nothing of their record has changed. */
let world: World;
let sourceId: string;
const later = async (hours: number): Promise<Date> =>
  new Date((await world.clock.now()).getTime() + hours * 3_600_000);
const asked = async (): Promise<string[]> => {
  const { rows } = await world.db.raw<{ rows: { ids: string[] }[] }>(
    `select payload->'studentIds' as ids from graphile_worker._private_jobs j
       join graphile_worker._private_tasks t on t.id = j.task_id where t.identifier = 'lookAtChildren'`,
  );
  return rows.flatMap(({ ids }) => ids);
};

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

it('asks for those of a source alone, and not before they have waited for long', async () => {
  const { db } = world;
  expect(await studentsLookedAtBefore(db, sourceId, await later(0))).toEqual([]);
  const ids = await studentsLookedAtBefore(db, sourceId, await later(1));
  expect(ids).toEqual([world.student('caspian')]);
});

it('asks for nobody whom nobody is told about any more', async () => {
  const caspian = { student_id: world.student('caspian') };
  await world
    .db('guardian_links')
    .where(caspian)
    .update({ suspended_at: await later(0) });
  expect(await studentsLookedAtBefore(world.db, sourceId, await later(1))).toEqual([]);
  await world.db('guardian_links').where(caspian).update({ suspended_at: null });
});

it('wishes for looks at them, but for those who are looked at anyway', async () => {
  await world.workOff();
  const caspian = world.student('caspian');
  await wantOldLooks(world.db, sourceId, { now: await later(5), but: new Set() });
  expect(await asked()).toEqual([]);
  await wantOldLooks(world.db, sourceId, { now: await later(7), but: new Set([caspian]) });
  expect(await asked()).toEqual([]);
  await wantOldLooks(world.db, sourceId, { now: await later(7), but: new Set() });
  expect(await asked()).toEqual([caspian]);
});
