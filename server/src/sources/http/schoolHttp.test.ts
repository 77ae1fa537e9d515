import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { Budget, usualLimits } from './budget';
import { SchoolHttp } from './schoolHttp';

type Answer = (request: IncomingMessage, response: ServerResponse) => void;
const json =
  (body: unknown, headers: Record<string, string> = {}, status = 200): Answer =>
  (_request, response) =>
    void response
      .writeHead(status, { 'content-type': 'application/json', ...headers })
      .end(JSON.stringify(body));

/** A school that answers as the test says; a real server on loopback. */
async function school(
  data: Answer,
  token: Answer = json({ access_token: 't1', token_type: 'bearer', expires_in: 60 }),
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
    timeoutMs: 400,
    anyScope: false,
    allowPrivate: true,
    budget: new Budget(usualLimits, () => 0),
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
    ['silence', () => undefined, 'source-down', true],
    [
      'an answer that never ends',
      (_request, response) => void response.writeHead(200).write('{'),
      'source-down',
      true,
    ],
  ])('%s', async (_name, answer, code, retryable) => {
    const { http } = await school(answer);
    expect(await errorOf(http.getJson('/results', {}))).toEqual({ code, retryable });
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
