import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  alertRoutes,
  attendanceRoutes,
  calendarRoutes,
  dayRoutes,
  elsewhereRoutes,
  entryRoutes,
  followUpRoutes,
  gradebookRoutes,
  householdRoutes,
  messageRoutes,
  newsRoutes,
  outlookRoutes,
  planRoutes,
  sourceRoutes,
  termRoutes,
  tryRoutes,
  workRoutes,
  type Work,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { lookAtChildren } from '../alerts';
import { World } from '../testing/world';

/*
 * What every page is answered of the demo family, word for word: answers.txt holds it, a line for each row. Where an
 * answer is meant to change, `ANSWERS=write npm test -- server/src/main/answers.test.ts` writes it anew, and what
 * differs is read before it is committed.
 */
const file = join(__dirname, 'answers.txt');
let world: World;
let maren: Agent;
let names: ReadonlyMap<string, string>;

/** Ids are drawn anew in each database: what a source has named keeps that name, the rest are stars. */
async function namesOfIds(): Promise<Map<string, string>> {
  const tables = ['students', 'courses', 'items', 'categories', 'teachers', 'terms', 'comments'] as const;
  const rows = await Promise.all(
    tables.map((table) => world.db(table).select<{ id: string; external_id: string }[]>('id', 'external_id')),
  );
  return new Map(rows.flat().map(({ id, external_id }) => [id, external_id]));
}
const uuid = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
const steady = (text: string): string =>
  text
    .replace(uuid, (id) => names.get(id) ?? '*')
    .replace(/127\.0\.0\.1:\d+/g, 'localhost')
    .replace(/\/calendar\/[\w-]{20,}\//g, '/calendar/*/');

const longestLine = 900;

const textOf = (value: unknown): string => steady(JSON.stringify(value));

/** A value as it is in every database: numbers to nine digits. */
function settled(value: unknown): unknown {
  if (typeof value === 'number') return Number(value.toPrecision(9));
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(settled);
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, settled(each)]));
}

/** An answer in lines of one value each; what is short stays on one line, what is long is taken apart. */
function linesOf(value: unknown, at = ''): string[] {
  const text = textOf(value);
  if (text.length <= longestLine || typeof value !== 'object' || value === null) return [`${at} ${text}`];
  return Object.entries(value).flatMap(([name, each]) =>
    linesOf(each, `${at}/${Array.isArray(value) ? '-' : name}`),
  );
}

const student = (path: string, child: string) => path.replace(':studentId', world.student(child));
const course = async (path: string, child: string, id: string, school: string) =>
  student(path, child).replace(':courseId', await world.courseId(id, school));
const item = async (path: string, child: string, id: string, school: string) =>
  student(path, child).replace(':itemId', await world.itemId(id, school));

/** A household that has used everything once. */
async function livedIn(): Promise<void> {
  const post = (path: string, body: object) => maren.post(path).send(body);
  const keel = await world.itemId('boats-keel-model', 'millrace');
  const caspian = world.student('caspian');
  const taken = await post(followUpRoutes.create.path, {
    ...{ studentId: caspian, itemId: keel, title: 'Keel model', step: 'agreed', note: 'Tomorrow.' },
    lookAgainOn: '2026-10-23',
  }).expect(201);
  await post(messageRoutes.send.path, {
    ...{ studentId: caspian, teacherId: taken.body.teacher.id, followUpId: taken.body.id },
    ...{ subject: 'A question', text: 'May it still come?' },
  }).expect(202);
  const work = (await maren.get(workRoutes.work.path).expect(200)).body as Work;
  const [offer] = work.offers.filter(({ studentId }) => studentId === world.student('isolde'));
  if (!offer) throw new Error('one offer');
  await post(student(workRoutes.offer.path, 'isolde').replace(':commentId', offer.commentId), {
    ...{ place: 0, answer: 'confirmed' },
  }).expect(200);
  await post(student(planRoutes.choose.path, 'caspian'), {
    tasks: [{ itemId: keel, minutes: 30 }, { itemId: await world.itemId('history-map-key', 'millrace') }],
  }).expect(200);
  await post(student(planRoutes.propose.path, 'caspian'), {}).expect(200);
  await post(await course(tryRoutes.keep.path, 'isolde', 'kelp', 'gannet-head'), {
    name: 'The survey, half',
    scores: [{ itemId: await world.itemId('kelp-reef-survey', 'gannet-head'), earned: 10 }],
  }).expect(200);
  await post(await course(tryRoutes.target.path, 'isolde', 'kelp', 'gannet-head'), {
    target: 85,
  }).expect(200);
  await post(await course(gradebookRoutes.correctPolicy.path, 'isolde', 'tides', 'gannet-head'), {
    correction: { missingCounts: 'not' },
  }).expect(200);
  await post(entryRoutes.create.path, {
    ...{ kind: 'reminder', title: 'Library books', text: 'Both bags.', studentIds: [caspian], shared: true },
    ...{ on: '2026-10-22', startsAt: '08:00', rule: 'FREQ=WEEKLY;BYDAY=TH' },
  }).expect(201);
  await post(elsewhereRoutes.create.path, {
    ...{ name: 'Kitchen', layers: ['due', 'test'], studentIds: [] },
  }).expect(201);
}

beforeAll(async () => {
  world = await World.read('daily');
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian', 'pet'] }]);
  maren = await world.signedIn('maren');
  await lookAtChildren(
    world,
    ['isolde', 'caspian', 'pet'].map((child) => world.student(child)),
  );
  await livedIn();
  await world.moveTo('2026-10-22T19:40:00Z');
  await world.syncAll();
  names = await namesOfIds();
});
afterAll(() => world.stop());

it('every page is answered as it is kept, word for word', async () => {
  const followUps = (await maren.get(followUpRoutes.list.path)).body.followUps as { id: string }[];
  const threads = (await maren.get(messageRoutes.threads.path)).body.threads as { id: string }[];
  const october = '?from=2026-10-01&to=2026-10-31';
  const asked = [
    householdRoutes.me.path,
    outlookRoutes.brief.path,
    newsRoutes.news.path,
    workRoutes.work.path,
    gradebookRoutes.courses.path,
    await course(gradebookRoutes.course.path, 'isolde', 'kelp', 'gannet-head'),
    await course(gradebookRoutes.course.path, 'caspian', 'boats', 'millrace'),
    await course(gradebookRoutes.course.path, 'pet', 'number', 'little-fathom'),
    await item(gradebookRoutes.item.path, 'isolde', 'kelp-reef-survey', 'gannet-head'),
    await item(gradebookRoutes.item.path, 'caspian', 'boats-keel-model', 'millrace'),
    await course(gradebookRoutes.policy.path, 'isolde', 'tides', 'gannet-head'),
    await course(tryRoutes.tries.path, 'isolde', 'kelp', 'gannet-head'),
    student(termRoutes.terms.path, 'isolde'),
    student(planRoutes.read.path, 'caspian'),
    attendanceRoutes.days.path,
    student(dayRoutes.day.path, 'isolde').replace(':on', '2026-10-08'),
    student(dayRoutes.day.path, 'caspian').replace(':on', '2026-10-15'),
    student(attendanceRoutes.marksCsv.path, 'caspian'),
    calendarRoutes.calendar.path + october,
    calendarRoutes.supplies.path,
    elsewhereRoutes.list.path,
    followUpRoutes.list.path,
    followUpRoutes.read.path.replace(':followUpId', followUps[0]?.id ?? ''),
    messageRoutes.threads.path,
    messageRoutes.thread.path.replace(':threadId', threads[0]?.id ?? ''),
    student(messageRoutes.teachers.path, 'isolde'),
    alertRoutes.list.path,
    alertRoutes.settings.path,
    alertRoutes.digest.path,
    sourceRoutes.sources.path,
  ];
  const lines: string[] = [];
  for (const path of asked) {
    const { body, text, headers } = await maren.get(path).expect(200);
    const isJson = String(headers['content-type']).includes('json');
    lines.push(`## ${steady(path)}`, ...(isJson ? linesOf(settled(body)) : steady(text).split(/\r?\n/)));
  }
  if (process.env['ANSWERS'] === 'write') writeFileSync(file, `${lines.join('\n')}\n`);
  expect(lines).toEqual(readFileSync(file, 'utf8').trimEnd().split('\n'));
});

it('says to whoever watches over it that it runs and can be asked', async () => {
  expect((await world.nobody.get('/healthz').expect(200)).body).toEqual({ ok: true });
  expect((await world.nobody.get('/readyz').expect(200)).body).toEqual({ ok: true, faults: [] });
});
