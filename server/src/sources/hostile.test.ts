import { readingHooks } from '../main/hooks';
import { seal } from '../kit';
import { anItem as item, base, feedBase, oneSchool, ref, serveSchool, type Rows } from '../testing/oneSchool';
import { World } from '../testing/world';
import { addSource } from './store';
import { syncSource } from './sync';

/* A school that says what no school should. Whatever it is, it is a named problem of that school's, and nothing else. */
let world: World;
const closing: (() => void)[] = [];
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian'] }]);
});
afterAll(() => world.stop());
afterEach(() => {
  for (const close of closing.splice(0)) close();
});

async function serve(over: Readonly<Record<string, readonly Rows[]>>): Promise<string> {
  const { url, close } = await serveSchool(() => oneSchool(over));
  closing.push(close);
  return url;
}

let made = 0;
async function read(over: Readonly<Record<string, readonly Rows[]>>, baseUrl?: string) {
  const { db, clock, config } = world;
  const id = await addSource(db, {
    name: `Wrack ${(made += 1)}`,
    baseUrl: baseUrl ?? (await serve(over)),
    clientId: 'c',
    sealedSecret: seal(config.secret, 's'),
  });
  await syncSource({ db, clock, config, reading: readingHooks }, id);
  const problems = await db('sync_problems')
    .where({ source_id: id })
    .orderBy(['collection', 'external_id'])
    .select('collection', 'external_id', 'fault', 'reason');
  const scores = await db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .where({ 'i.source_id': id })
    .pluck('r.earned');
  return { id, problems, scores };
}

const everyPage = ['/api/me', '/api/brief', '/api/sources'];
async function familyStillReads(): Promise<void> {
  await world.workOff();
  const agent = await world.signedIn('maren');
  for (const path of everyPage) await agent.get(path).expect(200);
  await world.sync('gannet-head');
}

describe('a record that could hurt', () => {
  it.each<[string, Record<string, readonly Rows[]>, string, string, string]>([
    [
      'a title with the character of number 0',
      { lineItems: [item('x', { title: 'a\u0000b' }), item('i', {})] },
      'lineItems',
      'misfit',
      'cannot be kept',
    ],
    [
      'half a character',
      { lineItems: [item('x', { title: 'a\ud800' }), item('i', {})] },
      'lineItems',
      'misfit',
      'cannot be kept',
    ],
    [
      'a title of ten million letters',
      { lineItems: [item('x', { title: 'a'.repeat(1e7) }), item('i', {})] },
      'lineItems',
      'misfit',
      '/title',
    ],
    [
      'a day that no calendar has',
      { lineItems: [item('x', { dueDate: '2026-02-30' }), item('i', {})] },
      'lineItems',
      'misfit',
      '/dueDate',
    ],
    [
      'the year 0',
      { lineItems: [item('x', { dueDate: '0000-01-01T00:00:00Z' }), item('i', {})] },
      'lineItems',
      'misfit',
      '/dueDate',
    ],
    [
      'more points than there are',
      { lineItems: [item('x', { resultValueMax: 1e300 }), item('i', {})] },
      'lineItems',
      'misfit',
      '/resultValueMax',
    ],
    [
      'an id of a thousand letters',
      { lineItems: [item('x'.repeat(1000), {}), item('i', {})] },
      'lineItems',
      'misfit',
      '/sourcedId',
    ],
    [
      'a zone that is nowhere',
      { orgs: [{ ...base('school'), name: 'W', type: 'school', metadata: { timeZone: 'Atlantis/Deep' } }] },
      'orgs',
      'unknown-zone',
      'Atlantis/Deep',
    ],
    [
      'more dropped scores than numbers',
      {
        classDetails: [
          { ...feedBase('k'), standards: [], categories: [{ id: 'c', counts: true, dropLowest: 1e15 }] },
        ],
      },
      'classDetails',
      'misfit',
      'dropLowest',
    ],
    [
      'a date before all calendars in the feed',
      { announcements: [{ ...feedBase('a'), title: 'T', text: 'T', postedAt: '0000-01-01T00:00:00Z' }] },
      'announcements',
      'unstorable',
      '22008',
    ],
  ])('%s', async (_name, over, collection, fault, reason) => {
    const { problems, scores } = await read(over);
    expect(problems).toMatchObject([{ collection, fault, reason: expect.stringContaining(reason) }]);
    expect(scores).toEqual([17]);
    await familyStillReads();
  });

  it('a year that is no number of years', async () => {
    const { problems, scores } = await read({
      users: [
        {
          ...base('child'),
          ...{ givenName: 'Odo', familyName: 'Wrack', grades: ['Year 99999999999'] },
          roles: [{ roleType: 'primary', role: 'student', org: ref('school') }],
        },
      ],
    });
    expect([problems, scores]).toEqual([[], [17]]);
    const student = await world.db('students').where({ given_name: 'Odo' }).orderBy('id', 'desc').first('id');
    await world.household(`wracks`, [{ name: 'wrack', children: [] }]);
    const guardian = await world.db('guardians').where({ given_name: 'wrack' }).first('id');
    for (const { guardian_id } of [{ guardian_id: guardian.id }])
      await world
        .db('guardian_links')
        .insert({ student_id: student.id, guardian_id, role: 'guardian', linked_at: new Date() });
    await world.compute(student.id);
    const agent = await world.signedIn('wrack');
    for (const path of everyPage) await agent.get(path).expect(200);
  });

  it('a code that another school has given opens nothing, and hinders neither', async () => {
    const code = (id: string) => ({
      ...feedBase(id),
      code: 'SAND 1234 SALT 5678 X',
      studentId: 'child',
      expiresAt: '2027-01-01T00:00:00Z',
    });
    const first = await read({ linkCodes: [code('one')] });
    expect(first.problems).toEqual([]);
    const second = await read({ linkCodes: [code('two')] });
    expect(second.problems).toMatchObject([
      { collection: 'linkCodes', external_id: 'two', fault: 'code-taken' },
    ]);
    expect(second.scores).toEqual([17]);
    const { body } = await world.nobody.post('/api/door/code').send({ code: 'SAND 1234 SALT 5678 X' });
    expect(body.type).toBe('urn:cadro:problem:code-unknown');
  });
});
