import { alertRoutes, type AlertSettings, type DeliveryState, type NewPushDevice } from '@cadro/contract';
import { createTransport } from 'nodemailer';
import type { Agent } from 'supertest';
import { oneAlert } from '../../testing/oneAlert';
import { cookieOf, World } from '../../testing/world';
import { deliver } from '..';
import { putOut } from '../delivery/outboxStore';
import { pushKeys } from './keys';
import { pushTo } from './service';

/* Alerts on a device: to whom, what of them, and what becomes of it. */
let world: World;
let maren: Agent;
let guardianId: string;
let alertId: string;
const opens = '2026-10-21T19:40:00.000Z';

interface Arrival {
  readonly channel: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly headers: { readonly payload: string };
}
const school = (path: string, method = 'POST', body?: object) =>
  fetch(`${world.school.url}${path}`, {
    method,
    ...(body ? { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {}),
  });
const mood = (name: string) => school('/demo/push', 'PUT', { mood: name });
const newDevice = async (): Promise<NewPushDevice> =>
  (await (await school('/demo/devices')).json()) as NewPushDevice;
const tokenOf = ({ endpoint }: NewPushDevice): string => endpoint.split('/').at(-1) ?? '';
const arrivals = async (device: NewPushDevice): Promise<Arrival[]> => {
  const { arrivals: all } = (await (await fetch(`${world.school.url}/demo/arrivals`)).json()) as {
    arrivals: Arrival[];
  };
  return all.filter(({ channel, to }) => channel === 'push' && to === tokenOf(device));
};
const settings = async (agent = maren): Promise<AlertSettings> =>
  (await agent.get(alertRoutes.settings.path).expect(200)).body;
const add = (device: NewPushDevice, agent = maren) => agent.post(alertRoutes.addDevice.path).send(device);
/** A device of hers, set up on a session of its own. */
const another = async (device?: NewPushDevice): Promise<NewPushDevice> => {
  const own = device ?? (await newDevice());
  await add(own, await world.signedIn('maren')).expect(201);
  return own;
};
const locked = async (onLockedScreen: 'nothing' | 'child' | 'all') => {
  const { delivery } = await settings();
  await maren
    .patch(alertRoutes.changeSettings.path)
    .send({ delivery: { ...delivery, onLockedScreen } })
    .expect(200);
};
const deps = () => ({
  ...{ db: world.db, clock: world.clock, config: world.config },
  transport: createTransport(world.config.smtpUrl),
});
let keys = 0;
const out = async (about: 'alert' | 'test' = 'alert'): Promise<string> => {
  const way = { guardianId, channel: 'push', about, alertId, digestId: null } as const;
  const [id = ''] = await putOut(
    world.db,
    [{ ...way, key: `p${keys++}`, told: [], notBefore: null }],
    await world.clock.now(),
  );
  return id;
};
const stateOf = (
  id: string,
): Promise<{ state: DeliveryState; fault: object | null; reached: string[]; not_before: Date | null }> =>
  world.db('deliveries').where({ id }).first('state', 'fault', 'reached', 'not_before');
const sent = async (about: 'alert' | 'test' = 'alert') => {
  const id = await out(about);
  await deliver(deps(), [id]);
  return stateOf(id);
};

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  ({ guardianId, alertId } = await oneAlert(world, 'maren', 'Keel model', opens));
});
beforeEach(async () => {
  await world.db('push_devices').delete();
  await mood('well');
  await world.moveTo(opens);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

describe('a device', () => {
  it('is set up on the session it is asked on, which is kept from then on', async () => {
    const device = await newDevice();
    const { pushKey, devices } = await settings();
    expect(devices).toEqual([]);
    expect(Buffer.from(pushKey, 'base64url')).toHaveLength(65);
    const answer = await add(device).expect(201);
    expect(answer.headers['set-cookie']?.[0]).toContain('Expires=');
    expect((await settings()).devices).toEqual([answer.body]);
    expect(answer.body).toMatchObject({ here: true });
    const elsewhere = await settings(await world.signedIn('maren'));
    expect(elsewhere.devices).toEqual([{ ...answer.body, here: false }]);
    // Where and how it is reached is not kept in the open.
    const row = await world.db('push_devices').first();
    expect(JSON.stringify(row)).not.toContain(tokenOf(device));
    expect(JSON.stringify(row)).not.toContain(device.keys.auth);
  });

  it.each([
    ['a point that is none', (keys: NewPushDevice['keys']) => ({ ...keys, p256dh: 'A'.repeat(87) })],
    ['a key that is too short', (keys: NewPushDevice['keys']) => ({ ...keys, auth: 'AAAA' })],
  ])('is not set up with %s', async (_name, spoilt) => {
    const device = await newDevice();
    await add({ ...device, keys: spoilt(device.keys) }).expect(400);
    expect((await settings()).devices).toEqual([]);
  });

  it('is one, however often it is set up; and whose it is, is whoever set it up last', async () => {
    const device = await newDevice();
    await add(device).expect(201);
    await add(device).expect(201);
    expect((await settings()).devices).toHaveLength(1);
    const tobiah = await world.signedIn('tobiah');
    await add(device, tobiah).expect(201);
    expect((await settings()).devices).toEqual([]);
    expect((await settings(tobiah)).devices).toHaveLength(1);
  });

  it.each<[string, (id: string) => Promise<unknown>]>([
    [
      'it is let go of',
      (id) => maren.delete(alertRoutes.dropDevice.path.replace(':deviceId', id)).expect(204),
    ],
    ['one signs out', () => maren.delete('/api/session').expect(204)],
    [
      'its session is ended from elsewhere',
      () => world.db('sessions').where({ guardian_id: guardianId }).delete(),
    ],
  ])('is over when %s', async (_name, end) => {
    const { body } = await add(await newDevice()).expect(201);
    await end(body.id);
    expect(await world.db('push_devices').select()).toEqual([]);
  });

  it('is nobody else’s to let go of', async () => {
    const { body } = await add(await newDevice()).expect(201);
    const tobiah = await world.signedIn('tobiah');
    await tobiah.delete(alertRoutes.dropDevice.path.replace(':deviceId', body.id)).expect(404);
    expect((await settings()).devices).toHaveLength(1);
    expect(cookieOf(tobiah)).not.toBe('');
  });
});

describe('on a locked screen', () => {
  it.each([
    ['nothing', 'Cadro', 'There’s news from school.'],
    ['child', 'Cadro', 'There’s news about Caspian.'],
    ['all', 'Caspian', expect.stringContaining('Keel model')],
  ] as const)('%s is said', async (wish, title, text) => {
    const device = await another();
    await locked(wish);
    expect(await sent()).toMatchObject({ state: 'sent', fault: null });
    const [arrived] = await arrivals(device);
    expect(arrived).toMatchObject({ subject: title, text });
    expect(JSON.parse(arrived?.headers.payload ?? '')).toMatchObject({ path: `/alerts/${alertId}` });
  });

  it('nothing is said of a child until its guardian wants it', async () => {
    const device = await another();
    const { delivery } = await settings();
    const { onLockedScreen: _none, ...before } = delivery;
    await maren.patch(alertRoutes.changeSettings.path).send({ delivery: before }).expect(200);
    await sent();
    const [arrived] = await arrivals(device);
    expect(JSON.stringify(arrived)).not.toMatch(/Caspian|Keel|Boat/);
  });
});

describe('what is pushed', () => {
  it('reaches every device once, however often it is tried and by how many', async () => {
    const devices = [await another(), await another()];
    const id = await out();
    await Promise.all([deliver(deps(), [id]), deliver(deps(), [id])]);
    // As after a crash between the sending and what is put down of it.
    await world.db('deliveries').where({ id }).update({ state: 'waiting', reached: '[]' });
    await deliver(deps(), [id]);
    for (const device of devices) expect(await arrivals(device)).toHaveLength(1);
    expect((await stateOf(id)).reached).toHaveLength(2);
  });

  it('waits where the service is away, and then reaches those that have not had it', async () => {
    const there = await another();
    const lost = await another({ ...(await newDevice()), endpoint: 'http://127.0.0.1:9/push/x' });
    const id = await out();
    await deliver(deps(), [id]);
    const waiting = await stateOf(id);
    expect(waiting).toMatchObject({ state: 'waiting', fault: { reason: 'push-away', status: null } });
    expect(waiting.reached).toHaveLength(1);
    expect(waiting.not_before).not.toBeNull();
    await deliver(deps(), [id]);
    expect(await arrivals(there)).toHaveLength(1);
    expect(await arrivals(lost)).toEqual([]);
  });

  it('waits while the service is out of order', async () => {
    const device = await another();
    await mood('breaks');
    const id = await out();
    await deliver(deps(), [id]);
    expect(await stateOf(id)).toMatchObject({
      state: 'waiting',
      fault: { reason: 'push-answered', status: '503' },
    });
    await mood('well');
    await deliver(deps(), [id]);
    expect(await stateOf(id)).toMatchObject({ state: 'sent', fault: null });
    expect(await arrivals(device)).toHaveLength(1);
  });

  it('lets go of a device that its service knows no more, and reaches the others', async () => {
    const [gone, there] = [await another(), await another()];
    await school(`/demo/devices/${tokenOf(gone)}`, 'DELETE');
    expect(await sent()).toMatchObject({ state: 'sent' });
    expect(await arrivals(there)).toHaveLength(1);
    expect((await settings()).devices).toHaveLength(1);
  });

  it('lets go of a device that another secret has sealed', async () => {
    await another();
    const id = await out();
    await deliver(
      { ...deps(), config: { ...world.config, secret: 'another secret, as long as it has to be' } },
      [id],
    );
    expect(await stateOf(id)).toMatchObject({ state: 'failed', fault: { reason: 'no-devices' } });
    expect((await settings()).devices).toEqual([]);
  });

  it('is over where no device is left, or none was', async () => {
    await another();
    await mood('gone');
    const noDevices = { fault: { reason: 'no-devices', status: null } };
    expect(await sent()).toMatchObject({ state: 'failed', ...noDevices });
    expect((await settings()).devices).toEqual([]);
    expect(await sent()).toMatchObject({ state: 'dropped', ...noDevices });
  });

  it('is not tried again where the service refuses it', async () => {
    await another();
    await mood('refuses');
    expect(await sent()).toMatchObject({
      state: 'failed',
      fault: { reason: 'push-answered', status: '413' },
    });
  });

  it('keeps the quiet hours; a try of the channel does not', async () => {
    const device = await another();
    await world.moveTo('2026-10-22T02:00:00.000Z');
    const id = await out();
    await deliver(deps(), [id]);
    expect(await stateOf(id)).toMatchObject({ state: 'waiting', not_before: expect.any(Date) });
    expect(await sent('test')).toMatchObject({ state: 'sent' });
    expect(await arrivals(device)).toHaveLength(1);
  });
});

it('a channel is tried by whoever has a device', async () => {
  const tries = () => maren.post(alertRoutes.test.path).send({ channel: 'push' });
  expect((await tries().expect(422)).body).toMatchObject({ code: 'no-way' });
  await add(await newDevice()).expect(201);
  expect((await tries().expect(202)).body).toMatchObject({
    channel: 'push',
    about: 'test',
    state: 'waiting',
  });
});

it('an address inside this network is not asked, unless whoever runs Cadro allows it', async () => {
  const message = { id: 'x', title: 'x', text: 'x', path: '/' };
  const config = { ...world.config, privateSources: false };
  await expect(pushTo(config, await newDevice(), message)).rejects.toMatchObject({
    fault: { reason: 'push-away' },
  });
});

it('the key by which services know Cadro is its secret’s, and another secret’s another', () => {
  const [one, again, other] = ['a', 'a', 'b'].map((secret) => pushKeys(secret.repeat(32)));
  expect(one).toEqual(again);
  expect(one?.publicKey).not.toBe(other?.publicKey);
  expect(Buffer.from(one?.privateKey ?? '', 'base64url')).toHaveLength(32);
});
