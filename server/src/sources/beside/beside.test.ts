import {
  attendanceRoutes,
  besideRoutes,
  followUpRoutes,
  mailRoutes,
  ownRoutes,
  type BesideRecord,
  type ChildDays,
  type CourseDetail,
  type OwnRow,
  type OwnTaken,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { wholeOf, writeCollection } from '../../records';
import { addOwnChild, ownRecordOf, putOwnCourse } from '../../testing/ownChild';
import { ownHooks, readingHooks } from '../../main/hooks';
import { followWork } from '../own/followed';
import { World } from '../../testing/world';

/* What a household has of its own stands beside the school's record, for that household alone. October 21, 2026. */
let world: World;
let maren: Agent;
let apart: Agent;
let isolde: string;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian'] },
    { name: 'looks', role: 'look-only', children: ['isolde'] },
  ]);
  await world.household('apart', [{ name: 'apart', children: ['isolde'] }]);
  maren = await world.signedIn('maren');
  apart = await world.signedIn('apart');
  isolde = world.student('isolde');
});
afterAll(() => world.stop());

const at = (path: string, params: Record<string, string> = {}) =>
  path.replace(/:(\w+)/g, (_all, name: string) => ({ studentId: isolde, ...params })[name] ?? name);
const idOf = (course: string) => world.courseId(course, 'gannet-head');
const row = (change: Partial<OwnRow>): OwnRow => ({
  ...{ itemId: null, title: 'Quiz', dueOn: null, category: null, earned: null, possible: null },
  ...{ percent: null, letter: null, status: 'open', comment: null, ...change },
});
const put = async (course: string, rows: readonly OwnRow[]): Promise<OwnTaken> => {
  const path = at(ownRoutes.putWork.path, { courseId: await idOf(course) });
  return (await maren.post(path).send({ rows }).expect(200)).body as OwnTaken;
};
const detail = async (course: string, who = maren): Promise<CourseDetail> =>
  (await who.get(`/api/students/${isolde}/courses/${await idOf(course)}`).expect(200)).body as CourseDetail;
const work = async (course: string, title: string, who = maren) =>
  (await detail(course, who)).items.filter((item) => item.title === title);
const beside = async (who = maren): Promise<BesideRecord> =>
  (await who.get(at(besideRoutes.beside.path)).expect(200)).body as BesideRecord;
/** What the school says of a work from now on, by its own road. */
async function schoolSays(course: string, title: string, earned: number): Promise<void> {
  const source = world.sources.get('gannet-head') ?? '';
  const item = await world
    .db('items')
    .where({ course_id: await idOf(course), title, source_id: source })
    .first<{ external_id: string }>('external_id');
  const now = await world.clock.now();
  const result = { student_id: 'isolde', item_id: item.external_id, status: 'scored', earned, late: false };
  const neutral = { id: `said:${title}`, gone: false, at: now.toISOString(), levels: {}, ...result };
  await world.db.transaction((trx) => writeCollection(trx, source, 'results', [neutral], now));
  await world.compute(isolde);
}

it('counts what the school has not entered yet, for the household that wrote it down alone', async () => {
  const before = await detail('kelp', apart);
  const taken = await put('kelp', [
    row({
      title: 'Kelp dive',
      dueOn: '2026-10-20',
      earned: 9,
      possible: 10,
      status: 'scored',
      category: 'Field notes',
    }),
    row({ title: 'Drawing', dueOn: '2026-10-29', possible: 10, category: 'homework' }),
  ]);
  expect(taken).toMatchObject({ added: 2, shareless: [] });

  const mine = await detail('kelp');
  expect((await work('kelp', 'Kelp dive'))[0]).toMatchObject({ state: { status: 'scored', earned: 9 } });
  const fieldNotes = (course: CourseDetail) =>
    course.figures?.categories.find(
      ({ id }) => id === course.categories.find((k) => k.title === 'Field notes')?.id,
    );
  expect(fieldNotes(mine)?.possible).toBe((fieldNotes(before)?.possible ?? 0) + 10);
  expect(mine.figures?.posted).not.toBe(before.figures?.posted);
  // The very figure everywhere.
  const { body: courses } = await maren.get('/api/courses').expect(200);
  const listed = courses.courses.find(
    ({ id, studentId }: { id: string; studentId: string }) => id === mine.id && studentId === isolde,
  );
  expect(listed.figures.posted).toBe(mine.figures?.posted);
  const { body: calendar } = await maren.get('/api/work').expect(200);
  expect(JSON.stringify(calendar)).toContain('Drawing');

  // Who has not written it reads the course as the school tells it.
  expect((await detail('kelp', apart)).figures).toEqual(before.figures);
  expect(await work('kelp', 'Kelp dive', apart)).toEqual([]);
  expect(JSON.stringify((await apart.get('/api/work').expect(200)).body)).not.toContain('Drawing');
  for (const path of ['/api/news', '/api/brief'])
    expect(JSON.stringify((await apart.get(path).expect(200)).body)).not.toContain('Kelp dive');
  // A classmate of the same household has nothing of it.
  const rows = await world.db('items').where({ title: 'Kelp dive' }).select('student_id');
  expect(rows).toEqual([{ student_id: isolde }]);
});

it('holds until the school has judged the work itself, and then dissolves into it', async () => {
  const essay = row({
    title: 'essay on lamps',
    dueOn: '2026-10-09',
    earned: 27,
    possible: 30,
    status: 'scored',
  });
  await put('optics', [essay]);
  const [shown, ...others] = await work('optics', 'Essay on lamps');
  expect(others).toEqual([]);
  expect(shown?.state).toMatchObject({ status: 'scored', earned: 27 });
  expect((await work('optics', 'Essay on lamps', apart))[0]?.state.status).toBe('handed-in');
  const knew = (await detail('optics')).figures?.posted;
  expect((await beside()).laid.find(({ own }) => own.title === 'essay on lamps')).toMatchObject({
    stands: true,
  });

  await schoolSays('optics', 'Essay on lamps', 24);
  expect((await work('optics', 'Essay on lamps'))[0]?.state.earned).toBe(24);
  expect((await detail('optics')).figures?.posted).toBe((await detail('optics', apart)).figures?.posted);
  expect((await detail('optics')).figures?.posted).not.toBe(knew);
  expect((await beside()).laid.find(({ own }) => own.title === 'essay on lamps')).toMatchObject({
    stands: false,
    differences: [{ what: 'score', reason: 'newer-there' }],
  });

  // The household's own word first: it holds again, and says so.
  const lead = { courseId: await idOf('optics'), lead: 'own' };
  await maren.post(at(besideRoutes.lead.path)).send(lead).expect(204);
  expect((await work('optics', 'Essay on lamps'))[0]?.state.earned).toBe(27);
  expect((await detail('optics')).figures?.posted).toBe(knew);
  expect((await work('optics', 'Essay on lamps', apart))[0]?.state.earned).toBe(24);
  await maren
    .post(at(besideRoutes.lead.path))
    .send({ ...lead, lead: 'school' })
    .expect(204);
  expect((await work('optics', 'Essay on lamps'))[0]?.state.earned).toBe(24);

  // Or of this one alone, whatever is said of the course.
  const laid = (await beside()).laid.find(({ own }) => own.title === 'essay on lamps');
  const alone = { ...lead, ownId: laid?.ownId };
  await maren.post(at(besideRoutes.lead.path)).send(alone).expect(204);
  expect((await work('optics', 'Essay on lamps'))[0]?.state.earned).toBe(27);
  const school = { ...alone, lead: 'school' };
  await maren.post(at(besideRoutes.lead.path)).send(school).expect(204);
  expect((await work('optics', 'Essay on lamps'))[0]?.state.earned).toBe(24);
  await maren
    .post(at(besideRoutes.lead.path))
    .send({ ...alone, ownId: laid?.itemId })
    .expect(404);
});

it('asks where it is not sure, remembers the answer, and takes it back', async () => {
  const quiz = row({
    title: 'Concentration',
    dueOn: '2026-10-22',
    earned: 15,
    possible: 20,
    status: 'scored',
  });
  await put('kelp', [quiz]);
  const asked = (await beside()).asks.find(({ own }) => own.title === 'Concentration');
  expect(asked?.theirs.title).toBe('Concentration: quiz');
  // Until then they are two.
  expect(await work('kelp', 'Concentration')).toHaveLength(1);
  const say = (same: boolean) =>
    maren
      .post(at(besideRoutes.pair.path))
      .send({ ownId: asked?.ownId, itemId: asked?.itemId, same })
      .expect(204);
  await say(true);
  expect(await work('kelp', 'Concentration')).toEqual([]);
  expect((await work('kelp', 'Concentration: quiz'))[0]?.state.earned).toBe(15);
  await say(false);
  expect(await work('kelp', 'Concentration')).toHaveLength(1);
  expect((await work('kelp', 'Concentration: quiz'))[0]?.state.status).toBe('open');
  // Said once, it is asked no more.
  expect((await beside()).asks.filter(({ own }) => own.title === 'Concentration')).toEqual([]);
});

it('takes what is said about a work of the school’s as that work', async () => {
  const [survey] = await work('kelp', 'Reef survey');
  await put('kelp', [
    row({
      itemId: survey?.id ?? '',
      title: 'Reef survey',
      status: 'handed-in',
      comment: 'Put into the box.',
    }),
  ]);
  const laid = (await beside()).laid.find(({ theirs }) => theirs.title === 'Reef survey');
  // The school has said that it is missing, and goes first.
  expect(laid).toMatchObject({ stands: false, differences: [{ what: 'score', reason: 'travelling' }] });
  expect((await work('kelp', 'Reef survey')).map(({ state }) => state.status)).toEqual(['missing']);
  const { body } = await maren.get(`/api/students/${isolde}/items/${survey?.id}`).expect(200);
  expect(body.comments.map(({ text }: { text: string }) => text)).toContain('Put into the box.');
  const theirs = await apart.get(`/api/students/${isolde}/items/${survey?.id}`).expect(200);
  expect(JSON.stringify(theirs.body)).not.toContain('Put into the box.');
});

it('keeps a course of its own for a child whose school tells of others', async () => {
  const music = await putOwnCourse(maren, isolde, { title: 'Cello' });
  const path = at(ownRoutes.putWork.path, { courseId: music });
  const scale = row({ title: 'Scales', dueOn: '2026-10-19', earned: 8, possible: 10, status: 'scored' });
  await maren
    .post(path)
    .send({ rows: [scale] })
    .expect(200);
  const { body } = await maren.get(`/api/students/${isolde}/courses/${music}`).expect(200);
  expect(body.figures.posted).toBe(80);
  await apart.get(`/api/students/${isolde}/courses/${music}`).expect(404);
  expect(JSON.stringify((await apart.get('/api/courses').expect(200)).body)).not.toContain('Cello');
  expect(
    (await ownRecordOf(maren, isolde)).courses.filter(({ own }) => own).map(({ title }) => title),
  ).toEqual(['Cello']);
  // What the school keeps is not the family's to change.
  const kelp = { studentId: isolde, courseId: await idOf('kelp') };
  await maren.delete(at(ownRoutes.dropCourse.path, kelp)).expect(403);
  await maren.delete(at(ownRoutes.forgetChild.path)).expect(403);
});

it('takes a teacher’s mail and a class’s calendar into the course of a school’s child', async () => {
  const { address } = (await maren.get(mailRoutes.mails.path).expect(200)).body;
  const mail = [
    ...['From: Maren <maren@test.example>', `To: ${address}`, 'Subject: Isolde in Kelp chemistry', ''],
    'Reef essay: 17/20',
  ].join('\r\n');
  await world.nobody
    .post('/api/inbound-mail')
    .set('authorization', `Bearer ${world.config.inboundMailKey}`)
    .type('message/rfc822')
    .send(mail)
    .expect(202);
  const [{ id }] = (await maren.get(mailRoutes.mails.path).expect(200)).body.mails;
  const placed = { studentId: isolde, courseId: await idOf('kelp'), take: [0], remark: true };
  await maren.post(mailRoutes.placeMail.path.replace(':mailId', id)).send(placed).expect(200);
  expect(await work('kelp', 'Reef essay')).toMatchObject([{ state: { earned: 17 }, own: 'alone' }]);
  const words = (course: CourseDetail) => course.comments.map(({ text }) => text).join(' ');
  expect(words(await detail('kelp'))).toContain('Reef essay: 17/20');
  expect(words(await detail('kelp', apart))).not.toContain('Reef essay');

  const { household_id: householdId } = await world
    .db('guardians')
    .where({ email: 'maren@test.example' })
    .first('household_id');
  const follow = (titles: readonly string[]) =>
    followWork(
      { ...world, ...ownHooks },
      { studentId: isolde, householdId },
      'ics:class',
      titles.map((title) => ({ uid: title, title, dueOn: '2026-10-28' })),
    );
  expect(await follow(['Kelp chemistry: Buoy model', 'Picture day'])).toBe(1);
  expect(await work('kelp', 'Buoy model')).toHaveLength(1);
  expect(await work('kelp', 'Buoy model', apart)).toEqual([]);
  await follow(['Picture day', 'Kelp chemistry: Tide clock']);
  expect(await work('kelp', 'Buoy model')).toEqual([]);
});

it('brings along what is kept about a work when it becomes the school’s', async () => {
  const { itemIds } = await put('spanish', [
    row({
      title: 'Vocabulary list',
      dueOn: '2026-10-19',
      possible: 10,
      status: 'missing',
      category: 'Homework',
    }),
  ]);
  const [ownId = ''] = itemIds;
  const { body } = await maren
    .post(followUpRoutes.create.path)
    .send({ studentId: isolde, courseId: await idOf('spanish'), itemId: ownId, title: 'The list' })
    .expect(201);
  const household = await world.db('followups').where({ id: body.id }).first('household_id');
  const about = { student_id: isolde, ...household, item_id: ownId };
  const when = new Date('2026-10-21T12:00:00Z');
  const kept: Readonly<Record<string, object>> = {
    efforts: { minutes: 20, at: when },
    asked_answers: { answer: 'asked', on_date: '2026-10-20', at: when, author: 'Maren' },
    plan_tasks: { minutes: 20, evening: '2026-10-22', chosen_at: when },
    own_dates: { on_date: '2026-10-23' },
    supplies_got: { supply: 'paper' },
    desk_pieces: { title: 'The list', why: 'Mine', at: when },
    desk_words: { wish: 'show', at: when, author: 'Isolde' },
  };
  for (const [table, row] of Object.entries(kept)) await world.db(table).insert({ ...about, ...row });
  const school = await world
    .db('items')
    .where({ course_id: await idOf('spanish'), source_id: world.sources.get('gannet-head') })
    .first();
  const { id: _id, ...same } = school;
  const [theirs] = await world
    .db('items')
    .insert({
      ...same,
      ...{
        external_id: 'vocabulary',
        title: 'Vocabulary list',
        due_at: '2026-10-20T02:59:00Z',
        possible: 10,
      },
      ...{ supplies: '[]', files: '[]', rubric: '[]', apart: '[]' },
    })
    .returning<{ id: string }[]>('id');
  await schoolSays('spanish', 'Vocabulary list', 9);
  const followUp = await world.db('followups').where({ id: body.id }).first('item_id', 'step');
  // And the score settles it.
  expect(followUp).toEqual({ item_id: theirs?.id, step: 'settled' });
  for (const table of Object.keys(kept))
    expect([table, await world.db(table).where(household).pluck('item_id')]).toEqual([table, [theirs?.id]]);
});

describe('two records of one child', () => {
  let other: string;
  let kelp: string;
  beforeAll(async () => {
    other = await addOwnChild(maren, { givenName: 'Isolde' });
    kelp = await putOwnCourse(maren, other, { title: 'Chemistry (kelp)' });
    const own = await putOwnCourse(maren, other, { title: 'Chess' });
    const into = (courseId: string) => at(ownRoutes.putWork.path, { studentId: other, courseId });
    await maren
      .post(into(kelp))
      .send({
        rows: [
          row({
            title: 'Titration: quiz',
            dueOn: '2026-10-16',
            earned: 18,
            possible: 20,
            status: 'scored',
            comment: 'Well done.',
          }),
          row({ title: 'Rock pools', dueOn: '2026-10-15', earned: 6, possible: 10, status: 'scored' }),
        ],
      })
      .expect(200);
    const better = row({ title: 'Endgames', dueOn: '2026-10-16', earned: 4, possible: 10, status: 'scored' });
    await maren
      .post(into(own))
      .send({ rows: [better] })
      .expect(200);
    await maren
      .post(into(own))
      .send({ rows: [{ ...better, earned: 9 }] })
      .expect(200);
    const { household_id } = await world.db('guardians').where({ given_name: 'maren' }).first('household_id');
    const mark = { household_id, period: 'day', code: 'away', kind: 'absent', excused: true, label: 'away' };
    const by = { at: new Date('2026-10-20T12:00:00Z'), author: 'Maren' };
    await world.db('household_marks').insert([
      // The school has marked the Monday itself, and nobody the Saturdays; the family knows of one what it knows.
      { ...mark, ...by, student_id: other, on_date: '2026-10-19' },
      { ...mark, ...by, student_id: other, on_date: '2026-10-17' },
      { ...mark, ...by, student_id: other, on_date: '2026-10-10' },
      { ...mark, ...by, student_id: isolde, on_date: '2026-10-10', kind: 'activity' },
    ]);
  });
  /** Isolde's marks that are not her school's. */
  const ownMarks = async () => {
    const { body } = await maren.get(attendanceRoutes.days.path).expect(200);
    const { days } = (body.children as ChildDays[]).find(
      ({ studentId }) => studentId === isolde,
    ) as ChildDays;
    return days.flatMap(({ on, marks }) =>
      marks.flatMap(({ by, kind }) => (by === 'household' ? [`${on} ${kind}`] : [])),
    );
  };
  const others = () => at(besideRoutes.join.path, { otherId: other });
  const children = async () =>
    (await maren.get('/api/me').expect(200)).body.children.map(({ id }: { id: string }) => id);

  it('are found, and shown with what is probably the same', async () => {
    expect((await beside()).candidates).toEqual([
      { id: other, name: 'Isolde Aldervane', schoolName: 'Skerry Cove School' },
    ]);
    const { body } = await maren.get(others()).expect(200);
    const titles = body.courses.map(({ title, courseId }: { title: string; courseId: string | null }) => [
      title,
      courseId,
    ]);
    expect(titles).toEqual([
      ['Chemistry (kelp)', await idOf('kelp')],
      ['Chess', null],
    ]);
  });

  it('are read as one, with all that was said before', async () => {
    const { body } = await maren.get(others()).expect(200);
    const courses = body.courses.map(
      ({ otherCourseId, courseId }: { otherCourseId: string; courseId: string }) => ({
        otherCourseId,
        courseId,
      }),
    );
    await maren.post(others()).send({ courses }).expect(204);
    expect(await children()).not.toContain(other);
    expect(await work('kelp', 'Rock pools')).toMatchObject([{ state: { earned: 6 } }]);
    // The school's word goes first where both have judged.
    expect(await work('kelp', 'Titration: quiz')).toMatchObject([{ state: { earned: 16.5 } }]);
    const laid = (await beside()).laid.find(({ theirs }) => theirs.title === 'Titration: quiz');
    expect(laid?.differences).toMatchObject([{ what: 'score' }]);
    const { body: all } = await maren.get('/api/courses').expect(200);
    const chess = all.courses.find(({ title }: { title: string }) => title === 'Chess');
    expect(chess).toMatchObject({ studentId: isolde, figures: { posted: 90 } });
    const results = await world
      .db('results as r')
      .join('items as i', 'i.id', 'r.item_id')
      .where({ 'r.student_id': isolde, 'i.title': 'Endgames' })
      .orderBy('r.at')
      .pluck('r.earned');
    expect(results).toEqual([4, 9]);
    expect(await ownMarks()).toEqual(['2026-10-17 absent', '2026-10-10 activity']);
    // They are as old as they are: what is read again is no news.
    const known = () =>
      world.db('household_marks').where({ student_id: isolde, told_of: other }).distinct().pluck('at');
    expect(await known()).toEqual([new Date('2026-10-20T12:00:00Z')]);
    // The same once more changes nothing.
    const rows = () => world.db('results').where({ student_id: isolde }).count();
    const before = await rows();
    await maren.post(others()).send({ courses }).expect(204);
    expect(await rows()).toEqual(before);
  });

  it('follow what the other is told from then on', async () => {
    const own = await world
      .db('items')
      .where({ title: 'Rock pools', course_id: kelp })
      .first('external_id', 'source_id');
    const now = await world.clock.now();
    await world.db.transaction(async (trx) => {
      const said = {
        student_id: 'child',
        item_id: own.external_id,
        status: 'scored',
        earned: 8,
        late: false,
        levels: {},
      };
      await writeCollection(
        trx,
        own.source_id,
        'results',
        [{ id: 'r', gone: false, at: now.toISOString(), ...said }],
        now,
      );
      await readingHooks.onRecords(trx, wholeOf([other]), { now, half: false });
    });
    await world.workOff();
    expect(await work('kelp', 'Rock pools')).toMatchObject([{ state: { earned: 8 } }]);
  });

  it('keep what was told when the other is no longer read, and stand apart again when it was a mistake', async () => {
    const parting = at(besideRoutes.part.path, { otherId: other });
    await maren.post(parting).send({ keep: true }).expect(204);
    expect((await beside()).joined[0]?.endedAt).not.toBeNull();
    expect(await work('kelp', 'Rock pools')).toHaveLength(1);
    await maren.post(parting).send({ keep: false }).expect(204);
    expect(await work('kelp', 'Rock pools')).toEqual([]);
    expect(await ownMarks()).toEqual(['2026-10-10 activity']);
    expect(await children()).toContain(other);
    expect(JSON.stringify((await maren.get('/api/courses').expect(200)).body)).toContain('Chess');
    expect((await beside()).joined).toEqual([]);
  });
});

it('goes with the household, and leaves the school’s record', async () => {
  const count = async () =>
    (await world.db('items').whereNotNull('household_id').count<{ count: number }[]>())[0]?.count;
  expect(await count()).toBeGreaterThan(0);
  const school = await detail('kelp', apart);
  const household = world.db('households').where({ name: 'here' });
  await world.db('guardians').whereIn('household_id', household.clone().select('id')).delete();
  await household.delete();
  expect(await count()).toBe(0);
  expect((await detail('kelp', apart)).figures).toEqual(school.figures);
});
