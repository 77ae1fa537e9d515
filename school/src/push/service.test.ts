import { once } from 'node:events';
import type { Server } from 'node:http';
import { generateRequestDetails, generateVAPIDKeys, type PushSubscription } from 'web-push';
import { schoolApp } from '../app';
import { Simulation } from '../simulation';
import { opensAt } from '../story';

/* The push service: what it takes, from whom, and what becomes of it. */
let simulation: Simulation;
let server: Server;
let base: string;

beforeEach(async () => {
  simulation = new Simulation(null);
  simulation.moveTo(opensAt);
  server = schoolApp(simulation, { url: '', key: '' }, () => base, 'key').listen(0, '127.0.0.1');
  await once(server, 'listening');
  const address = server.address();
  base = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

const device = async (): Promise<PushSubscription> =>
  (await (await fetch(`${base}/demo/devices`, { method: 'POST' })).json()) as PushSubscription;
const cadro = { subject: 'mailto:cadro@test.example', ...generateVAPIDKeys() };
const stranger = { subject: 'mailto:x@test.example', ...generateVAPIDKeys() };
const said = JSON.stringify({ title: 'Cadro', text: 'There’s news from school.' });
const request = (to: PushSubscription, payload = said, vapidDetails = cadro, topic = 'one') =>
  generateRequestDetails(to, payload, { vapidDetails, topic, TTL: 60, contentEncoding: 'aes128gcm' });
const send = async (
  { endpoint, body, headers }: ReturnType<typeof request>,
  more: Record<string, string> = {},
  without: readonly string[] = [],
): Promise<number> => {
  const all = Object.entries({ ...headers, ...more }).map(([name, value]) => [name, String(value)]);
  const sent = Object.fromEntries(
    all.filter(([name]) => name !== 'Content-Length' && !without.includes(name ?? '')),
  );
  return (await fetch(endpoint, { method: 'POST', headers: sent, body: new Uint8Array(body ?? []) })).status;
};
const mood = (name: string) =>
  fetch(`${base}/demo/push`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ mood: name }),
  });

it('hands what was encrypted for a device to it, and the same message once', async () => {
  const to = await device();
  expect(await send(request(to))).toBe(201);
  expect(await send(request(to))).toBe(201);
  expect(await send(request(to, said, cadro, 'two'))).toBe(201);
  expect(simulation.arrivals).toHaveLength(2);
  expect(simulation.arrivals[0]).toMatchObject({
    ...{ channel: 'push', to: to.endpoint.split('/').at(-1), subject: 'Cadro' },
    ...{ text: 'There’s news from school.', headers: { payload: said } },
  });
});

it.each<[string, number, (to: PushSubscription) => Promise<number>]>([
  ['without a token', 401, (to) => send(request(to), {}, ['Authorization'])],
  ['with a token that is none', 403, (to) => send(request(to), { Authorization: 'Bearer x' })],
  [
    'with another’s signature',
    403,
    async (to) => {
      const [ours, theirs] = [request(to), request(to, said, stranger)].map(({ headers }) =>
        String(headers['Authorization']),
      );
      const key = /k=.*/.exec(theirs ?? '')?.[0] ?? '';
      return send(request(to), { Authorization: (ours ?? '').replace(/k=.*/, key) });
    },
  ],
  [
    'with a token for another service',
    403,
    (to) => send({ ...request({ ...to, endpoint: 'https://push.example/x' }), endpoint: to.endpoint }),
  ],
  ['without a time to live', 400, (to) => send(request(to), {}, ['TTL'])],
  ['that is not encrypted', 415, (to) => send(request(to), {}, ['Content-Encoding'])],
  ['that is too large', 413, (to) => send(request(to, 'x'.repeat(5000)))],
  ['to a device that there is not', 410, (to) => send(request({ ...to, endpoint: `${base}/push/none` }))],
])('refuses a message %s: %d', async (_name, status, sent) => {
  expect(await sent(await device())).toBe(status);
  expect(simulation.arrivals).toEqual([]);
});

it('knows a device’s first sender, and no other', async () => {
  const to = await device();
  expect(await send(request(to))).toBe(201);
  expect(await send(request(to, said, stranger, 'two'))).toBe(403);
});

it.each([
  ['gone', 410],
  ['breaks', 503],
  ['refuses', 413],
])('is %s when it is told to be: %d', async (name, status) => {
  expect((await mood(name)).status).toBe(200);
  expect(await send(request(await device()))).toBe(status);
  expect((await mood('dreams')).status).toBe(400);
});

it('shows what arrived, and lets go of a device', async () => {
  const to = await device();
  await send(request(to));
  const page = await (await fetch(`${base}/demo/arrived`)).text();
  expect(page).toContain('Notification to');
  const token = to.endpoint.split('/').at(-1) ?? '';
  expect((await fetch(`${base}/demo/devices/${token}`, { method: 'DELETE' })).status).toBe(204);
  expect(await send(request(to))).toBe(410);
});
