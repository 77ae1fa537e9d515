import { alertRoutes, householdRoutes, type Alert, type AlertSettings } from '@cadro/contract';
import { presetRules } from '@cadro/core';
import { parse } from 'csv-parse/sync';
import type { Agent } from 'supertest';
import { withWords } from '../testing/alertRules';
import { World } from '../testing/world';
import { lookAtChildren } from '.';

/* What a guardian does with the alerts that came: looks through them, puts them down, asks for others. */
const children = ['isolde', 'caspian', 'pet'];
let world: World;
let maren: Agent;

beforeAll(async () => {
  world = await World.start();
  await world.moveTo('2026-10-14T19:40:00Z');
  await world.syncAll();
  await world.household('here', [{ name: 'maren', children }]);
  await world.household('apart', [{ name: 'apart', children: ['isolde'] }]);
  maren = await world.signedIn('maren');
  await change({ rules: withWords }).expect(200);
  await lookAtChildren(
    world,
    children.map((child) => world.student(child)),
  );
  for (const day of [16, 21]) {
    await world.moveTo(`2026-10-${day}T19:40:00Z`);
    await world.syncAll();
  }
});
afterAll(() => world.stop());

const list = async (query: Record<string, string> = {}, who = maren) =>
  (await who.get(alertRoutes.list.path).query(query).expect(200)).body as {
    alerts: Alert[];
    counts: Record<'open' | 'read' | 'done', number>;
  };
const settings = async (who = maren) =>
  (await who.get(alertRoutes.settings.path).expect(200)).body as AlertSettings;

const ids = async (query: Record<string, string>) => (await list(query)).alerts.map(({ id }) => id);
const putDown = (alertIds: readonly string[], state: string, who = maren) =>
  who.post(alertRoutes.change.path).send({ ids: alertIds, state });
const change = (body: object, who = maren) => who.patch(alertRoutes.changeSettings.path).send(body);
const nobodys = '00000000-0000-4000-8000-000000000000';

describe('the list of alerts', () => {
  it('is narrowed down by kind, child and state, and by words as they are read, whatever their accents', async () => {
    const isolde = world.student('isolde');
    const kinds = async (query: Record<string, string>) =>
      (await list(query)).alerts.map(({ kind, courseTitle }) => `${kind} ${courseTitle ?? ''}`.trim()).sort();
    expect(await kinds({ kind: 'attendance' })).toEqual([...Array<string>(4).fill('attendance')]);
    expect(await kinds({ kind: 'attendance', studentId: isolde })).toEqual(['attendance', 'attendance']);
    expect(await kinds({ kind: 'figure' })).toEqual(['figure Kelp chemistry', 'figure Rowing geometry']);
    expect(await kinds({ state: 'done' })).toEqual([]);
    expect((await kinds({ state: 'open' })).length).toBe(19);
    expect(await kinds({ q: 'rowing help' })).toEqual(['comment Rowing geometry']);
    expect(await kinds({ q: 'pét NUMBER  shore' })).toEqual([
      'comment Number and shore',
      'good Number and shore',
    ]);
    expect(await kinds({ q: 'rowing lantern' })).toEqual([]);
    expect((await kinds({ q: ' ' })).length).toBe(19);
  });

  it('is put down as read and done, and told how many are where', async () => {
    const [first, second, third] = await ids({ kind: 'good' });
    await putDown([first ?? '', second ?? ''], 'read').expect(204);
    await putDown([third ?? ''], 'done').expect(204);
    expect((await list()).counts).toEqual({ open: 16, read: 2, done: 1 });
    expect((await maren.get(alertRoutes.count.path).expect(200)).body).toEqual({
      ...{ open: 16, read: 2, done: 1, mailBouncedAt: null },
    });
    expect(await ids({ state: 'done' })).toEqual([third]);
    expect(await ids({ state: 'read' })).toEqual([first, second]);
    // One that is being read stays among the open ones.
    const beside = await ids({ state: 'open', beside: first ?? '' });
    expect([beside.length, beside.includes(first ?? '')]).toEqual([17, true]);
    expect(await ids({ state: 'open', beside: first ?? '', kind: 'figure' })).not.toContain(first);
    expect(await ids({ state: 'open', beside: third ?? '' })).not.toContain(third);
    expect(await ids({ state: 'done', beside: first ?? '' })).toEqual([third]);
    await putDown([first ?? '', second ?? '', third ?? ''], 'open').expect(204);
    expect((await list()).counts).toEqual({ open: 19, read: 0, done: 0 });
  });

  it('is nobody else’s', async () => {
    const apart = await world.signedIn('apart');
    const [alert] = await ids({ kind: 'comment' });
    await putDown([alert ?? ''], 'done', apart).expect(404);
    await putDown([nobodys], 'done').expect(404);
    await apart.get(alertRoutes.read.path.replace(':alertId', alert ?? '')).expect(404);
    const { body } = await maren.get(alertRoutes.read.path.replace(':alertId', alert ?? '')).expect(200);
    expect(body).toMatchObject({ id: alert, kind: 'comment', state: 'open', silencedUntil: null });
  });

  it('is summed up in a digest of one’s own children alone', async () => {
    const apart = await world.signedIn('apart');
    const { body } = await apart.get(alertRoutes.digest.path).expect(200);
    expect(body.children.map(({ givenName }: { givenName: string }) => givenName)).toEqual(['Isolde']);
  });

  it('is a file of one line each, in the language of the account', async () => {
    const file = async (query: Record<string, string>) => {
      const { text, headers } = await maren.get(alertRoutes.file.path).query(query).expect(200);
      expect(headers['content-type']).toMatch(/^text\/csv/);
      expect(text.startsWith('\uFEFF') && text.endsWith('\r\n')).toBe(true);
      return parse(text, { bom: true }) as string[][];
    };
    const when = ['Wed, Oct 21, 4:40 PM', 'Wed, Oct 21, 4:40 PM'];
    const source = ['Mon, Oct 19', 'Tue, Oct 20', 'Wed, Oct 21'].map(
      (day) => `Gannet Head Upper School, ${day}`,
    );
    expect(await file({ q: 'no reason given' })).toEqual([
      ['raised', 'news', 'child', 'course', 'about', 'alert', 'facts', 'source', 'state', 'over since'],
      [
        ...[...when, 'Isolde', '', 'Attendance', 'Absent Mon, Oct 19, no reason given'],
        ...['Classes: Rowing geometry.', source.join('; '), 'open', ''],
      ],
    ]);
    const speaks = (language: 'en' | 'es') =>
      maren.patch(householdRoutes.changeMe.path).send({ language }).expect(200);
    await speaks('es');
    const [heading, line] = await file({ kind: 'comment', studentId: world.student('pet') });
    expect(heading).toEqual([
      ...['avisado', 'novedad', 'alumno', 'materia', 'tipo', 'aviso', 'hechos', 'fuente', 'estado'],
      'terminado',
    ]);
    expect(line?.slice(2, 6)).toEqual([
      ...['Pet', 'Number and shore', 'Comentarios', 'Dilys Cockleford escribió sobre Number and shore'],
    ]);
    expect(line?.[8]).toBe('abierto');
    await speaks('en');
  });
});

describe('the settings', () => {
  const exception = async (course: string, school: string, child: string, rules: object) => ({
    rules: {
      ...presetRules('usual'),
      exceptions: [
        { studentId: world.student(child), courseId: await world.courseId(course, school), rules },
      ],
    },
  });

  it.each<[string, string, string, string, object, string]>([
    ['a letter it has not', 'kelp', 'gannet-head', 'isolde', { letter: 'E' }, 'letter'],
    ['a level where it counts in percent', 'kelp', 'gannet-head', 'isolde', { level: 2 }, 'level'],
    ['percent where it counts in levels', 'boats', 'millrace', 'caspian', { percent: 70 }, 'percent'],
    ['a level above its scale', 'boats', 'millrace', 'caspian', { level: 4.1 }, 'level'],
  ])('refuse of a course %s', async (_name, course, school, child, threshold, member) => {
    for (const rule of ['below', 'if-left']) {
      const { body } = await change(await exception(course, school, child, { [rule]: threshold })).expect(
        422,
      );
      expect([body.code, body.errors[0].path]).toEqual([
        'off-scale',
        `/rules/exceptions/0/rules/${rule}/${member}`,
      ]);
    }
  });

  it('take what lies on its scale, and another child’s course for nothing', async () => {
    const before = (await settings()).rules;
    for (const [course, school, child, threshold] of [
      ['kelp', 'gannet-head', 'isolde', { letter: 'B', percent: 80 }],
      ['boats', 'millrace', 'caspian', { level: 4 }],
    ] as const) {
      const body = await exception(course, school, child, { below: threshold });
      expect((await change(body).expect(200)).body.rules.exceptions).toHaveLength(1);
    }
    await change(await exception('kelp', 'gannet-head', 'caspian', { below: { percent: 80 } })).expect(404);
    const apart = await world.signedIn('apart');
    await change(await exception('boats', 'millrace', 'caspian', {}), apart).expect(404);
    await change({ rules: before }).expect(200);
    expect((await settings()).preset).toBeNull();
    await change({ rules: presetRules('usual') }).expect(200);
    expect((await settings()).preset).toBe('usual');
  });

  it('keep an exception of a course that is not seen for a while, and are saved without it', async () => {
    const body = await exception('kelp', 'gannet-head', 'isolde', { below: { percent: 80 } });
    await change(body).expect(200);
    const [kept] = body.rules.exceptions;
    const held = { student_id: kept?.studentId, course_id: kept?.courseId, what: 'course' };
    await world.db('restrictions').insert({ ...held, made_at: await world.clock.now() });
    const shown = await settings();
    expect(shown.rules.exceptions).toEqual([]);
    await change({ rules: { ...shown.rules, capPerDay: 3 } }).expect(200);
    await world.db('restrictions').delete();
    expect((await settings()).rules).toMatchObject({ capPerDay: 3, exceptions: [kept] });
    await change({ rules: presetRules('usual') }).expect(200);
    expect((await settings()).rules.exceptions).toEqual([]);
  });

  it('know the zones of the world', async () => {
    const { delivery } = await settings();
    const { body } = await change({ delivery: { ...delivery, timeZone: 'Sea/Middle' } }).expect(400);
    expect(body.errors).toEqual([
      { path: '/delivery/timeZone', message: 'must be a zone of the IANA database' },
    ]);
  });

  it('tell since when mail is stopped, and of each course how it is counted', async () => {
    await change({ mailStopped: true }).expect(200);
    expect((await settings()).mailStoppedAt).toBe('2026-10-21T19:40:00.000Z');
    await change({ mailStopped: false }).expect(200);
    const { mailStoppedAt, courses, textsOffered, email } = await settings();
    expect({ mailStoppedAt, textsOffered, email }).toEqual({
      ...{ mailStoppedAt: null, textsOffered: true, email: 'maren@test.example' },
    });
    expect(courses.find(({ title }) => title === 'Kelp chemistry')).toMatchObject({
      ...{ unit: 'percent', outOf: 100, letters: ['A', 'B', 'C', 'D'] },
    });
    expect(courses.find(({ title }) => title === 'Boat-building')).toMatchObject({
      ...{ unit: 'level', outOf: 4, letters: [] },
    });
  });
});

describe('silence', () => {
  it('lies on what it names until its day, and is lifted by who asked for it', async () => {
    const kelp = await world.courseId('kelp', 'gannet-head');
    const body = {
      ...{ alertKey: null, studentId: world.student('isolde'), courseId: kelp, kind: 'figure' },
      until: '2026-10-28',
    };
    const made = (await maren.post(alertRoutes.silence.path).send(body).expect(201)).body;
    expect(made).toMatchObject({ ...body, title: 'Kelp chemistry' });
    const silenced = (await list()).alerts.flatMap(({ key, silencedUntil }) => (silencedUntil ? [key] : []));
    expect(silenced).toEqual([`figure:${world.student('isolde')}:${kelp}`]);
    expect((await settings()).silences).toMatchObject([{ id: made.id, title: 'Kelp chemistry' }]);
    const apart = await world.signedIn('apart');
    const path = alertRoutes.unsilence.path.replace(':silenceId', made.id as string);
    await apart.delete(path).expect(404);
    await maren.delete(path).expect(204);
    await maren.delete(path).expect(404);
    expect((await list()).alerts.every(({ silencedUntil }) => silencedUntil === null)).toBe(true);
  });

  it.each([
    ['another’s child', { studentId: nobodys }],
    ['another’s course', { courseId: nobodys }],
  ])('is not laid on %s', async (_name, more) => {
    const body = { alertKey: null, studentId: null, courseId: null, kind: null, until: '2026-10-28' };
    await maren
      .post(alertRoutes.silence.path)
      .send({ ...body, ...more })
      .expect(404);
  });
});

describe('a try of a channel', () => {
  it('goes out by mail, and as a text only where there is a number that is theirs', async () => {
    const send = (channel: string) => maren.post(alertRoutes.test.path).send({ channel });
    expect((await send('mail').expect(202)).body).toMatchObject({
      channel: 'mail',
      about: 'test',
      alertId: null,
    });
    expect((await send('text')).body.code).toBe('no-way');
    const { delivery } = await settings();
    await change({ delivery: { ...delivery, phone: '+15550100200' } }).expect(200);
    expect((await send('text')).body.code).toBe('no-way');
    await world.phonesConfirmed();
    expect((await send('text').expect(202)).body).toMatchObject({ channel: 'text', state: 'waiting' });
    await change({ delivery }).expect(200);
  });
});
