import {
  followUpRoutes,
  keepingRoutes,
  messageRoutes,
  noteRoutes,
  sitdownRoutes,
  trailRoutes,
} from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import type { TSchema } from '@sinclair/typebox';
import { parse } from 'csv-parse/sync';
import ICAL from 'ical.js';
import { simpleParser } from 'mailparser';
import type { Agent } from 'supertest';
import { fileNameOf, zipOf } from '../kit';
import { filesOf, unpacked } from '../testing/unpacked';
import { World } from '../testing/world';

/* What a person can take away: all of it, in open forms, and nothing that is not theirs. */
let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian', 'pet'] },
    { name: 'kid', role: 'student', children: ['caspian'] },
  ]);
  await world.household('far', [{ name: 'far', children: ['caspian'] }]);
});
afterAll(() => world.stop());

const exported = (agent: Agent): Promise<Map<string, Buffer>> =>
  unpacked(agent.get(keepingRoutes.exported.path).expect(200).expect('content-type', 'application/zip'));

it('holds the records, the days, the letters and what was written, each in its open form', async () => {
  const maren = await world.signedIn('maren');
  const studentId = world.student('caspian');
  await maren
    .post(followUpRoutes.create.path)
    .send({ studentId, title: 'A talk', note: 'At supper.' })
    .expect(201);
  const { teachers } = (await maren.get(messageRoutes.teachers.path.replace(':studentId', studentId)))
    .body as {
    teachers: { id: string; name: string }[];
  };
  const teacher = teachers.find(({ name }) => name === 'Wren Thornwick');
  const letter = { studentId, teacherId: teacher?.id, subject: 'Keel: and/or <mast>', text: 'Has it come?' };
  await maren.post(messageRoutes.send.path).send(letter).expect(202);
  const note = { studentId, on: '2026-10-20', text: 'Cold hands in the shed', shared: false };
  await maren.post(noteRoutes.write.path).send(note).expect(201);
  await maren.post(sitdownRoutes.begin.path).send({ on: '2026-10-25' }).expect(201);
  const files = await exported(maren);
  const json = (path: string) => JSON.parse(String(files.get(path))) as { $schema?: string };
  const paths = [...files.keys()];
  for (const path of paths) expect(path).toMatch(/^[^/\\:<>]+(\/[^/\\:<>]+)*$/);
  expect(paths).toEqual(
    expect.arrayContaining([
      'me.json',
      'people.json',
      'follow-ups.json',
      'calendar.ics',
      'Caspian/attendance.csv',
    ]),
  );

  // Each file fits the schema that stands beside it.
  const fits = (schema: string, value: object) =>
    misfits(JSON.parse(String(files.get(`schemas/${schema}.json`))) as TSchema, value);
  const courses = paths.filter((path) => path.startsWith('Caspian/courses/'));
  expect(courses.length).toBeGreaterThan(3);
  for (const path of courses) {
    const { $schema, ...record } = json(path);
    expect({ path, $schema, wrong: fits('course', record) }).toEqual({
      path,
      $schema: '../../schemas/course.json',
      wrong: [],
    });
  }
  for (const name of ['desk', 'terms', 'on-file']) {
    const { $schema, ...value } = json(`Caspian/${name}.json`);
    expect({ $schema, wrong: fits(name, value) }).toEqual({ $schema: `../schemas/${name}.json`, wrong: [] });
  }
  // Years of which only the reports are kept are among them.
  const { terms } = json('Caspian/terms.json') as { terms: { depth: number }[] };
  expect(terms.filter(({ depth }) => depth === 0).length).toBeGreaterThan(1);
  expect(fits('me', json('me.json'))).toEqual([]);
  expect(JSON.stringify(json('follow-ups.json'))).toContain('At supper.');
  expect(fits('notes', json('notes.json'))).toEqual([]);
  expect(json('notes.json')).toMatchObject([{ text: 'Cold hands in the shed' }]);
  expect(fits('meetings', json('meetings.json'))).toEqual([]);
  expect(fits('sit-downs', json('sit-downs.json'))).toEqual([]);
  expect(json('sit-downs.json')).toMatchObject([{ on: '2026-10-25', state: 'open' }]);
  expect(String(files.get('me.json'))).not.toMatch(/password|hash/);

  expect(
    (parse(String(files.get('Caspian/attendance.csv')), { columns: true, bom: true }) as object[]).length,
  ).toBeGreaterThan(10);
  const calendar = new ICAL.Component(ICAL.parse(String(files.get('calendar.ics'))) as object[]);
  expect(calendar.getAllSubcomponents('vevent').length).toBeGreaterThan(10);
  const [eml] = paths.filter((path) => path.endsWith('.eml'));
  expect(eml).toBe('Caspian/letters/Wren Thornwick/0001 Keel and or mast.eml');
  const mail = await simpleParser(files.get(eml ?? '') ?? '');
  expect([mail.subject, mail.text?.trim(), mail.from?.value[0]?.address]).toEqual([
    ...['Keel: and/or <mast>', 'Has it come?', 'maren@test.example'],
  ]);

  const trail = await maren.get(trailRoutes.trail.path.replace(':studentId', studentId));
  expect(trail.body.entries).toContainEqual(expect.objectContaining({ kind: 'exported', by: 'maren' }));
});

it('holds for a child its own record, and nothing of what its guardians talk about', async () => {
  const files = await exported(await world.signedIn('kid'));
  const all = [...files.entries()].map(([path, bytes]) => `${path}\n${bytes.toString('utf8')}`).join('\n');
  expect(all).toContain('Boat-building');
  for (const secret of [/At supper\./, /Has it come\?/, /\bPet\b/]) expect(all).not.toMatch(secret);
});

it('holds for another household of the child nothing of this one', async () => {
  const files = await exported(await world.signedIn('far'));
  const all = [...files.entries()].map(([path, bytes]) => `${path}\n${bytes.toString('utf8')}`).join('\n');
  for (const secret of ['At supper.', 'Has it come?', 'maren']) expect(all).not.toContain(secret);
});

it.each([
  ['Kelp: chemistry / one', 'Kelp chemistry one'],
  ['../../etc/passwd', 'etc passwd'],
  ['..', 'unnamed'],
  ['', 'unnamed'],
  ['a\u202Eb\u0000c', 'a b c'],
  ['x'.repeat(300), 'x'.repeat(80)],
])('a file that would be called %j is called %j', (text, name) => expect(fileNameOf(text)).toBe(name));

it('two files of one path are two', async () => {
  const zip = await zipOf(
    [
      { path: 'a/b.txt', content: 'one' },
      { path: 'a/b.txt', content: 'two' },
    ],
    new Date('2026-10-21T00:00:00Z'),
  );
  expect([...(await filesOf(zip)).entries()].map(([path, bytes]) => [path, String(bytes)])).toEqual([
    ['a/b.txt', 'one'],
    ['a/b 2.txt', 'two'],
  ]);
});
