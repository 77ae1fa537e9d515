import { gzipSync } from 'node:zlib';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { isPublicAddress, publicLookup } from './addresses';
import { Budget, usualLimits } from './budget';
import { SchoolHttp } from './schoolHttp';

type Answer = (request: IncomingMessage, response: ServerResponse) => void;
const json =
  (body: unknown, headers: Record<string, string> = {}, status = 200): Answer =>
  (_request, response) =>
    void response
      .writeHead(status, { 'content-type': 'application/json', ...headers })
      .end(JSON.stringify(body));

const mebibyte = 1024 * 1024;
/** A school that answers as the test says; a real server on loopback. */
async function school(
  data: Answer,
  token: Answer = json({ access_token: 't1', token_type: 'bearer', expires_in: 60 }),
  access: { anyScope?: boolean; allowPrivate?: boolean; timeoutMs?: number } = {},
) {
  const asked: { path: string; authorization: string | undefined; body: string }[] = [];
  const server = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk) => (body += String(chunk)));
    request.on('end', () => {
      asked.push({ path: request.url ?? '', authorization: request.headers.authorization, body });
      (request.url === '/or/token' ? token : data)(request, response);
    });
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  open.push(() => {
    server.closeAllConnections();
    server.close();
  });
  const http = new SchoolHttp({
    baseUrl: `http://127.0.0.1:${port}/or`,
    clientId: 'cadro',
    clientSecret: 'sand & salt',
    scopes: ['one', 'two'],
    timeoutMs: 20_000,
    anyScope: false,
    allowPrivate: true,
    budget: new Budget({ ...usualLimits, answerBytes: mebibyte }, () => 0),
    ...access,
  });
  return { http, asked };
}
const open: (() => void)[] = [];
afterEach(() => {
  for (const close of open.splice(0)) close();
});
const errorOf = (answer: Promise<unknown>) =>
  answer.then(
    () => null,
    ({ code, retryable }: { code: string; retryable: boolean }) => ({ code, retryable }),
  );

it('asks for a token once, with its credentials and scopes, and reads with it', async () => {
  const { http, asked } = await school(json({ results: [] }, { 'x-total-count': '7' }));
  expect(await http.getJson('/results', { limit: '2', filter: "a>'b'" })).toEqual({
    body: { results: [] },
    total: 7,
    more: null,
  });
  await http.getJson('/results', {});
  expect(asked.map(({ path }) => path)).toEqual([
    '/or/token',
    '/or/results?limit=2&filter=a%3E%27b%27',
    '/or/results',
  ]);
  expect(asked[0]).toMatchObject({
    authorization: `Basic ${Buffer.from('cadro:sand & salt').toString('base64')}`,
    body: 'grant_type=client_credentials&scope=one+two',
  });
  expect(asked[1]?.authorization).toBe('Bearer t1');
});

it('says nothing of a count that the school does not give', async () => {
  const { http } = await school(json({ results: [] }));
  expect((await http.getJson('/results', {})).total).toBeNull();
});

it('renews a token that has run out, once', async () => {
  let tries = 0;
  const first = await school((request, response) =>
    (tries++ === 0 ? json({}, {}, 401) : json({ results: [1] }))(request, response),
  );
  expect((await first.http.getJson('/results', {})).body).toEqual({ results: [1] });
  expect(first.asked.filter(({ path }) => path === '/or/token')).toHaveLength(2);
  const always = await school(json({}, {}, 401));
  expect(await errorOf(always.http.getJson('/results', {}))).toEqual({
    code: 'source-refuses',
    retryable: false,
  });
  expect(always.asked.filter(({ path }) => path === '/or/token')).toHaveLength(2);
});

describe('what can go wrong', () => {
  const text =
    (body: string): Answer =>
    (_request, response) =>
      void response.end(body);
  it.each<[string, Answer, string, boolean]>([
    ['an error of the server', json({}, {}, 500), 'source-down', true],
    ['too many requests', json({}, {}, 429), 'source-down', true],
    ['no permission', json({}, {}, 403), 'source-refuses', false],
    ['nothing there', json({}, {}, 404), 'source-refuses', false],
    ['a page for people', text('<p>Please sign in</p>'), 'source-nonsense', true],
    ['half an answer', text('{"results": ['), 'source-nonsense', true],
    ['a line that breaks', (_request, response) => void response.socket?.destroy(), 'source-down', true],
    [
      'an answer that breaks off',
      (_request, response) => {
        response.writeHead(200, { 'content-length': '1000' }).write('{"results"');
        setTimeout(() => response.socket?.destroy(), 20);
      },
      'source-down',
      true,
    ],
  ])('%s', async (_name, answer, code, retryable) => {
    const { http } = await school(answer);
    expect(await errorOf(http.getJson('/results', {}))).toEqual({ code, retryable });
  });

  it.each<[string, Answer]>([
    ['silence', () => undefined],
    ['an answer that never ends', (_request, response) => void response.writeHead(200).write('{')],
  ])('%s', async (_name, answer) => {
    const { http } = await school(answer, undefined, { timeoutMs: 400 });
    expect(await errorOf(http.getJson('/results', {}))).toEqual({ code: 'source-down', retryable: true });
  });

  it.each<[string, Answer, string]>([
    ['is refused', json({ error: 'invalid_client' }, {}, 401), 'source-refuses'],
    ['is none', json({ token: 't1' }), 'source-nonsense'],
    ['is no JSON', text('t1'), 'source-nonsense'],
  ])('a token that %s', async (_name, token, code) => {
    const { http, asked } = await school(json({ results: [] }), token);
    expect((await errorOf(http.getJson('/results', {})))?.code).toBe(code);
    expect(asked).toHaveLength(1);
  });

  it('a school that is not there', async () => {
    const { http } = await school(json({}));
    for (const close of open.splice(0)) close();
    expect(await errorOf(http.getJson('/results', {}))).toEqual({ code: 'source-down', retryable: true });
  });
});

describe('an answer that could hurt', () => {
  const packed =
    (body: Buffer, encoding: string): Answer =>
    (_request, response) =>
      void response.writeHead(200, { 'content-encoding': encoding }).end(body);

  it('is read packed as well as not', async () => {
    const { http } = await school(packed(gzipSync('{"results":[1]}'), 'gzip'));
    expect((await http.getJson('/results', {})).body).toEqual({ results: [1] });
  });

  it.each<[string, Answer, string]>([
    [
      'is small and unpacks to more than there may be',
      packed(gzipSync(Buffer.alloc(100 * mebibyte)), 'gzip'),
      'source-too-much',
    ],
    ['is long', (_request, response) => void response.end(Buffer.alloc(2 * mebibyte)), 'source-too-much'],
    ['is packed as nobody packs', packed(Buffer.from('x'), 'tar'), 'source-nonsense'],
    ['is cut within its packing', packed(gzipSync('{"results":[1]}').subarray(0, 12), 'gzip'), 'source-down'],
    [
      'leads to another place',
      (_request, response) => void response.writeHead(302, { location: 'http://127.0.0.2:1/in' }).end(),
      'source-elsewhere',
    ],
    [
      'leads to a file',
      (_request, response) => void response.writeHead(302, { location: 'file:///etc/hosts' }).end(),
      'source-elsewhere',
    ],
    [
      'leads to itself for ever',
      (_request, response) => void response.writeHead(302, { location: '/or/results' }).end(),
      'source-elsewhere',
    ],
  ])('%s', async (_name, answer, code) => {
    const { http } = await school(answer);
    expect(await errorOf(http.getJson('/results', {}))).toEqual({ code, retryable: code === 'source-down' });
  });

  it('goes along within its own place, and never with what is written', async () => {
    const moved: Answer = (request, response) =>
      request.url === '/or/results'
        ? void response.writeHead(301, { location: '/or/elsewhere' }).end()
        : json({ results: [2] })(request, response);
    const { http } = await school(moved);
    expect((await http.getJson('/results', {})).body).toEqual({ results: [2] });
    const written = await school(
      json({}),
      (_request, response) => void response.writeHead(307, { location: '/or/token' }).end(),
    );
    expect(await errorOf(written.http.getJson('/results', {}))).toMatchObject({ code: 'source-elsewhere' });
    expect(written.asked).toHaveLength(1);
  });
});

describe('an address of this machine or its network', () => {
  it('is not asked unless whoever runs Cadro allows it', async () => {
    const { http, asked } = await school(json({}), json({}), { allowPrivate: false });
    expect(await errorOf(http.getJson('/results', {}))).toEqual({
      code: 'source-elsewhere',
      retryable: false,
    });
    expect(asked).toEqual([]);
  });

  it.each([
    ['127.0.0.1', false],
    ['10.1.2.3', false],
    ['172.16.0.1', false],
    ['192.168.1.1', false],
    ['169.254.169.254', false],
    ['100.64.0.1', false],
    ['0.0.0.0', false],
    ['::1', false],
    ['fe80::1', false],
    ['fd00::1', false],
    ['::ffff:127.0.0.1', false],
    ['64:ff9b::7f00:1', false],
    ['8.8.8.8', true],
    ['2606:4700::1111', true],
    ['no address', false],
  ])('%s is of the open network: %s', (address, open) => expect(isPublicAddress(address)).toBe(open));

  it('is found out where a name leads, at the moment of connecting', async () => {
    const found = (options: object) =>
      new Promise((done) =>
        publicLookup('localhost', options, (error, address) => done(error ? error.message : address)),
      );
    expect(await found({})).toMatch(/localhost is an address of this network or machine/);
    expect(await found({ all: true })).toMatch(/localhost is an address of this network or machine/);
  });
});

it('asks a door that knows none of its scopes for whatever it gives, where that will do', async () => {
  const fussy: Answer = (request, response) => json({ error: 'invalid_scope' }, {}, 400)(request, response);
  const strict = await school(json({}), fussy);
  expect(await errorOf(strict.http.getJson('/results', {}))).toMatchObject({ code: 'source-refuses' });
  const { http, asked } = await school(json({ results: [] }), fussy, { anyScope: true });
  expect(await errorOf(http.getJson('/results', {}))).toMatchObject({ code: 'source-refuses' });
  expect(asked.map(({ body }) => body)).toEqual([
    'grant_type=client_credentials&scope=one+two',
    'grant_type=client_credentials',
  ]);
});

it('ends a reading that costs more than any school can', async () => {
  let now = 0;
  const budget = new Budget({ bytes: 10, pages: 2, ms: 1000, answerBytes: 1 }, () => now);
  const spends = (cost: object) => errorOf((async () => budget.spend(cost))());
  expect(await spends({ pages: 2, bytes: 10 })).toBeNull();
  expect(await spends({ pages: 1 })).toEqual({ code: 'source-too-much', retryable: false });
  const slow = new Budget({ bytes: 10, pages: 2, ms: 1000, answerBytes: 1 }, () => now);
  now = 1001;
  expect(await errorOf((async () => slow.spend({}))())).toEqual({ code: 'source-too-much', retryable: true });
});
