import type { DeliveryState } from '@cadro/contract';
import type { SendMailOptions } from 'nodemailer';
import { oneAlert } from '../../testing/oneAlert';
import { World } from '../../testing/world';
import { deliver } from '..';
import { putOut, type Outgoing } from './outboxStore';

/* Several that go out together: each as if it went alone. */
let world: World;
const people = { maren: { guardianId: '', alertId: '' }, tobiah: { guardianId: '', alertId: '' } };
type Name = keyof typeof people;
const at = '2026-10-21T19:40:00.000Z';
const sent: SendMailOptions[] = [];
const deps = () => ({
  ...{ db: world.db, clock: world.clock, config: world.config },
  transport: { sendMail: async (mail: SendMailOptions) => void sent.push(mail) },
});

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  await world.moveTo(at);
  people.maren = await oneAlert(world, 'maren', 'Keel model', at);
  people.tobiah = await oneAlert(world, 'tobiah', 'Rope log', at);
});
afterAll(() => world.stop());
beforeEach(() => void sent.splice(0));

let keys = 0;
const out = async (name: Name, more: Partial<Outgoing> = {}): Promise<string> => {
  const { guardianId, alertId } = people[name];
  const way = { guardianId, channel: 'mail', about: 'alert', alertId, digestId: null, told: [] } as const;
  const [id = ''] = await putOut(
    world.db,
    [{ ...way, notBefore: null, key: `k${keys++}`, ...more }],
    new Date(at),
  );
  return id;
};
const stateOf = async (id: string): Promise<DeliveryState> =>
  (await world.db('deliveries').where({ id }).first<{ state: DeliveryState }>('state')).state;
const statesOf = (ids: readonly string[]) => Promise.all(ids.map(stateOf));
const several = (names: readonly Name[]) =>
  names.reduce<Promise<string[]>>(
    async (before, name) => [...(await before), await out(name)],
    Promise.resolve([]),
  );

it('goes to each with their own words, and hangs on what went out about the same before', async () => {
  const earlier = await out('maren');
  await deliver(deps(), [earlier]);
  sent.splice(0);
  const ids = await several(['maren', 'tobiah']);
  await deliver(deps(), ids);
  const byReceiver = new Map(sent.map((mail) => [(mail.to as { name: string }).name, mail]));
  expect(byReceiver.size).toBe(2);
  const [maren, tobiah] = await Promise.all(
    (['maren', 'tobiah'] as const).map(async (name) =>
      byReceiver.get((await world.db('guardians').where({ id: people[name].guardianId }).first('name')).name),
    ),
  );
  expect(maren?.text).toContain('Keel model');
  expect(maren?.text).not.toContain('Rope log');
  expect(maren?.inReplyTo).toContain(earlier);
  expect(tobiah?.text).toContain('Rope log');
  expect(tobiah?.inReplyTo).toBeUndefined();
  expect(await statesOf(ids)).toEqual(['sent', 'sent']);
});

it('hangs the second about one alert on the first, though both waited', async () => {
  const ids = await several(['maren', 'tobiah', 'maren']);
  await deliver(deps(), ids);
  const about = sent.flatMap(({ messageId, inReplyTo }) => [{ messageId, inReplyTo }]);
  const second = about.find(({ messageId }) => messageId?.includes(ids[2] ?? ''));
  expect(second?.inReplyTo).toContain(ids[0]);
  expect(await statesOf(ids)).toEqual(['sent', 'sent', 'sent']);
});

it('asks no more of the database for many than for a few', async () => {
  const asked = async (names: readonly Name[]): Promise<number> => {
    const ids = await several(names);
    let count = 0;
    const counting = ({ sql }: { sql: string }) =>
      void (count += sql.startsWith('update deliveries') ? 0 : 1);
    world.db.on('query', counting);
    await deliver(deps(), ids);
    world.db.off('query', counting);
    expect(await statesOf(ids)).toEqual(names.map(() => 'sent'));
    return count;
  };
  const few = await asked(['maren', 'tobiah']);
  expect(await asked(Array.from({ length: 30 }, (_, index) => (index % 2 ? 'maren' : 'tobiah')))).toBe(few);
  expect(sent).toHaveLength(32);
});

it('is not held up by one that cannot be read, and says so when the others are out', async () => {
  const digest = {
    guardian_id: people.maren.guardianId,
    due_on: '2026-10-20',
    rhythm: 'daily',
    content: '{}',
  };
  const [row] = await world.db('digests').insert(digest).returning<{ id: string }[]>('id');
  const broken = await out('maren', { about: 'digest', alertId: null, digestId: row?.id ?? '' });
  const ids = await several(['maren', 'tobiah']);
  await expect(deliver(deps(), [broken, ...ids])).rejects.toThrow('stored digest');
  expect(await statesOf([broken, ...ids])).toEqual(['waiting', 'sent', 'sent']);
  await world.db('deliveries').where({ id: broken }).delete();
});

it('says nothing to somebody from whom the school holds it back by now, and all to the others', async () => {
  const ids = await several(['maren', 'tobiah']);
  const [course] = await world
    .db('student_courses')
    .where({ student_id: world.student('caspian') })
    .pluck<string[]>('course_id');
  const alerts = world.db('alerts').whereIn('id', [people.maren.alertId, people.tobiah.alertId]);
  await alerts.clone().update({ course_id: course });
  const [made] = await world
    .db('restrictions')
    .insert({
      ...{ student_id: world.student('caspian'), guardian_id: people.tobiah.guardianId },
      ...{ what: 'course', course_id: course, made_at: at },
    })
    .returning<{ id: string }[]>('id');
  await deliver(deps(), ids);
  expect(await statesOf(ids)).toEqual(['sent', 'dropped']);
  await world.db('restrictions').where({ id: made?.id }).delete();
  await alerts.clone().update({ course_id: null });
});

it('goes out once, though two take the same at once, and some of it is asked for alone', async () => {
  const ids = await several(['maren', 'tobiah', 'maren', 'tobiah']);
  await Promise.all([deliver(deps(), ids), deliver(deps(), ids), deliver(deps(), ids.slice(1, 2))]);
  await deliver(deps(), ids);
  expect(sent).toHaveLength(4);
  expect(await statesOf(ids)).toEqual(['sent', 'sent', 'sent', 'sent']);
});
