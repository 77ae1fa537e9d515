import { createServer, type Server } from 'node:http';
import {
  feedCollections,
  feedPath,
  feedScope,
  oneRosterCollections,
  oneRosterPath,
  oneRosterScopes,
  scopeOf,
  type OneRosterName,
} from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import { clientOf } from './access';
import { schoolApp } from './app';
import { Simulation } from './simulation';
import { opensAt, schools, termEnd } from './story';

const [rosterScope = '', gradebookScope = ''] = oneRosterScopes('1.2');
let server: Server;
let base: string;
const posted: { body: string; key: string }[] = [];

beforeAll(async () => {
  const inbox = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk) => (body += String(chunk)));
    request.on('end', () => {
      posted.push({ body, key: request.headers.authorization ?? '' });
      response.writeHead(202).end();
    });
  });
  const portOf = (of: Server) =>
    new Promise<number>((done) => {
      of.listen(0, '127.0.0.1', () => {
        const address = of.address();
        done(typeof address === 'object' && address ? address.port : 0);
      });
    });
  const inboxPort = await portOf(inbox);
  const simulation = new Simulation(null);
  simulation.moveTo(opensAt);
  server = createServer(
    schoolApp(simulation, { url: `http://127.0.0.1:${inboxPort}`, key: 'k' }, () => base, 'texts'),
  );
  server.keepAliveTimeout = 60_000; // a busy machine must not race the end of an idle connection
  base = `http://127.0.0.1:${await portOf(server)}`;
  server.once('close', () => inbox.close());
});
afterAll(() => new Promise((done) => server.close(done)));

async function token(
  school: string,
  scope: string,
  secret = clientOf(school).clientSecret,
): Promise<Response> {
  const basic = Buffer.from(`${clientOf(school).clientId}:${secret}`).toString('base64');
  const body = new URLSearchParams({ grant_type: 'client_credentials', scope });
  return fetch(`${base}/${school}/token`, {
    method: 'POST',
    headers: { authorization: `Basic ${basic}` },
    body,
  });
}
const bearer = async (school: string, scope: string) => ({
  authorization: `Bearer ${((await (await token(school, scope)).json()) as { access_token: string }).access_token}`,
});

type Page = Record<string, Record<string, unknown>[]>;
async function all(school: string, name: OneRosterName, query = ''): Promise<Record<string, unknown>[]> {
  const scope = scopeOf(name);
  const answer = await fetch(`${base}/${school}${oneRosterPath(name)}?limit=1000${query}`, {
    headers: await bearer(school, scope),
  });
  const rows = ((await answer.json()) as Page)[name] ?? [];
  expect(answer.headers.get('x-total-count')).toBe(String(rows.length));
  return rows;
}

describe('the story', () => {
  it('has three schools, three children of the family, 16 courses, 400 assignments, nine weeks', async () => {
    const lists = await Promise.all(
      schools.map(async ({ id }) => ({
        users: await all(id, 'users'),
        classes: await all(id, 'classes'),
        lineItems: await all(id, 'lineItems'),
      })),
    );
    expect(
      lists
        .flatMap(({ users }) => users)
        .filter(({ familyName, grades }) => familyName === 'Aldervane' && grades),
    ).toHaveLength(3);
    expect(lists.flatMap(({ classes }) => classes).length).toBeGreaterThanOrEqual(16);
    const wholeTerm = [...new Simulation(null).records.values()].flatMap((records) =>
      records.current('lineItems', termEnd),
    );
    expect(wholeTerm.length).toBeGreaterThanOrEqual(400);
    // Each is given out in its week: the later ones are not there yet.
    expect(lists.flatMap(({ lineItems }) => lineItems).length).toBeLessThan(wholeTerm.length);
    // Nine weeks are the first quarter of the second of two years.
    const sessions = await all('millrace', 'academicSessions');
    expect(sessions.filter(({ type }) => type === 'schoolYear')).toHaveLength(2);
    expect(sessions).toContainEqual(
      expect.objectContaining({ title: 'First quarter', startDate: '2026-09-07', endDate: '2026-11-06' }),
    );
  });

  it('has teachers’ words on works that are there when they are written', () => {
    for (const records of new Simulation(null).records.values()) {
      for (const { row } of records.current('comments', termEnd)) {
        const works = records.current('lineItems', String(row['writtenAt'])).map(({ id }) => id);
        if (!row['assignmentId']) continue;
        expect(works).toContain(row['assignmentId']);
        if (row['subject'] !== 'score') continue;
        const mark = records
          .current('results', String(row['writtenAt']))
          .find(({ id }) => id === `${String(row['assignmentId'])}-${String(row['studentId'])}`);
        expect(mark?.row).toMatchObject({ scoreStatus: 'fully graded' });
      }
    }
  });

  it('is the same at every start', () => {
    const rows = ({ records }: Simulation, name: string) =>
      [...records.values()].map((each) => each.current(name, opensAt));
    const [one, other] = [new Simulation(null), new Simulation(null)];
    for (const name of ['lineItems', 'results', 'comments', 'attendance'])
      expect(rows(one, name)).toEqual(rows(other, name));
  });

  it.each(schools.map(({ id }) => id))('%s fits the standard’s schemas and the feed’s', async (school) => {
    for (const name of Object.keys(oneRosterCollections) as OneRosterName[]) {
      for (const row of await all(school, name))
        expect(misfits(oneRosterCollections[name].row, row)).toEqual([]);
    }
    const headers = await bearer(school, feedScope);
    for (const [name, schema] of Object.entries(feedCollections)) {
      const answer = await fetch(
        `${base}/${school}${feedPath(name as keyof typeof feedCollections)}?limit=1000`,
        { headers },
      );
      const { records } = (await answer.json()) as { records: unknown[] };
      // Not every school counts credits, uses rubrics, publishes its lessons or has work handed in on a screen.
      const elsewhere = [
        'linkCodes',
        'restrictions',
        'rides',
        'foundThings',
        'slots',
        'creditPlans',
        'rubricMarks',
        'handIns',
        'grades',
        'lessonNotes',
      ];
      const everywhere = !elsewhere.includes(name);
      expect(records.length).toBeGreaterThanOrEqual(everywhere ? 1 : 0);
      for (const row of records) expect(misfits(schema, row)).toEqual([]);
    }
  });
});

describe('OneRoster from the provider’s side', () => {
  it('gives pages with their links and total', async () => {
    const headers = await bearer('millrace', gradebookScope);
    const answer = await fetch(`${base}/millrace${oneRosterPath('results')}?limit=50&offset=50`, { headers });
    expect(((await answer.json()) as Page)['results']).toHaveLength(50);
    expect(Number(answer.headers.get('x-total-count'))).toBeGreaterThan(100);
    expect(answer.headers.get('link')).toMatch(/offset=100>; rel="next".*rel="last"/);
    expect(answer.headers.get('link')).toMatch(/offset=0>; rel="first".*offset=0>; rel="prev"/);
  });

  it('filters by change, sorts and selects fields', async () => {
    const since = '2026-10-19T00:00:00.000Z';
    const rows = await all(
      'millrace',
      'results',
      `&filter=${encodeURIComponent(`dateLastModified>'${since}'`)}&sort=dateLastModified&orderBy=desc&fields=sourcedId,dateLastModified`,
    );
    const dates = rows.map(({ dateLastModified }) => String(dateLastModified));
    expect(dates.length).toBeGreaterThan(5);
    expect(dates.every((date) => date > since)).toBe(true);
    expect(dates).toEqual([...dates].sort().reverse());
    expect(Object.keys(rows[0] ?? {})).toEqual(['sourcedId', 'dateLastModified']);
  });

  it('marks what was taken back', async () => {
    const gone = (await all('gannet-head', 'lineItems')).filter(({ status }) => status === 'tobedeleted');
    expect(gone).toMatchObject([{ sourcedId: 'rowing-old-paper' }]);
  });

  it.each([
    ['no token', 'results', {}, '', 401, 'unauthorisedrequest'],
    ['the wrong scope', 'results', rosterScope, '', 403, 'forbidden'],
    ['an unknown filter', 'results', gradebookScope, '?filter=tides', 400, 'invalid_filter_field'],
    ['a limit that is none', 'results', gradebookScope, '?limit=few', 400, 'invaliddata'],
    ['an unknown object', 'results', gradebookScope, '/nobody', 404, 'unknownobject'],
  ] as const)(
    'answers %s in the standard’s own error body',
    async (_name, collection, scope, rest, status, code) => {
      const headers = typeof scope === 'string' ? await bearer('millrace', scope) : {};
      const answer = await fetch(`${base}/millrace${oneRosterPath(collection)}${rest}`, { headers });
      expect(answer.status).toBe(status);
      expect(await answer.json()).toMatchObject({
        imsx_codeMajor: 'failure',
        imsx_CodeMinor: { imsx_codeMinorField: [{ imsx_codeMinorFieldValue: code }] },
      });
    },
  );

  it('gives a token to its own client only, and to one school’s records only', async () => {
    expect((await token('millrace', feedScope, 'guessed')).status).toBe(401);
    expect((await token('millrace', 'everything')).status).toBe(400);
    const headers = await bearer('millrace', rosterScope);
    expect((await fetch(`${base}/gannet-head${oneRosterPath('users')}`, { headers })).status).toBe(401);
  });
});
