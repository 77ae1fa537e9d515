import { once } from 'node:events';
import type { Server } from 'node:http';
import { schoolApp } from '../app';
import { Simulation } from '../simulation';
import { opensAt } from '../story';

/* The gateway for text messages, and the page of what arrived. */
const key = 'the gateway key';
let simulation: Simulation;
let server: Server;
let base: string;

beforeEach(async () => {
  simulation = new Simulation(null);
  simulation.moveTo(opensAt);
  server = schoolApp(simulation, { url: '', key: '' }, () => base, key).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const address = server.address();
  base = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`;
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
});

const send = (body: object, headers: Record<string, string> = {}, signal?: AbortSignal) =>
  fetch(`${base}/texts`, {
    method: 'POST',
    headers: {
      'content-type': 'application/json',
      authorization: `Bearer ${key}`,
      'idempotency-key': 'one',
      ...headers,
    },
    body: JSON.stringify(body),
    ...(signal ? { signal } : {}),
  });
const mood = (name: string) =>
  fetch(`${base}/demo/gateway`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ mood: name }),
  });
const text = { to: '+15550100200', text: 'Keel <model>: missing' };

it('takes a message in once for each key', async () => {
  expect((await send(text)).status).toBe(202);
  expect((await send(text)).status).toBe(202);
  expect((await send(text, { 'idempotency-key': 'two' })).status).toBe(202);
  expect(simulation.arrivals.map(({ key: id }) => id)).toEqual(['one', 'two']);
});

it.each([
  ['with another key', text, { authorization: 'Bearer guess' }, 401],
  ['to nobody', { text: 'x' }, {}, 400],
  ['without its own key', text, { 'idempotency-key': '' }, 400],
])('refuses a message %s', async (_name, body, headers, status) => {
  expect((await send(body, headers)).status).toBe(status);
  expect(simulation.arrivals).toEqual([]);
});

it('breaks down, refuses and hangs when it is told to, and takes nothing in then', async () => {
  await mood('breaks');
  expect((await send(text)).status).toBe(500);
  await mood('refuses');
  const refused = await send(text);
  expect([refused.status, await refused.json()]).toMatchObject([200, { status: 'rejected' }]);
  await mood('hangs');
  await expect(send(text, {}, AbortSignal.timeout(100))).rejects.toThrow();
  expect((await mood('asleep')).status).toBe(400);
  expect(simulation.arrivals).toEqual([]);
});

it('shows what arrived, and runs none of it', async () => {
  await send(text);
  const page = await (await fetch(`${base}/demo/arrived`)).text();
  expect(page).toContain('Keel &lt;model&gt;: missing');
  expect(page).toContain('+15550100200');
});
