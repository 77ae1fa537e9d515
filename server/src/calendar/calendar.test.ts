import {
  calendarRoutes,
  entryRoutes,
  followUpRoutes,
  outlookRoutes,
  planRoutes,
  workRoutes,
  type Brief,
  type Calendar,
  type CalendarEvent,
  type Entry,
  type Supply,
  type Work,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let teo: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'teo', children: ['isolde', 'caspian', 'pet'] },
    { name: 'child', role: 'student', children: ['isolde'] },
  ]);
  maren = await world.signedIn('maren');
  teo = await world.signedIn('teo');
});
afterAll(() => world.stop());

const calendar = async (from: string, to: string, agent = maren): Promise<Calendar> =>
  (await agent.get(calendarRoutes.calendar.path).query({ from, to }).expect(200)).body as Calendar;
const named = (studentIds: readonly string[]) =>
  ['isolde', 'caspian', 'pet'].filter((name) => studentIds.includes(world.student(name)));
const told = ({ layer, on, startsAt, title, studentIds }: CalendarEvent) => [
  layer,
  on,
  startsAt,
  named(studentIds).join('+'),
  title,
];
const layer = ({ events }: Calendar, ...wanted: string[]) =>
  events.filter((event) => wanted.includes(event.layer)).map(told);
const create = async (body: object, agent = maren): Promise<Entry> =>
  (
    await agent
      .post(entryRoutes.create.path)
      .send({ studentIds: [], shared: true, ...body })
      .expect(201)
  ).body as Entry;
const entryPath = (route: { path: string }, { id }: { id: string }) => route.path.replace(':entryId', id);
const forItem = async (route: { path: string }, name: string, item: string, school: string) =>
  route.path.replace(':studentId', world.student(name)).replace(':itemId', await world.itemId(item, school));

describe('the layers', () => {
  it('tell what the schools have on, and when there is no school', async () => {
    const found = await calendar('2026-09-20', '2026-11-15');
    expect(layer(found, 'school', 'meeting', 'closed')).toEqual([
      ['closed', '2026-09-25', null, 'isolde+caspian+pet', 'Harbour day'],
      ['school', '2026-10-22', '16:30', 'isolde', 'Seeing through fog: questions answered'],
      ['school', '2026-10-27', '13:00', 'caspian', 'Rope fair'],
      ['school', '2026-10-29', '18:00', 'isolde', 'Lamp night'],
      ['meeting', '2026-11-03', '17:30', 'caspian', 'Families’ evening in the boat shed'],
      ['school', '2026-11-04', '08:40', 'pet', 'Rock pool morning'],
      ['school', '2026-11-10', null, 'isolde', 'Teachers report the first quarter'],
      ['closed', '2026-11-11', null, 'isolde+caspian+pet', 'Lantern day'],
      ['school', '2026-11-13', null, 'caspian', 'Report cards go home'],
    ]);
  });

  it('tell absences in words, and lead to the day', async () => {
    const found = await calendar('2026-10-07', '2026-10-21');
    expect(layer(found, 'attendance')).toEqual([
      ['attendance', '2026-10-07', null, 'caspian', 'Late once'],
      ['attendance', '2026-10-08', null, 'isolde', 'On a trip for 2 classes'],
      ['attendance', '2026-10-08', null, 'caspian', 'On a trip for 5 classes'],
      ['attendance', '2026-10-14', null, 'caspian', 'Late once'],
      ['attendance', '2026-10-15', null, 'caspian', 'Missed 6 classes'],
      ['attendance', '2026-10-16', null, 'isolde', 'Missed 7 classes'],
      ['attendance', '2026-10-19', null, 'isolde', 'Missed 1 class, no reason given'],
      ['attendance', '2026-10-20', null, 'isolde', 'Missed 1 class, no reason given'],
      ['attendance', '2026-10-21', null, 'isolde', 'Missed 1 class, no reason given'],
    ]);
    expect(
      found.events.find(({ on, layer: of }) => on === '2026-10-19' && of === 'attendance'),
    ).toMatchObject({
      marks: { absent: 1, unexplained: 1, late: 0, trip: 0, wholeDay: false },
      link: { to: 'day', studentId: world.student('isolde'), on: '2026-10-19' },
    });
    expect(layer(await calendar('2026-09-30', '2026-09-30'), 'attendance')).toEqual([
      ['attendance', '2026-09-30', null, 'pet', 'Absent all day'],
    ]);
  });
  it('tell due work and tests by the school’s clock, with what is settled', async () => {
    const { events } = await calendar('2026-10-12', '2026-10-15');
    const of = (title: string) => events.find((event) => event.title === title);
    expect(of('Keel model')).toMatchObject({
      layer: 'due',
      on: '2026-10-12',
      startsAt: null,
      settled: false,
    });
    expect(of('Titration quiz')).toMatchObject({
      layer: 'test',
      on: '2026-10-15',
      startsAt: '09:30',
      timeZone: 'America/Halifax',
      settled: true,
      detail: 'Kelp chemistry',
    });
    expect(of('Planking: workshop log')).toBeUndefined();
  });

  it('tell the household’s own days: plan, offers, and what wants to be looked at again', async () => {
    const studentId = world.student('caspian');
    const work = (await maren.get(workRoutes.work.path).expect(200)).body as Work;
    const crossing = work.rows.find(({ title }) => title === 'Crossing card');
    await maren
      .post(planRoutes.choose.path.replace(':studentId', studentId))
      .send({ tasks: [{ itemId: crossing?.itemId, minutes: 35 }] })
      .expect(200);
    await maren
      .patch(
        planRoutes.change.path.replace(':studentId', studentId).replace(':itemId', crossing?.itemId ?? ''),
      )
      .send({ evening: '2026-10-22' })
      .expect(200);
    await maren
      .post(followUpRoutes.create.path)
      .send({ studentId, title: 'Thursdays', lookAgainOn: '2026-10-26' })
      .expect(201);
    const comment = await world
      .db('comments')
      .where({ student_id: studentId, item_id: await world.itemId('boats-keel-model', 'millrace') })
      .first<{ id: string }>('id');
    await maren
      .post(workRoutes.offer.path.replace(':studentId', studentId).replace(':commentId', comment.id))
      .send({ place: 0, answer: 'confirmed' })
      .expect(200);
    const found = await calendar('2026-10-21', '2026-10-31');
    expect(layer(found, 'plan', 'look-again', 'offer')).toEqual([
      ['plan', '2026-10-22', null, 'caspian', 'Crossing card, 35 min'],
      ['look-again', '2026-10-26', null, 'caspian', 'Look again: Thursdays'],
      ['offer', '2026-10-27', null, 'caspian', 'Offer ends: Keel model'],
    ]);
    // What the child itself signs in to see is the record.
    const childs = await calendar('2026-10-21', '2026-10-31', await world.signedIn('child'));
    expect(layer(childs, 'plan', 'look-again', 'own', 'offer')).toEqual([]);
    expect(layer(childs, 'school')).toHaveLength(2);
  });

  it('say first where they were, then what is due, and what has an hour in its order', async () => {
    const { events } = await calendar('2026-10-16', '2026-10-16');
    const seen = events.map(({ layer: of, startsAt }) => `${startsAt ?? ''} ${of}`);
    expect(seen[0]).toBe(' attendance');
    expect(seen.lastIndexOf(' due')).toBeLessThan(seen.findIndex((each) => each.startsWith('10:')));
    const hours = events.flatMap(({ startsAt }) => startsAt ?? []);
    expect(hours).toEqual([...hours].sort());
    expect(hours.length).toBeGreaterThan(5);
  });

  it('call out the days on which much comes together', async () => {
    const { clusters } = await calendar('2026-10-21', '2026-10-31');
    expect(clusters).toEqual([
      { studentId: world.student('isolde'), on: '2026-10-22', count: 5, tests: 0 },
      { studentId: world.student('isolde'), on: '2026-10-23', count: 7, tests: 3 },
    ]);
  });

  it.each([
    ['the wrong way round', '2026-10-31', '2026-10-01', 400],
    ['one day', '2026-10-21', '2026-10-21', 200],
    ['400 days', '2026-01-01', '2027-02-04', 200],
    ['401 days', '2026-01-01', '2027-02-05', 400],
    ['not on the calendar', '2026-02-30', '2026-03-01', 400],
  ])('answer a range %s', (_name, from, to, status) =>
    maren
      .get(calendarRoutes.calendar.path)
      .query({ from, to })
      .expect(status)
      .then(() => undefined),
  );
});

describe('undated work', () => {
  it('waits beside the calendar and can be given a day of one’s own', async () => {
    const tray = (await calendar('2026-10-21', '2026-10-21')).undated;
    // The week's agenda asks for nothing and waits for nothing.
    expect(tray.map(({ title, ownDate }) => [title, ownDate])).toEqual([['Lens sketchbook', null]]);
    const path = await forItem(calendarRoutes.ownDate, 'isolde', 'optics-lens-sketches', 'gannet-head');
    await maren.post(path).send({ on: '2026-10-24' }).expect(204);
    const found = await calendar('2026-10-24', '2026-10-24', teo);
    expect(layer(found, 'own')).toEqual([['own', '2026-10-24', null, 'isolde', 'Lens sketchbook']]);
    expect(found.undated[0]?.ownDate).toBe('2026-10-24');
    await maren.post(path).send({ on: null }).expect(204);
    expect(layer(await calendar('2026-10-24', '2026-10-24'), 'own')).toEqual([]);
  });

  it('is the only work that can', async () =>
    void (await maren
      .post(await forItem(calendarRoutes.ownDate, 'caspian', 'boats-keel-model', 'millrace'))
      .send({ on: '2026-10-24' })
      .expect(400)));
});

describe('own entries', () => {
  it('come once, again and again, over days, or before a work is due', async () => {
    const itemId = await world.itemId('spanish-first-test', 'millrace');
    await create({ kind: 'event', title: 'Grandmother’s boat', on: '2026-12-04', lastOn: '2026-12-06' });
    const library = await create({
      ...{ kind: 'reminder', title: 'Library books', on: '2026-12-01', startsAt: '08:00' },
      ...{ rule: 'FREQ=WEEKLY;BYDAY=TU', studentIds: [world.student('pet')] },
    });
    await create({ kind: 'reminder', title: 'Revise', itemId, daysBefore: 2 });
    expect(layer(await calendar('2026-12-01', '2026-12-15'), 'own')).toEqual([
      ['own', '2026-12-01', '08:00', 'pet', 'Library books'],
      ['own', '2026-12-04', null, '', 'Grandmother’s boat'],
      ['own', '2026-12-08', '08:00', 'pet', 'Library books'],
      ['own', '2026-12-15', '08:00', 'pet', 'Library books'],
    ]);
    // The middle of an event over days is one of its days.
    expect(layer(await calendar('2026-12-05', '2026-12-05'), 'own')).toHaveLength(1);
    expect(layer(await calendar('2026-10-26', '2026-10-26'), 'own')).toEqual([
      ['own', '2026-10-26', null, '', 'Revise'],
    ]);
    const tick = (on: string, as: string) =>
      maren.post(entryPath(entryRoutes.tick, library)).send({ on, as });
    expect((await tick('2026-12-08', 'done').expect(200)).body).toMatchObject({ done: ['2026-12-08'] });
    expect((await tick('2026-12-15', 'skipped').expect(200)).body).toMatchObject({ skipped: ['2026-12-15'] });
    await tick('2026-12-09', 'done').expect(400);
    const after = (await calendar('2026-12-07', '2026-12-15')).events;
    expect(after.map(({ on, settled }) => [on, settled])).toEqual([['2026-12-08', true]]);
    expect((await tick('2026-12-15', 'open').expect(200)).body).toMatchObject({ skipped: [] });
  });

  it('keep their hour when the clocks change', async () => {
    await create({
      kind: 'event',
      title: 'Rowing',
      on: '2026-10-25',
      startsAt: '09:00',
      endsAt: '10:00',
      rule: 'FREQ=WEEKLY;COUNT=3',
    });
    expect(
      (await calendar('2026-10-25', '2026-11-10')).events
        .filter(({ title }) => title === 'Rowing')
        .map(({ on, startsAt, timeZone }) => [on, startsAt, timeZone]),
    ).toEqual(['2026-10-25', '2026-11-01', '2026-11-08'].map((on) => [on, '09:00', 'America/Halifax']));
  });

  it('keep the clock of the school whose child they are for', async () => {
    const school = world
      .db('schools')
      .whereIn('id', (some) =>
        some
          .from('courses as c')
          .join('enrolments as e', 'e.course_id', 'c.id')
          .where('e.student_id', world.student('pet'))
          .select('c.school_id'),
      );
    await school.clone().update({ time_zone: 'America/Vancouver' });
    const body = { kind: 'event', on: '2026-12-12', startsAt: '09:00' };
    await create({ ...body, title: 'Swimming', studentIds: [world.student('pet')] });
    await create({ ...body, title: 'Choir', studentIds: [world.student('isolde')] });
    const { events } = await calendar('2026-12-12', '2026-12-12');
    expect(events.map(({ title, startsAt, timeZone }) => [title, startsAt, timeZone])).toEqual([
      ['Choir', '09:00', 'America/Halifax'],
      ['Swimming', '09:00', 'America/Vancouver'],
    ]);
    await school.clone().update({ time_zone: 'America/Halifax' });
  });

  it('are shared or private', async () => {
    const secret = await create({ kind: 'note', title: 'Birthday present', on: '2026-12-20', shared: false });
    const shared = await create({ kind: 'note', title: 'Cake', on: '2026-12-20' }, teo);
    expect(layer(await calendar('2026-12-20', '2026-12-20'), 'own')).toHaveLength(2);
    expect(layer(await calendar('2026-12-20', '2026-12-20', teo), 'own').map((each) => each[4])).toEqual([
      'Cake',
    ]);
    await teo.get(entryPath(entryRoutes.read, secret)).expect(404);
    expect((await maren.get(entryPath(entryRoutes.read, shared)).expect(200)).body).toMatchObject({
      author: 'teo',
      mine: false,
    });
  });

  it('tell two writers at once of each other', async () => {
    const entry = await create({ kind: 'note', title: 'Swimming', on: '2026-12-21' });
    const change = (title: string, version: number) =>
      teo
        .patch(entryPath(entryRoutes.change, entry))
        .send({ kind: 'note', title, on: '2026-12-21', studentIds: [], shared: true, version });
    expect((await change('Swimming, bring towels', 1).expect(200)).body).toMatchObject({ version: 2 });
    const late = await change('No swimming', 1).expect(409);
    expect(late.body).toMatchObject({
      code: 'edited-meanwhile',
      current: { title: 'Swimming, bring towels', version: 2 },
      yours: { title: 'No swimming' },
    });
    await maren.delete(entryPath(entryRoutes.remove, entry)).expect(204);
    await change('No swimming', 2).expect(404);
  });

  it('are taken out and put back whole, for a month', async () => {
    const body = { title: 'Flute', on: '2026-12-01', rule: 'FREQ=WEEKLY;COUNT=3' };
    const entry = await create({ kind: 'reminder', ...body });
    const tick = (on: string, as: string) =>
      maren.post(entryPath(entryRoutes.tick, entry)).send({ on, as }).expect(200);
    await tick('2026-12-01', 'done');
    await tick('2026-12-08', 'skipped');
    const flute = async () =>
      layer(await calendar('2026-12-01', '2026-12-31'), 'own').filter((each) => each[4] === 'Flute');
    const before = await flute();
    expect(before).toHaveLength(2);

    await maren.delete(entryPath(entryRoutes.remove, entry)).expect(204);
    expect(await flute()).toEqual([]);
    await maren.delete(entryPath(entryRoutes.remove, entry)).expect(404);
    const back = await teo.post(entryPath(entryRoutes.putBack, entry)).expect(200);
    expect(back.body).toMatchObject({ done: ['2026-12-01'], skipped: ['2026-12-08'] });
    expect(await flute()).toEqual(before);
    await teo.post(entryPath(entryRoutes.putBack, entry)).expect(404);

    const other = await create({ kind: 'note', title: 'Old', on: '2026-12-02' });
    await maren.delete(entryPath(entryRoutes.remove, other)).expect(204);
    await world.db('calendar_entries').where({ id: other.id }).update({ removed_at: '2026-09-20T12:00:00Z' });
    await maren.delete(entryPath(entryRoutes.remove, entry)).expect(204);
    await maren.post(entryPath(entryRoutes.putBack, other)).expect(404);
    await maren.post(entryPath(entryRoutes.putBack, entry)).expect(200);
  });

  it.each<[string, object, string]>([
    ['a note without a day', { kind: 'note' }, '/on'],
    ['an end before its beginning', { on: '2026-12-04', lastOn: '2026-12-03' }, '/lastOn'],
    ['an hour before its beginning', { on: '2026-12-04', startsAt: '10:00', endsAt: '09:00' }, '/endsAt'],
    ['an end without a beginning', { on: '2026-12-04', endsAt: '09:00' }, '/endsAt'],
    ['a rule by the minute', { on: '2026-12-04', rule: 'FREQ=MINUTELY' }, '/rule'],
    ['a rule that is none', { on: '2026-12-04', rule: 'on Tuesdays' }, '/rule'],
    ['a rule without a first day', { kind: 'supply', rule: 'FREQ=DAILY' }, '/rule'],
    ['days before nothing', { on: '2026-12-04', daysBefore: 2 }, '/daysBefore'],
    ['a day beside a work', { on: '2026-12-04', itemId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6' }, '/on'],
    ['a day of long ago', { on: '1900-01-01', rule: 'FREQ=DAILY' }, '/on'],
    ['an hour that no clock shows', { on: '2026-12-04', startsAt: '24:00' }, '/startsAt'],
  ])('refuse %s', async (_name, body, path) => {
    const refused = await maren
      .post(entryRoutes.create.path)
      .send({ kind: 'reminder', title: 'x', studentIds: [], shared: true, ...body })
      .expect(400);
    expect(refused.body.errors[0].path).toBe(path);
  });

  it('find no work that is not the children’s', async () => {
    const unknown = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
    const body = { kind: 'reminder', title: 'x', studentIds: [], shared: true, itemId: unknown };
    await maren.post(entryRoutes.create.path).send(body).expect(404);
  });
});

describe('the shopping list', () => {
  const list = async (agent = maren): Promise<Supply[]> =>
    (await agent.get(calendarRoutes.supplies.path).expect(200)).body.supplies as Supply[];
  const told = (supplies: Supply[]) => supplies.map(({ supply, neededOn, got }) => [supply, neededOn, got]);

  it('holds what open work needs, and what was written down', async () => {
    await create({ kind: 'supply', title: 'graph paper' });
    await create({ kind: 'supply', title: 'bus card', on: '2026-10-22' });
    await create({ kind: 'supply', title: 'oars', on: '2026-10-01', rule: 'FREQ=WEEKLY;BYDAY=TH' });
    const found = await list();
    expect(told(found).slice(0, 2)).toEqual([
      ['oars', '2026-10-22', false],
      ['bus card', '2026-10-22', false],
    ]);
    expect(told(found).at(-1)).toEqual(['graph paper', null, false]);
    const glue = found.find(({ supply }) => supply === 'wood glue');
    expect(glue).toMatchObject({ for: 'Keel model', studentId: world.student('caspian'), got: false });
    const path = await forItem(calendarRoutes.gotSupply, 'caspian', 'boats-keel-model', 'millrace');
    await maren.post(path).send({ supply: 'wood glue', got: true }).expect(204);
    expect((await list(teo)).find(({ supply }) => supply === 'wood glue')?.got).toBe(true);
    await maren.post(path).send({ supply: 'gold leaf', got: true }).expect(404);
    const card = found.find(({ supply }) => supply === 'bus card');
    await maren
      .post(entryRoutes.tick.path.replace(':entryId', card?.entryId ?? ''))
      .send({ on: '2026-10-22', as: 'done' })
      .expect(200);
    expect(told(await list())[1]).toEqual(['bus card', '2026-10-22', true]);
    // What has no day is got on any; what hangs on a work is got by the day before it.
    const paper = found.find(({ supply }) => supply === 'graph paper');
    const tick = (entryId: string, on: string) =>
      maren.post(entryRoutes.tick.path.replace(':entryId', entryId)).send({ on, as: 'done' });
    await tick(paper?.entryId ?? '', '2026-10-21').expect(200);
    expect(told(await list())).toContainEqual(['graph paper', null, true]);
    const itemId = await world.itemId('boats-keel-model', 'millrace');
    const varnish = await create({
      kind: 'supply',
      title: 'varnish',
      itemId,
      studentIds: [world.student('caspian')],
    });
    await tick(varnish.id, '2026-10-25').expect(400);
    // What has been got stays in sight through its day, and is gone on the next.
    await world.moveTo('2026-10-22T19:40:00Z');
    expect(told(await list())).toContainEqual(['bus card', '2026-10-22', true]);
    await world.moveTo('2026-10-23T19:40:00Z');
    expect(told(await list()).map(([supply]) => supply)).not.toContain('bus card');
    await world.moveTo('2026-10-21T19:40:00Z');
  });
});

it('is no other household’s', async () => {
  await world.household('apart', [{ name: 'apart', children: ['caspian'] }]);
  const apart = await world.signedIn('apart');
  expect(layer(await calendar('2026-10-01', '2026-12-31', apart), 'own', 'plan', 'look-again')).toEqual([]);
  expect(layer(await calendar('2026-10-12', '2026-10-12', apart), 'due')).not.toEqual([]);
  const brief = (await apart.get(outlookRoutes.brief.path).expect(200)).body as Brief;
  expect(JSON.stringify(brief)).not.toContain('Library books');
});
