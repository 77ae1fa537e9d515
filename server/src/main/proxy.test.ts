import { alertRoutes, householdRoutes } from '@cadro/contract';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server as HttpServer } from 'node:http';
import { connect, type ClientHttp2Session, type ClientHttp2Stream } from 'node:http2';
import { request as httpsRequest } from 'node:https';
import type { AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import pino from 'pino';
import { sessionCookieOf, password, World } from '../testing/world';
import { buildServer, type Server } from './app';

/* As in operation: a real proxy that speaks TLS, set up by the file that ships for it, and Cadro behind it. */
let world: World;
let server: Server;
let http: HttpServer;
let nginx: ChildProcess;
let folder: string;
let port = 0;

/** The shipped file with this run's addresses, in a frame that needs no rights. */
function settings(listen: number, cadro: number): string {
  const shipped = readFileSync(join(__dirname, '..', '..', '..', 'deploy', 'nginx.conf'), 'utf8')
    .replace('listen 443 ssl http2', `listen 127.0.0.1:${listen} ssl http2`)
    .replace('/etc/ssl/cadro/fullchain.pem', join(folder, 'cert.pem'))
    .replace('/etc/ssl/cadro/privkey.pem', join(folder, 'key.pem'))
    .replaceAll('127.0.0.1:4600', `127.0.0.1:${cadro}`);
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path ${join(folder, name)};`)
    .join(' ');
  return `daemon off; pid ${join(folder, 'nginx.pid')}; error_log stderr; user root;
    events { worker_connections 64; }
    http { access_log off; ${temporary} ${shipped} }`;
}

/** Starts the proxy on a port that nobody else has: one that is taken ends it, and another is tried. */
async function startProxy(cadro: number): Promise<void> {
  for (let tries = 0; tries < 20; tries++) {
    port = 20_000 + ((process.pid * 37 + tries * 911) % 20_000);
    writeFileSync(join(folder, 'nginx.conf'), settings(port, cadro));
    nginx = spawn('/usr/sbin/nginx', ['-c', join(folder, 'nginx.conf'), '-p', folder], { stdio: 'ignore' });
    const ended = once(nginx, 'exit').then(() => 'ended' as const);
    for (let asked = 0; asked < 100; asked++) {
      const answer = await Promise.race([
        ended,
        ask('/healthz').then(
          ({ status }) => status,
          () => 0,
        ),
      ]);
      if (answer === 200) return;
      if (answer === 'ended') break;
      await wait(50);
    }
    nginx.kill();
  }
  throw new Error('the proxy did not start');
}

async function ask(path: string, send?: { method: string; body?: object; headers?: Record<string, string> }) {
  const sent = httpsRequest(`https://127.0.0.1:${port}${path}`, {
    method: send?.method ?? 'GET',
    rejectUnauthorized: false,
    headers: { host: 'cadro.example', 'content-type': 'application/json', ...send?.headers },
  });
  sent.end(send?.body ? JSON.stringify(send.body) : undefined);
  const answer = await new Promise<IncomingMessage>((done, fail) =>
    sent.once('response', done).once('error', fail),
  );
  return { status: answer.statusCode ?? 0, headers: answer.headers, body: await text(answer) };
}

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
  folder = mkdtempSync(join(tmpdir(), 'cadro-proxy-'));
  execFileSync(
    'openssl',
    [
      ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=cadro.example'],
      ...['-keyout', join(folder, 'key.pem'), '-out', join(folder, 'cert.pem')],
    ],
    { stdio: 'ignore' },
  );
  const { db, clock, config } = world;
  server = buildServer({
    ...{ db, clock, log: pino({ level: 'silent' }) },
    config: { ...config, publicUrl: 'https://cadro.example', trustedProxies: 1 },
  });
  http = createServer(server.app).listen(0, '127.0.0.1');
  await once(http, 'listening');
  await startProxy((http.address() as AddressInfo).port);
});
afterAll(async () => {
  nginx.kill();
  http.closeAllConnections();
  http.close();
  await server.close();
  rmSync(folder, { recursive: true, force: true });
  await world.stop();
});

const signIn = (body: object, headers: Record<string, string> = {}) =>
  ask(householdRoutes.signIn.path, { method: 'POST', body, headers });

it('one signs in through it, and the cookie is for https alone', async () => {
  const answer = await signIn({ email: 'maren@test.example', password }, { origin: 'https://cadro.example' });
  expect(answer.status).toBe(200);
  expect(String(answer.headers['set-cookie'])).toMatch(/cadro\.session=[^,]*HttpOnly; Secure; SameSite=Lax/);
  expect(answer.headers['strict-transport-security']).toMatch(/max-age=\d+/);
  const cookie = sessionCookieOf(answer);
  expect((await ask(householdRoutes.me.path, { method: 'GET', headers: { cookie } })).status).toBe(200);
});

/** A browser’s one connection, over which all of its requests go at once. */
async function overOne<T>(use: (session: ClientHttp2Session) => Promise<T>): Promise<T> {
  const session = connect(`https://127.0.0.1:${port}`, { rejectUnauthorized: false });
  try {
    return await use(session);
  } finally {
    session.destroy();
  }
}
function open(
  session: ClientHttp2Session,
  path: string,
  { cookie, body }: { cookie?: string; body?: object },
) {
  const stream = session.request({
    ...{ ':authority': 'cadro.example', ':path': path, ':method': body ? 'POST' : 'GET' },
    ...{ origin: 'https://cadro.example', ...(cookie ? { cookie } : {}) },
    ...(body ? { 'content-type': 'application/json', 'idempotency-key': `"${path}"` } : {}),
  });
  stream.setEncoding('utf8');
  stream.end(body ? JSON.stringify(body) : undefined);
  return stream;
}
async function statusOf(stream: ClientHttp2Stream): Promise<number> {
  const [headers] = (await once(stream, 'response')) as [{ ':status': number }];
  stream.resume();
  return headers[':status'];
}

it('over HTTP/2 a stream of alerts comes as it is told, beside everything else on one connection', () =>
  overOne(async (session) => {
    const answer = await signIn({ email: 'maren@test.example', password });
    const cookie = sessionCookieOf(answer);
    const stream = open(session, '/api/alerts/live', { cookie });
    let said = '';
    stream.on('data', (text: string) => (said += text));
    const heard = async (what: RegExp) => {
      while (!what.test(said)) await once(stream, 'data');
    };
    await heard(/retry: 3000/);
    expect(session.alpnProtocol).toBe('h2');
    const silence = { alertKey: null, studentId: null, courseId: null, kind: 'good', until: '2026-12-01' };
    const path = alertRoutes.silence.path;
    const statuses = await Promise.all([
      statusOf(open(session, path, { cookie, body: silence })),
      ...['/api/me', '/api/brief', '/api/courses', '/'].map((each) =>
        statusOf(open(session, each, { cookie })),
      ),
    ]);
    expect(statuses).toEqual([201, 200, 200, 200, 404]);
    await heard(/event: state/);
  }));

it('a caller is counted by where the proxy has seen it, whatever it says of itself', async () => {
  await world.db('login_tries').delete();
  const tries = async (nth: number) =>
    signIn(
      { email: `nobody${nth}@test.example`, password: 'wrong' },
      { 'x-forwarded-for': `198.51.100.${nth}` },
    );
  let answered = 0;
  while ((await tries(answered)).status !== 429) expect((answered += 1)).toBeLessThan(60);
  expect(answered).toBeGreaterThan(20);
  expect(await world.db('login_tries').where('key', 'like', '%198.51.100%')).toEqual([]);
});

it('ten megabytes that nobody wants are refused before they are read', async () => {
  const answer = await ask('/api/messages', { method: 'POST', body: { text: 'x'.repeat(1000) } });
  expect(answer.status).toBe(401);
});

/** What comes of saying that so much will be sent, before it is. */
async function announced(path: string, bytes: number): Promise<number | undefined> {
  const sent = httpsRequest(`https://127.0.0.1:${port}${path}`, {
    ...{ method: 'POST', rejectUnauthorized: false },
    headers: { host: 'cadro.example', 'content-type': 'application/zip', 'content-length': bytes },
  });
  sent.write('PK');
  const answer = await new Promise<IncomingMessage>((done, fail) =>
    sent.once('response', done).on('error', fail),
  );
  sent.removeAllListeners('error').on('error', () => undefined);
  sent.destroy();
  return answer.statusCode;
}

it.each([
  ['an export of a school', '/api/own/schools/2f1c7a52-3f0b-4c6e-9d3c-0a1b2c3d4e5f/exports?name=a.zip', 401],
  [
    'an operator’s bundle',
    '/api/operator/sources/2f1c7a52-3f0b-4c6e-9d3c-0a1b2c3d4e5f/bundles?name=a.zip',
    401,
  ],
  ['anything else', '/api/inbound-mail', 413],
])('%s of 300 MB gets as far as it should', async (_what, path, status) => {
  expect(await announced(path, 300_000_000)).toBe(status);
});
