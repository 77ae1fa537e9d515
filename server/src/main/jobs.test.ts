import { followUpRoutes, messageRoutes, sourceRoutes } from '@cadro/contract';
import { createTransport } from 'nodemailer';
import { sendMail } from '../messages';
import { figuresJob, wantFigures } from '../gradebook';
import { addJobs } from '../kit';
import { allStudentIds, wholeOf } from '../records';
import { readingJob } from '../sources';
import { World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
});
afterAll(() => world.stop());

const waiting = async (task: string): Promise<number> =>
  (
    await world.db.raw<{ rows: { count: number }[] }>(
      'select count(*)::int as count from graphile_worker.jobs where task_identifier = ?',
      [task],
    )
  ).rows[0]?.count ?? -1;
const letters = async (): Promise<{ subject: string; messageId: string }[]> =>
  (
    (await (await fetch(`${world.school.url}/demo/letters`)).json()) as {
      letters: { subject: string; messageId: string }[];
    }
  ).letters;

describe('the queue', () => {
  it('joins wishes for the same thing that wait', async () => {
    const source = world.sources.get('millrace') ?? '';
    await addJobs(world.db, [figuresJob, readingJob(source), figuresJob]);
    await addJobs(world.db, [readingJob(source), figuresJob]);
    expect([await waiting('computeFigures'), await waiting('syncSource')]).toEqual([1, 1]);
    await world.workOff();
    expect([await waiting('computeFigures'), await waiting('syncSource')]).toEqual([0, 0]);
  });

  it('has no job whose reason was taken back', async () => {
    await world.db
      .transaction(async (trx) => {
        await addJobs(trx, [figuresJob]);
        throw new Error('cut');
      })
      .catch(() => undefined);
    expect(await waiting('computeFigures')).toBe(0);
  });

  it('tries a source again that was down, and leaves one alone that refuses', async () => {
    const source = world.sources.get('millrace') ?? '';
    await world.school.fail([{ school: 'millrace', collection: 'orgs', kind: 'down' }]);
    await addJobs(world.db, [readingJob(source)]);
    await world.workOff();
    const { rows } = await world.db.raw<{ rows: { attempts: number; later: boolean; last_error: string }[] }>(
      `select attempts, run_at > created_at as later, last_error from graphile_worker.jobs
       where task_identifier = 'syncSource'`,
    );
    expect(rows).toEqual([{ attempts: 1, later: true, last_error: expect.stringContaining('answered 503') }]);
    await world.school.fail([]);
    const right = await world.db('sources').where({ id: source }).first<{ client_secret_sealed: string }>();
    const wrong = await world
      .db('sources')
      .whereNot({ id: source })
      .first<{ client_secret_sealed: string }>();
    await world
      .db('sources')
      .where({ id: source })
      .update({ client_secret_sealed: wrong.client_secret_sealed });
    await addJobs(world.db, [readingJob(source)]);
    await world.workOff();
    expect(await waiting('syncSource')).toBe(0);
    expect(await world.db('sources').where({ id: source }).first('last_error')).toMatchObject({
      last_error: expect.stringContaining('answered 401'),
    });
    await world
      .db('sources')
      .where({ id: source })
      .update({ client_secret_sealed: right.client_secret_sealed });
    await world.sync('millrace');
  });
});

describe('figures are a cache', () => {
  const figures = () =>
    world
      .db('current_figures')
      .orderBy(['student_id', 'course_id'])
      .select('student_id', 'course_id', 'figures');
  it('can be thrown away and computed to the same numbers', async () => {
    const before = await figures();
    expect(before.length).toBeGreaterThan(16);
    await world.db('current_figures').delete();
    await world.compute(...(await allStudentIds(world.db)));
    expect(await figures()).toEqual(before);
  });

  it('are computed for everyone who waits, once, and for nobody whose wish was taken back', async () => {
    const [waits, not] = [world.student('caspian'), world.student('isolde')];
    await world.workOff();
    await world.db('current_figures').whereIn('student_id', [waits, not]).delete();
    const now = await world.clock.now();
    await wantFigures(world.db, wholeOf([waits]), now);
    await wantFigures(world.db, wholeOf([waits]), now);
    await world.db
      .transaction(async (trx) => {
        await wantFigures(trx, wholeOf([not]), now);
        throw new Error('cut');
      })
      .catch(() => undefined);
    await addJobs(world.db, [figuresJob]);
    await world.workOff();
    const computed = () =>
      world.db('current_figures').whereIn('student_id', [waits, not]).distinct().pluck('student_id');
    expect(await computed()).toEqual([waits]);
    expect(await world.db('figures_wanted').pluck('student_id')).toEqual([]);
    await world.compute(not);
  });

  it('says nothing more of a course the child has left', async () => {
    const student_id = world.student('pet');
    const [first] = await world.db('enrolments').where({ student_id }).select('course_id');
    await world
      .db('enrolments')
      .where({ student_id, ...first })
      .update({ active: false });
    await world.compute(student_id);
    expect(await world.db('current_figures').where({ student_id, ...first })).toEqual([]);
    await world
      .db('enrolments')
      .where({ student_id, ...first })
      .update({ active: true });
    await world.compute(student_id);
  });
});

describe('a letter', () => {
  const write = async (subject: string): Promise<string> => {
    const maren = await world.signedIn('maren');
    const path = messageRoutes.teachers.path.replace(':studentId', world.student('caspian'));
    const { teachers } = (await maren.get(path)).body;
    const teacher = teachers.find(({ contactable }: { contactable: boolean }) => contactable);
    await maren
      .post(messageRoutes.send.path)
      .send({ studentId: world.student('caspian'), teacherId: teacher.id, subject, text: 'T' })
      .expect(202);
    const row = await world.db('messages').where({ subject }).first<{ id: string }>('id');
    return row.id;
  };
  const deps = () => ({
    db: world.db,
    config: world.config,
    transport: createTransport(world.config.smtpUrl),
  });

  it('is the same mail to the teacher when the worker dies between sending and noting it', async () => {
    const id = await write('once');
    await sendMail(deps(), id);
    await world.db('messages').where({ id }).update({ state: 'queued' });
    await sendMail(deps(), id);
    expect((await letters()).filter(({ subject }) => subject === 'once')).toHaveLength(1);
  });

  it('is not sent again by a job that comes twice', async () => {
    const id = await write('twice');
    await addJobs(world.db, [{ task: 'sendMail', payload: { messageId: id }, key: `mail:${id}` }]);
    await world.workOff();
    await addJobs(world.db, [{ task: 'sendMail', payload: { messageId: id }, key: `mail:${id}` }]);
    await world.workOff();
    expect((await letters()).filter(({ subject }) => subject === 'twice')).toHaveLength(1);
    expect(await world.db('messages').where({ id }).first('state')).toEqual({ state: 'sent' });
  });

  it('moves its follow-up on, though somebody edits that in the same moment', async () => {
    const maren = await world.signedIn('maren');
    const studentId = world.student('caspian');
    const courseId = await world.courseId('ferries', 'millrace');
    for (let round = 0; round < 5; round++) {
      const { body: made } = await maren
        .post(followUpRoutes.create.path)
        .send({ studentId, courseId, title: 'Ferry timetables' })
        .expect(201);
      const path = followUpRoutes.change.path.replace(':followUpId', made.id);
      const letter = {
        studentId,
        teacherId: made.teacher.id,
        followUpId: made.id,
        subject: 'at once',
        text: 'T',
      };
      const [edit] = await Promise.all([
        maren.patch(path).send({ version: made.version, note: 'A note' }),
        maren.post(messageRoutes.send.path).send(letter).expect(202),
      ]);
      expect([200, 409]).toContain(edit.status);
      const { body: after } = await maren.get(path).expect(200);
      expect(after).toMatchObject({ step: 'waiting-on-school', lookAgainOn: expect.any(String) });
      await maren.patch(path).send({ version: after.version, step: 'settled' }).expect(200);
    }
  });

  it('that cannot be sent says so after the last try', async () => {
    const id = await write('nowhere');
    const nowhere = { ...deps(), transport: createTransport('smtp://127.0.0.1:9') };
    await expect(sendMail(nowhere, id)).rejects.toThrow();
    expect(await world.db('messages').where({ id }).first('state')).toEqual({ state: 'queued' });
    await expect(sendMail(nowhere, id, true)).rejects.toThrow();
    expect(await world.db('messages').where({ id }).first('state')).toEqual({ state: 'failed' });
  });
});

it('moves the demo on by a day, with everything that happens at the schools', async () => {
  const maren = await world.signedIn('maren');
  const item = {
    studentId: world.student('caspian'),
    itemId: await world.itemId('boats-keel-model', 'millrace'),
  };
  await maren
    .post(followUpRoutes.create.path)
    .send({ ...item, title: 'Keel model' })
    .expect(201);
  const before = await world.db('results').count();
  const runner = await world.startWorker();
  const { body } = await maren.post(sourceRoutes.moveDemoClock.path).expect(200);
  await runner.stop();
  expect(body.now).toBe('2026-10-22T19:40:00.000Z');
  const after = await world.db('results').count();
  expect(Number(after[0]?.['count'])).toBeGreaterThan(Number(before[0]?.['count']));
});
