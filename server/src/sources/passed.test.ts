import { seal } from '../kit';
import { readingHooks } from '../main/hooks';
import { anItem, base, oneSchool, ref, serveSchool, type Rows, type School } from '../testing/oneSchool';
import { World } from '../testing/world';
import { addSource } from './store';
import { syncSource } from './sync';

/* A school gives a child's number to another child. Nobody who follows the first one sees the other. */
let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['isolde'] }]);
});
afterAll(() => world.stop());

const child = (givenName: string, familyName: string, dateLastModified: string): Rows => ({
  ...{ ...base('child'), givenName, familyName, grades: ['5'], dateLastModified },
  roles: [{ roleType: 'primary', role: 'student', org: ref('school') }],
});
const odo = child('Odo', 'Wrack', '2026-10-01T08:00:00Z');

/** A source of one school, whose child the guardian follows, after it has been read once. */
async function followed(school: () => School) {
  const { db, clock, config } = world;
  const served = await serveSchool(school);
  const id = await addSource(db, {
    ...{ name: 'Wrack', baseUrl: served.url, clientId: 'c' },
    sealedSecret: seal(config.secret, 's'),
  });
  const read = () => syncSource({ db, clock, config, reading: readingHooks }, id);
  await read();
  const [student, guardian] = [
    await db('students').where({ source_id: id }).first<{ id: string }>('id'),
    await db('guardians').where({ given_name: 'maren' }).first<{ id: string }>('id'),
  ];
  await db('guardian_links').insert({
    ...{ student_id: student.id, guardian_id: guardian.id, role: 'guardian', linked_at: new Date() },
  });
  await world.workOff();
  return { id, studentId: student.id, read, close: served.close };
}

it('whose number it was keeps the record; the other begins anew', async () => {
  let now: School = oneSchool({ users: [odo] });
  const { id, studentId, read, close } = await followed(() => now);
  const changed = '2026-10-20T09:00:00Z';
  now = oneSchool({
    users: [child('Pell', 'Saltmarsh', changed)],
    lineItems: [...(now['lineItems'] ?? []), anItem('new', { title: 'Bowline', dateLastModified: changed })],
    results: [
      {
        ...{ ...base('r2'), lineItem: ref('new'), student: ref('child') },
        ...{ scoreStatus: 'fully graded', score: 3, dateLastModified: changed },
      },
    ],
  });
  // Its place in the class has not changed, and is read all the same.
  await read();
  await world.workOff();
  const children = await world
    .db('students as s')
    .leftJoin('enrolments as e', 'e.student_id', 's.id')
    .where({ 's.source_id': id })
    .orderBy('s.given_name')
    .select('s.given_name', 's.external_id', 'e.active');
  expect(children).toEqual([
    { given_name: 'Odo', external_id: `passed:${studentId}:child`, active: false },
    { given_name: 'Pell', external_id: 'child', active: true },
  ]);
  const scores = await world
    .db('results as r')
    .join('students as s', 's.id', 'r.student_id')
    .where({ 's.source_id': id })
    .orderBy('r.seq')
    .select('s.given_name', 'r.earned');
  expect(scores).toEqual([
    { given_name: 'Odo', earned: 17 },
    { given_name: 'Pell', earned: 3 },
  ]);
  const told = await world.db('sync_problems').where({ source_id: id }).select('external_id', 'fault');
  expect(told).toEqual([{ external_id: 'child', fault: 'id-passed' }]);
  const maren = await world.signedIn('maren');
  const { text } = await maren.get('/api/brief').expect(200);
  expect(text).not.toMatch(/Pell|Saltmarsh|Bowline/);
  close();
});

it.each([
  ['a particle of both names', 'Ana', 'de la Cruz', 'Luis', 'de León'],
  ['no family name at all', 'Ana', '-', 'Luis', '-'],
])('two children with %s are two', async (_what, given, family, otherGiven, otherFamily) => {
  let now: School = oneSchool({ users: [child(given, family, '2026-10-01T08:00:00Z')] });
  const { id, read, close } = await followed(() => now);
  now = oneSchool({ users: [child(otherGiven, otherFamily, '2026-10-20T09:00:00Z')] });
  await read();
  expect(await world.db('students').where({ source_id: id }).pluck('given_name')).toHaveLength(2);
  close();
});

it.each([
  ['another family name', 'Odo', 'Saltmarsh'],
  ['a shorter given name with another family name', 'Od', 'Saltmarsh'],
  ['another given name', 'Oda', 'Wrack'],
  ['one family name more', 'Oda', 'Wrack Saltmarsh'],
])('a child with %s is the same child', async (_what, given, family) => {
  let now: School = oneSchool({ users: [odo] });
  const { id, studentId, read, close } = await followed(() => now);
  now = oneSchool({ users: [child(given, family, '2026-10-20T09:00:00Z')] });
  await read();
  const children = await world.db('students').where({ source_id: id }).select('id', 'given_name');
  expect(children).toEqual([{ id: studentId, given_name: given }]);
  close();
});
