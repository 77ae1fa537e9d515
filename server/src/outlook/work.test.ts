import {
  calendarRoutes,
  followUpRoutes,
  gradebookRoutes,
  outlookRoutes,
  tryRoutes,
  workRoutes,
  type Brief,
  type CalendarEvent,
  type CourseDetail,
  type FollowUp,
  type FollowUpSummary,
  type ItemDetail,
  type Work,
  type WorkRow,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* The place Work on the story's first evening: what is open, what is doubtful, what was offered. */
let world: World;
let maren: Agent;
let work: Work;

const load = async (): Promise<Work> => (await maren.get(workRoutes.work.path).expect(200)).body as Work;
const titles = (group: WorkRow['group']) =>
  work.rows.filter((row) => row.group === group).map(({ title }) => title);
const row = (title: string): WorkRow => {
  const found = work.rows.find((each) => each.title === title);
  if (!found) throw new Error(`${title} is not in the list`);
  return found;
};
const fill = (path: string, params: Record<string, string>) =>
  path.replace(/:(\w+)/g, (_all, name: string) => params[name] ?? '');

beforeAll(async () => {
  // Read from day to day, so that what came or was settled in between is known as such.
  world = await World.read('daily');
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'student', role: 'student', children: ['caspian'] },
  ]);
  await world.household('apart', [{ name: 'apart', children: ['isolde'] }]);
  maren = await world.signedIn('maren');
  work = await load();
});
afterAll(() => world.stop());

describe('the list', () => {
  it('finds every loose end of the story, with what its reason is told from, and no other', () => {
    const reasons = work.rows
      .filter(({ kind }) => kind !== null)
      .map(({ group, title, kind, remarked, flagsMissing }) => [group, title, kind, remarked, flagsMissing]);
    expect(reasons).toEqual([
      ['loose', 'Keel model', 'overdue', true, false],
      ['loose', 'Harbour map key', 'incomplete', true, false],
      ['loose', 'Log of tides, entry 4', 'zero', false, false],
      ['loose', 'Reef survey', 'missing', true, true],
      ['loose', 'Source letter', 'at-floor', true, false],
      ['doubtful', 'Reading card, chapter 5', 'overdue', false, false],
      ['doubtful', 'Crossing card', 'missing', false, true],
      ['waiting', 'Essay on lamps', 'unmarked', false, false],
    ]);
  });

  it('lays both sources side by side where they differ', () => {
    expect(row('Reading card, chapter 5')).toMatchObject({
      doubt: 'doubtful',
      said: { status: 'open', at: null },
      other: { status: 'scored', earned: 9, at: '2026-10-20T19:30:00.000Z' },
    });
    expect(row('Crossing card')).toMatchObject({
      doubt: 'doubtful',
      said: { status: 'missing', at: '2026-10-20T11:10:00.000Z' },
      other: { status: 'handed-in', at: '2026-10-19T23:25:00.000Z' },
    });
    expect(row('Reef survey')).toMatchObject({ doubt: null, other: null });
  });

  it('has what is coming with what rides on it, tests early, and what is settled, undated and excused', () => {
    const coming = work.rows.filter(({ group }) => group === 'coming');
    expect(coming.map(({ dueAt }) => dueAt)).toEqual([...coming.map(({ dueAt }) => dueAt)].sort());
    expect(row('First test')).toMatchObject({ group: 'coming', early: true, itemKind: 'test' });
    expect(row('First test').impact).toBeGreaterThan(0);
    expect(titles('undated')).toContain('Lens sketchbook');
    expect(titles('settled')).toContain('Seed log');
    expect(row('Seed log')).toMatchObject({ was: 'missing', said: { status: 'scored', earned: 17 } });
    expect(titles('excused')).toEqual(['Storm diary']);
  });

  it('orders loose ends by what they do to the figure, over scales', () => {
    const shares = work.rows
      .filter(({ group }) => group === 'loose')
      .map(({ impact, outOf }) => (impact ?? 0) / outOf);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
  });

  it('learns how long work takes from what it is told', async () => {
    const { studentId, itemId, effort } = row('Keel model');
    expect(effort).toEqual({ minutes: 60, told: false });
    await maren.post(fill(workRoutes.effort.path, { studentId, itemId })).send({ minutes: 30 }).expect(204);
    const after = (await load()).rows;
    expect(after.find(({ title }) => title === 'Keel model')?.effort).toEqual({ minutes: 30, told: true });
    expect(after.find(({ title }) => title === 'Harbour map key')?.effort).toEqual({
      minutes: 30,
      told: false,
    });
    await maren.post(fill(workRoutes.effort.path, { studentId, itemId })).send({ minutes: null }).expect(204);
  });

  it('keeps what the child said, with its day', async () => {
    const { studentId, itemId } = row('Keel model');
    await maren
      .post(fill(workRoutes.asked.path, { studentId, itemId }))
      .send({ answer: 'at-home' })
      .expect(204);
    await maren
      .post(fill(workRoutes.asked.path, { studentId, itemId }))
      .send({ answer: 'handed-in' })
      .expect(204);
    const asked = (await load()).rows.find(({ title }) => title === 'Keel model')?.asked;
    expect(asked).toEqual({ answer: 'handed-in', on: '2026-10-21' });
    // The child reads what it is taken to have said, and nothing of what its guardians note.
    const student = await world.signedIn('student');
    const theirs = (await student.get(workRoutes.work.path).expect(200)).body as Work;
    expect(theirs.rows.find(({ title }) => title === 'Keel model')).toMatchObject({
      asked: { answer: 'handed-in' },
      effort: { told: false },
    });
  });
});

describe('several at once', () => {
  it('come to a figure course by course, which need not be the sum of their effects', async () => {
    const picks = [row('Keel model'), row('Log of tides, entry 4')].map(({ studentId, itemId }) => ({
      studentId,
      itemId,
    }));
    const { courses } = (await maren.post(workRoutes.joint.path).send({ picks }).expect(200)).body;
    expect(courses).toMatchObject([
      { courseTitle: 'Boat-building', count: 1 },
      { courseTitle: 'Tide tables', count: 1 },
    ]);
    expect(courses[1].ifDone - courses[1].ifLeft).toBeCloseTo(row('Log of tides, entry 4').impact ?? 0, 9);
  });

  it('are refused when one is not the child’s', async () => {
    const { studentId } = row('Reef survey');
    const picks = [{ studentId, itemId: row('Keel model').itemId }];
    await maren.post(workRoutes.joint.path).send({ picks }).expect(404);
  });

  it('become one follow-up of their course', async () => {
    const courseId = row('Crossing card').courseId;
    const studentId = row('Crossing card').studentId;
    const open = work.rows.filter((each) => each.courseId === courseId && each.group === 'coming');
    const itemIds = [row('Crossing card').itemId, ...open.slice(0, 1).map(({ itemId }) => itemId)];
    const body = { studentId, courseId, itemIds, title: 'Two for the ferries' };
    const made = (await maren.post(followUpRoutes.create.path).send(body).expect(201)).body as FollowUp;
    expect(made).toMatchObject({ itemId: null, itemIds, topic: 'work', step: 'noticed' });
    expect((await load()).rows.find(({ title }) => title === 'Crossing card')?.followUpId).toBe(made.id);
    await maren
      .post(followUpRoutes.create.path)
      .send({ ...body, itemIds: [row('Reef survey').itemId, row('Keel model').itemId] })
      .expect(404);
  });
});

describe('offers', () => {
  it('are read out of the story’s comments, each on its own words', () => {
    const read = work.offers.map(({ itemTitle, kind, until, credit, quote }) => [
      itemTitle,
      kind,
      until,
      credit,
      quote,
    ]);
    expect(read).toEqual([
      ['Titration quiz', 'redo', '2026-10-23', null, 'You may redo the titration quiz until Friday'],
      [
        'Keel model',
        'hand-in',
        '2026-10-27',
        0.75,
        'I’ll take it until October 27 for three-quarters credit',
      ],
      ['Harbour map key', 'hand-in', null, null, 'Finish the last four'],
      ['Reef survey', 'hand-in', '2026-11-06', 0.5, 'Half credit until the end of the term'],
    ]);
    for (const { text, quote } of work.offers) expect(text).toContain(quote);
  });

  it('enter the household’s own figures once confirmed, and its follow-up; and leave again', async () => {
    const place = { studentId: row('Keel model').studentId, courseId: row('Keel model').courseId };
    const course = async (agent = maren) =>
      (await agent.get(fill(gradebookRoutes.course.path, place)).expect(200)).body as CourseDetail;
    const before = await course();
    const body = {
      ...place,
      itemId: row('Keel model').itemId,
      title: 'Keel model',
      lookAgainOn: '2026-11-05',
    };
    const followUp = (await maren.post(followUpRoutes.create.path).send(body).expect(201)).body as FollowUp;
    const offer = work.offers.find(({ itemTitle }) => itemTitle === 'Keel model');
    const path = fill(workRoutes.offer.path, { ...place, commentId: offer?.commentId ?? '' });

    const answered = await maren.post(path).send({ place: 0, answer: 'confirmed' }).expect(200);
    expect(answered.body.offers).toMatchObject([{ answer: 'confirmed' }]);
    const looseEnd = (found: CourseDetail) =>
      found.items.find(({ title }) => title === 'Keel model')?.looseEnd;
    expect(looseEnd(await course())).toMatchObject({ credit: 0.75, deadline: '2026-10-28T02:59:00Z' });
    const item = (
      await maren
        .get(fill(gradebookRoutes.item.path, { studentId: place.studentId, itemId: body.itemId }))
        .expect(200)
    ).body as ItemDetail;
    expect(item.comments[0]?.offers).toMatchObject([{ kind: 'hand-in', answer: 'confirmed' }]);
    const after = (await maren.get(fill(followUpRoutes.read.path, { followUpId: followUp.id })))
      .body as FollowUp;
    expect(after.lookAgainOn).toBe('2026-10-27');
    expect(after.entries.map(({ text }) => text)).toContain(
      'I’ll take it until October 27 for three-quarters credit',
    );

    await world.moveTo('2026-10-22T10:00:00Z');
    const ending = async () => {
      const brief = (await maren.get(outlookRoutes.brief.path).expect(200)).body as Brief;
      const { events } = (
        await maren
          .get(calendarRoutes.calendar.path)
          .query({ from: '2026-10-27', to: '2026-10-27' })
          .expect(200)
      ).body as { events: CalendarEvent[] };
      return {
        brief: brief.coming.flatMap(({ on, items }) =>
          items.filter(({ offerEnds }) => offerEnds).map(({ title }) => [on, title]),
        ),
        calendar: events
          .filter(({ layer }) => layer === 'offer')
          .map(({ title, settled }) => [title, settled]),
      };
    };
    expect(await ending()).toEqual({
      brief: [['2026-10-27', 'Keel model']],
      calendar: [['Offer ends: Keel model', false]],
    });
    // Handed in, it asks for nothing more: the Brief is silent, the calendar has it as settled.
    const taken = { student_id: place.studentId, item_id: body.itemId, at: new Date('2026-10-22T09:00:00Z') };
    await world.db('results').insert({ ...taken, status: 'handed-in', late: true });
    expect(await ending()).toEqual({ brief: [], calendar: [['Offer ends: Keel model', true]] });
    await world.db('results').where(taken).delete();
    await world.moveTo('2026-10-21T19:40:00Z');

    await maren.post(path).send({ place: 0, answer: null }).expect(200);
    expect((await course()).figures).toEqual(before.figures);
    await maren.post(path).send({ place: 0, answer: 'dismissed' }).expect(200);
    expect((await load()).offers.map(({ itemTitle }) => itemTitle)).not.toContain('Keel model');
    await maren.post(path).send({ place: 7, answer: 'confirmed' }).expect(404);
  });

  it('of one household are none of the other’s', async () => {
    const apart = await world.signedIn('apart');
    const offer = work.offers.find(({ itemTitle }) => itemTitle === 'Reef survey');
    const path = fill(workRoutes.offer.path, {
      studentId: offer?.studentId ?? '',
      commentId: offer?.commentId ?? '',
    });
    await maren.post(path).send({ place: 0, answer: 'dismissed' }).expect(200);
    const theirs = (await apart.get(workRoutes.work.path).expect(200)).body as Work;
    expect(theirs.offers.find(({ itemTitle }) => itemTitle === 'Reef survey')?.answer).toBeNull();
  });
});

describe('tries and targets', () => {
  it('are kept, written over by name, compared and forgotten', async () => {
    const { studentId, courseId, itemId } = row('Reef survey');
    const at = (path: string, more = {}) => fill(path, { studentId, courseId, ...more });
    const keep = (name: string, earned: number) =>
      maren.post(at(tryRoutes.keep.path)).send({ name, scores: [{ itemId, earned }] });
    await keep('The survey at 16', 16).expect(200);
    await keep('The survey at 16', 15).expect(200);
    const kept = (await keep('The survey at 20', 20).expect(200)).body;
    expect(kept.tries.map(({ name }: { name: string }) => name).sort()).toEqual([
      'The survey at 16',
      'The survey at 20',
    ]);
    expect((await maren.post(at(tryRoutes.target.path)).send({ target: 90 }).expect(200)).body.target).toBe(
      90,
    );
    const course = (await maren.get(at(gradebookRoutes.course.path)).expect(200)).body as CourseDetail;
    expect(course.target).toBe(90);
    const left = (await maren.delete(at(tryRoutes.forget.path, { tryId: kept.tries[0].id })).expect(200))
      .body;
    expect(left.tries).toHaveLength(1);
    await maren.delete(at(tryRoutes.forget.path, { tryId: kept.tries[0].id })).expect(404);
    expect(
      (await maren.post(at(tryRoutes.target.path)).send({ target: null }).expect(200)).body.target,
    ).toBeNull();
    await maren.post(at(tryRoutes.target.path)).send({ target: -1 }).expect(400);
  });
});

it('a follow-up of several works settles when the record shows the last loose end of them as done', async () => {
  const list = async () =>
    (await maren.get(followUpRoutes.list.path).expect(200)).body.followUps as FollowUpSummary[];
  const ofFerries = (all: FollowUpSummary[]) => all.find(({ title }) => title === 'Two for the ferries');
  expect(ofFerries(await list())?.step).toBe('noticed');
  await world.moveTo('2026-10-22T19:40:00Z');
  await world.syncAll();
  expect(ofFerries(await list())).toMatchObject({
    step: 'settled',
    outcome: { by: 'record', was: 'missing', status: 'scored', earned: 3 },
  });
  work = await load();
  expect(titles('doubtful')).toEqual([]);
});
