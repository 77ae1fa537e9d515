import { outRoutes, type CourseSummary } from '@cadro/contract';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import readSheets from 'read-excel-file/node';
import type { Agent } from 'supertest';
import { seal } from '../../kit';
import { readingHooks } from '../../main/hooks';
import { addSource, reckonBundles, syncSource } from '../../sources';
import { filesOf } from '../../testing/unpacked';
import { World } from '../../testing/world';

/* A household takes its records elsewhere: whoever reads them reckons the same. */
let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'ottoline', role: 'look-only', children: ['pet'] },
  ]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

async function file(path: string, agent = maren): Promise<Buffer> {
  const { body } = await agent
    .get(path)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  return body as Buffer;
}
const saved = (bytes: Buffer, name: string): string => {
  const path = join(tmpdir(), `cadro-out-${process.pid}-${name}`);
  writeFileSync(path, bytes);
  return path;
};

it('is a bundle that reckons to the same figures, course by course, loose end by loose end', async () => {
  const path = saved(await file(outRoutes.bundle.path), 'bundle.zip');
  const asOf = (await world.clock.now()).toISOString();
  const { students, problems } = await reckonBundles([path], { asOf, zone: 'America/Halifax' });
  expect(problems).toEqual([]);
  const { body } = await maren.get('/api/courses').expect(200);
  const shown = (body.courses as CourseSummary[]).filter(({ figures }) => figures);
  expect(shown.length).toBeGreaterThan(8);
  for (const { id, studentId, title, figures } of shown) {
    const told = students
      .find(({ sourcedId }) => sourcedId === studentId)
      ?.classes.find(({ sourcedId }) => sourcedId === id);
    const ends = (each: readonly { itemId: string; kind: string }[]) =>
      each.map(({ itemId, kind }) => `${kind} ${itemId}`).sort();
    // Sums in another order may differ in their last digit.
    const exact = (value: number | null | undefined) =>
      value === null || value === undefined ? null : Number(value.toFixed(9));
    expect({
      ...{ title, posted: exact(told?.posted), ifLeft: exact(told?.ifLeft) },
      ends: ends(told?.looseEnds ?? []),
    }).toEqual({
      ...{ title, posted: exact(figures?.posted), ifLeft: exact(figures?.ifLeft) },
      ends: ends(figures?.looseEnds ?? []),
    });
  }
});

it('is CSV with a file for each list, in which nothing runs as a formula', async () => {
  const files = await filesOf(await file(outRoutes.lists.path));
  expect([...files.keys()].sort()).toEqual(['assignments.csv', 'courses.csv']);
  const lines = String(files.get('assignments.csv')).split('\r\n');
  expect(lines[0]).toBe('\ufeffchild,course,assignment,category,due,status,earned,possible,late,comment');
  expect(lines.filter((line) => line.startsWith('Isolde,')).length).toBeGreaterThan(40);
});

it('is a spreadsheet with a sheet for each course', async () => {
  const sheets = await readSheets(await file(outRoutes.sheets.path));
  expect(sheets.map(({ sheet }) => sheet)).toEqual(
    expect.arrayContaining(['courses', 'Isolde Kelp chemistry', 'Caspian Ferry timetables']),
  );
  const kelp = sheets.find(({ sheet }) => sheet === 'Isolde Kelp chemistry');
  expect(kelp?.data[0]).toEqual([
    ...['assignment', 'category', 'due', 'status', 'earned', 'possible', 'late', 'comment'],
  ]);
  expect(kelp?.data.some((row) => row[3] === 'scored' && typeof row[4] === 'number')).toBe(true);
});

it('holds the children that somebody sees, and no other', async () => {
  const ottoline = await world.signedIn('ottoline');
  const files = await filesOf(await file(outRoutes.bundle.path, ottoline));
  const users = String(files.get('users.csv'));
  expect(users).toMatch(/,Pet,|,Perpetua,/);
  expect(users).not.toMatch(/Isolde|Caspian/);
});

describe('the interface', () => {
  let made: { id: string; baseUrl: string; clientId: string; clientSecret: string };
  beforeAll(async () => {
    made = (await maren.post(outRoutes.addClient.path).send({ name: 'Kitchen screen' }).expect(201)).body;
  });
  const token = async (secret = made.clientSecret, id = made.clientId) =>
    world.nobody
      .post('/api/out/oneroster/token')
      .auth(id, secret)
      .type('form')
      .send({ grant_type: 'client_credentials' });
  const get = async (path: string, query: object = {}) => {
    const { body } = await token();
    return world.nobody
      .get(`/api/out/oneroster/ims/oneroster${path}`)
      .query(query)
      .auth(body.access_token, { type: 'bearer' });
  };

  it('is read by Cadro’s own consumer to the same figures', async () => {
    const { baseUrl, clientId, clientSecret } = made;
    const sealedSecret = seal(world.config.secret, clientSecret);
    const id = await addSource(world.db, { name: 'A copy', baseUrl, clientId, sealedSecret });
    const { db, clock, config } = world;
    await syncSource({ db, clock, config, reading: readingHooks }, id);
    await world.workOff();
    const figures = async (source: string | null) => {
      const rows = await db('current_figures as f')
        .join('courses as c', 'c.id', 'f.course_id')
        .join('students as s', 's.id', 'f.student_id')
        .whereIn('s.given_name', ['Isolde', 'Caspian'])
        .whereRaw(source ? 's.source_id = ?' : 's.source_id <> ?', [id])
        .select('c.title', 'f.figures');
      return Object.fromEntries(
        rows.map(({ title, figures: { posted, ifLeft } }) => [
          title,
          [posted, ifLeft].map((value) => (value === null ? null : Number(value.toFixed(9)))),
        ]),
      );
    };
    const copied = await figures(id);
    expect(Object.keys(copied).length).toBeGreaterThan(8);
    expect(copied).toEqual(await figures(null));
    await db('sources').where({ id }).delete();
  });

  it('pages, sorts, filters, and says what comes next', async () => {
    const first = await get('/gradebook/v1p2/results', {
      limit: '2',
      sort: 'dateLastModified',
      orderBy: 'desc',
    });
    expect(first.status).toBe(200);
    expect(first.body.results).toHaveLength(2);
    expect(Number(first.headers['x-total-count'])).toBeGreaterThan(100);
    expect(first.headers['link']).toMatch(/offset=2.*; rel="next"$/);
    const [newest] = first.body.results;
    const filtered = await get('/gradebook/v1p2/results', {
      filter: `dateLastModified>='${newest.dateLastModified}'`,
    });
    expect(Number(filtered.headers['x-total-count'])).toBeLessThan(60);
    const single = await get(`/gradebook/v1p2/lineItems/${newest.lineItem.sourcedId}`);
    expect(single.body.lineItem).toMatchObject({
      class: { type: 'class', href: expect.stringContaining('/classes/') },
    });
  });

  it.each<[string, () => Promise<{ status: number }>, number]>([
    ['a wrong secret', () => token('x'), 401],
    ['a secret that looks encoded and is not', () => token('%zz'), 401],
    ['a client that is none', () => token('x', 'nobody'), 401],
    [
      'another grant',
      async () => world.nobody.post('/api/out/oneroster/token').type('form').send({ grant_type: 'password' }),
      400,
    ],
    ['no token', async () => world.nobody.get('/api/out/oneroster/ims/oneroster/rostering/v1p2/orgs'), 401],
    [
      'a token of another making',
      async () =>
        world.nobody
          .get('/api/out/oneroster/ims/oneroster/rostering/v1p2/orgs')
          .auth(seal('another', '{"out":"x","until":9e15}'), { type: 'bearer' }),
      401,
    ],
    ['a collection that is none', () => get('/rostering/v1p2/secrets'), 404],
    ['a collection under the wrong service', () => get('/rostering/v1p2/results'), 404],
    ['a filter that is none', () => get('/rostering/v1p2/orgs', { filter: 'drop table' }), 400],
    ['a limit that is none', () => get('/rostering/v1p2/orgs', { limit: '-1' }), 400],
  ])('refuses %s', async (_what, ask, status) => {
    expect((await ask()).status).toBe(status);
  });

  it('is closed the moment its owner takes it back', async () => {
    const { body } = await token();
    const path = outRoutes.dropClient.path.replace(':clientId', made.id);
    const stranger = await world.signedIn('ottoline');
    await stranger.delete(path).expect(404);
    await maren.delete(path).expect(204);
    await world.nobody
      .get('/api/out/oneroster/ims/oneroster/rostering/v1p2/users')
      .auth(body.access_token, { type: 'bearer' })
      .expect(401);
    expect((await maren.get(outRoutes.clients.path)).body.clients).toEqual([]);
  });
});
