import {
  dayRoutes,
  followUpRoutes,
  messageRoutes,
  outlookRoutes,
  type ChildDay,
  type FollowUp,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../../testing/world';

let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian', 'pet'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

const path = (route: { path: string }, name: string, on = '') =>
  route.path.replace(':studentId', world.student(name)).replace(':on', on);
const day = async (name: string, on: string): Promise<ChildDay> =>
  (await maren.get(path(dayRoutes.day, name, on)).expect(200)).body as ChildDay;
const followUp = async (id: string): Promise<FollowUp> =>
  (await maren.get(followUpRoutes.read.path.replace(':followUpId', id)).expect(200)).body as FollowUp;
const toDesk = (name: string, letter: object) =>
  maren.post(path(dayRoutes.letter, name)).send({ subject: 'S', text: 'T', ...letter });
/** Moves on to a later afternoon and reads everything. */
async function later(date: string): Promise<void> {
  await world.workOff();
  await world.moveTo(`${date}T19:40:00Z`);
  await world.syncAll();
}

it('shows a day as it was planned and as it went, with what was done and given', async () => {
  const today = await day('isolde', '2026-10-21');
  expect(today).toMatchObject({
    open: true,
    rotationDay: 'B',
    closedFor: null,
    before: '2026-10-20',
    after: '2026-10-22',
  });
  expect(today.lessons.map(({ startsAt, courseTitle, mark }) => [startsAt, courseTitle, mark?.code])).toEqual(
    [
      ['07:40', 'Ship’s Spanish', 'P'],
      ['08:40', 'Kelp chemistry', 'P'],
      ['09:40', 'Tide tables', 'P'],
      ['10:40', 'Lighthouse optics', 'P'],
      ['12:40', 'Island history', 'P'],
      ['13:40', 'Harbour letters', 'P'],
      ['14:40', 'Rowing geometry', 'U'],
    ],
  );
  expect(today.lessons[1]).toMatchObject({ room: 'Lab 2', done: 'We went on with concentration.' });
  expect(today.missed).toEqual({ absent: 1, unexplained: 1, trip: 0 });
  // The rotation's other day has it after the third lesson; a day to come has no marks, and nothing done yet.
  const tomorrow = await day('isolde', '2026-10-22');
  expect(tomorrow.lessons[3]).toMatchObject({
    period: '4',
    courseTitle: 'Ship’s Spanish',
    mark: null,
    done: null,
  });
  expect(tomorrow.events).toMatchObject([
    { kind: 'live-lesson', startsAt: '16:30', endsAt: '17:10', courseTitle: 'Lighthouse optics' },
  ]);
  expect(await day('caspian', '2026-09-25')).toMatchObject({
    open: false,
    closedFor: 'Harbour day',
    missed: { absent: 0 },
  });
  // Told ahead is what is still to come and has school; beyond the calendar, weekdays.
  expect(today.ahead.slice(0, 4)).toEqual(['2026-10-21', '2026-10-22', '2026-10-23', '2026-10-26']);
  expect((await day('isolde', '2026-10-19')).ahead[0]).toBe('2026-10-21');
  expect((await day('isolde', '2026-10-24')).ahead[0]).toBe('2026-10-26');
  expect(await day('caspian', '2026-12-24')).toMatchObject({ open: null, lessons: [], after: null });
});

it('tells what the trip cost: two lessons, and the work they touched', async () => {
  const trip = await day('isolde', '2026-10-08');
  expect(trip.missed).toEqual({ absent: 0, unexplained: 0, trip: 2 });
  expect(
    trip.touched.map(({ courseTitle, title, due, status }) => [courseTitle, title, due, status]),
  ).toEqual([
    ['Island history', 'Source letter', true, 'scored'],
    ['Island history', 'The ferry strike: worksheet', true, 'scored'],
    ['Island history', 'The ferry strike: quiz', false, 'scored'],
    ['Harbour letters', 'Argument: field notes', false, 'scored'],
  ]);
  // A day marked as a whole was missed in every lesson of it.
  const pet = await day('pet', '2026-09-30');
  expect(pet).toMatchObject({ dayMark: { code: '0' }, missed: { absent: 4, unexplained: 0 } });
  expect(new Set(pet.touched.map(({ courseTitle }) => courseTitle)).size).toBeGreaterThan(1);
});

it.each([
  ['a day in the past told ahead', { purpose: 'ahead', lessons: [{ on: '2026-10-20', period: null }] }, 400],
  [
    'a day without marks explained',
    { purpose: 'explain', lessons: [{ on: '2026-10-24', period: null }] },
    400,
  ],
  ['a lesson that never was', { purpose: 'object', lessons: [{ on: '2026-10-21', period: '12' }] }, 400],
  ['no lesson at all', { purpose: 'explain', lessons: [] }, 400],
  ['an empty letter', { purpose: 'explain', lessons: [{ on: '2026-10-21', period: '7' }], text: '' }, 400],
])('refuses %s, and writes nothing', async (_name, letter, status) => {
  await toDesk('isolde', letter).expect(status);
  expect(await world.db('messages').count()).toEqual([{ count: 0 }]);
  expect(await world.db('followups').count()).toEqual([{ count: 0 }]);
});

it('takes the work of a missed day in hand, and settles when all of it is in', async () => {
  const missed = await day('caspian', '2026-10-01');
  expect(missed.missed.absent).toBeGreaterThan(0);
  const { body } = await maren
    .post(path(dayRoutes.catchUp, 'caspian', '2026-10-01'))
    .send({ title: 'Catch up on Thursday' })
    .expect(201);
  const open = await followUp(body.followUpId as string);
  expect(open.absence?.itemIds.length).toBeGreaterThan(0);
  expect(open.step).toBe('noticed');
  await world.db('results').insert(
    (open.absence?.itemIds ?? []).map((item_id) => ({
      student_id: world.student('caspian'),
      item_id,
      at: '2026-10-21T12:00:00Z',
      status: 'scored',
      earned: 3,
      late: false,
    })),
  );
  await world.compute(world.student('caspian'));
  expect(await followUp(open.id)).toMatchObject({ step: 'settled', outcome: { by: 'caught-up' } });
  await maren
    .post(path(dayRoutes.catchUp, 'caspian', '2026-10-12'))
    .send({ title: 'Nothing was missed' })
    .expect(422);
});

it('explains an absence to the desk, which settles it in its register', async () => {
  const lessons = ['2026-10-19', '2026-10-20', '2026-10-21'].map((on) => ({ on, period: '7' }));
  const letter = {
    purpose: 'explain',
    lessons,
    subject: 'Isolde: absence explained',
    text: 'Isolde missed Rowing geometry on 19 October, 20 October and 21 October because the ferry left early.',
  };
  const { body } = await toDesk('isolde', letter).expect(201);
  const open = await followUp(body.followUpId as string);
  expect(open).toMatchObject({
    topic: 'attendance',
    step: 'waiting-on-school',
    teacher: { name: 'Attendance desk, Gannet Head', contactable: true },
    absence: {
      purpose: 'explain',
      lessons: [{ on: '2026-10-19', period: '7', code: 'U', courseTitle: 'Rowing geometry' }, {}, {}],
    },
    register: [{ code: 'U' }, { code: 'U' }, { code: 'U' }],
  });
  expect((await toDesk('isolde', letter).expect(409)).body.code).toBe('edited-meanwhile');
  expect((await day('isolde', '2026-10-20')).inHand).toMatchObject([{ purpose: 'explain', open: true }]);
  // It speaks for those days: the Brief no longer asks about them.
  const brief = await maren.get(outlookRoutes.brief.path).expect(200);
  expect((brief.body.matters as { kind: string }[]).map(({ kind }) => kind)).not.toContain('absence');

  await later('2026-10-22');
  await later('2026-10-23');
  const settled = await followUp(open.id);
  expect(settled.step).toBe('settled');
  expect(settled.outcome).toMatchObject({
    by: 'register',
    marks: [{ code: 'E', label: 'Absent, explained' }, {}, {}],
  });
  const thread = await maren
    .get(messageRoutes.thread.path.replace(':threadId', settled.threadId ?? ''))
    .expect(200);
  expect(thread.body.messages).toMatchObject([
    { fromTeacher: false, state: 'sent' },
    { fromTeacher: true, author: 'Attendance desk, Gannet Head' },
  ]);
  expect((await day('isolde', '2026-10-21')).missed).toEqual({ absent: 1, unexplained: 0, trip: 0 });
});

it('objects to a mark, and tells ahead of days to come', async () => {
  const wrong = await toDesk('isolde', {
    purpose: 'object',
    lessons: [{ on: '2026-10-21', period: '7' }],
    text: 'The mark of Isolde in Rowing geometry on 21 October looks wrong: she was there.',
  }).expect(201);
  const ahead = await toDesk('caspian', {
    purpose: 'ahead',
    lessons: [{ on: '2026-10-26', period: null }],
    text: 'Caspian will be away on 26 October: the dentist.',
  }).expect(201);
  expect(await followUp(ahead.body.followUpId as string)).toMatchObject({
    lookAgainOn: '2026-10-27',
    register: [],
  });
  await later('2026-10-24');
  expect((await followUp(ahead.body.followUpId as string)).step).toBe('waiting-on-school');
  await later('2026-10-25');
  expect(await followUp(wrong.body.followUpId as string)).toMatchObject({
    step: 'settled',
    outcome: { by: 'register', marks: [{ code: 'P' }] },
  });
  // The day's register comes after school, and says what was told.
  await later('2026-10-27');
  const told = await followUp(ahead.body.followUpId as string);
  expect(told.step).toBe('settled');
  // Five lessons: the sixth course does not meet on that day of the rotation.
  expect(told.register).toHaveLength(5);
  expect(new Set(told.register.map(({ code }) => code))).toEqual(new Set(['AX']));
});

it('takes a note along to the desk, and nothing goes out with a file that is none', async () => {
  const letter = {
    ...{ purpose: 'ahead', lessons: [{ on: '2026-12-01', period: null }], subject: 'A note' },
    text: 'He is at the dentist’s.',
  };
  const file = (name: string, content: string) => ({
    files: [{ name, content: Buffer.from(content).toString('base64') }],
  });
  await toDesk('caspian', { ...letter, ...file('note.pdf', '<html><script>1</script></html>') }).expect(422);
  const { body } = await toDesk('caspian', { ...letter, ...file('note.pdf', '%PDF-1.4 a note') }).expect(201);
  const { threadId } = await followUp(body.followUpId);
  const { messages } = (await maren.get(`/api/threads/${threadId}`).expect(200)).body;
  expect(messages.at(-1)).toMatchObject({ files: [{ name: 'note.pdf', withheld: null }] });
});
