import {
  calendarRoutes,
  elsewhereRoutes,
  entryRoutes,
  type Calendar,
  type CalendarFeed,
  type ImportReport,
} from '@cadro/contract';
import ICAL from 'ical.js';
import request, { type Agent } from 'supertest';
import { World } from '../../testing/world';

let world: World;
let maren: Agent;
let teo: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'teo', children: ['isolde'] },
  ]);
  maren = await world.signedIn('maren');
  teo = await world.signedIn('teo');
});
afterAll(() => world.stop());

const everything = ['test', 'due', 'school', 'meeting', 'own', 'attendance', 'closed'] as const;
const subscribe = async (body: object = {}, agent = maren): Promise<CalendarFeed> =>
  (
    await agent
      .post(elsewhereRoutes.create.path)
      .send({ name: 'Kitchen', layers: everything, studentIds: [], ...body })
      .expect(201)
  ).body as CalendarFeed;
const pathOf = ({ url }: CalendarFeed) => url.slice(world.config.publicUrl.length);
/** What a calendar program does: no session, no headers of ours. */
const fetched = (feed: CalendarFeed) => request(world.server.app).get(pathOf(feed));
const calendarOf = (text: string) => new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]]);
const eventsOf = (text: string) => calendarOf(text).getAllSubcomponents('vevent');
const value = (event: ICAL.Component, name: string) => String(event.getFirstPropertyValue(name) ?? '');
const startOf = (event: ICAL.Component) => {
  const start = event.getFirstPropertyValue('dtstart') as ICAL.Time;
  const { isDate, hour, minute } = start;
  const two = (number: number) => String(number).padStart(2, '0');
  return `${start.toString().slice(0, 10)} ${isDate ? 'all day' : `${two(hour)}:${two(minute)}`}`;
};
const byUid = (text: string, part: string) =>
  eventsOf(text).find((event) => value(event, 'uid').includes(part));

describe('a subscription', () => {
  it('holds the same month as the screen', async () => {
    await maren
      .post(entryRoutes.create.path)
      .send({
        ...{ kind: 'event', title: 'Grandmother, with cake; bring "plates"', studentIds: [], shared: true },
        ...{ on: '2026-10-31', startsAt: '15:00', endsAt: '16:30', rule: 'FREQ=WEEKLY' },
      })
      .expect(201);
    const { text, headers } = await fetched(await subscribe()).expect(200);
    expect(headers['content-type']).toMatch('text/calendar');
    expect(headers['cache-control']).toBe('private, no-cache');
    const screen = (
      await maren
        .get(calendarRoutes.calendar.path)
        .query({ from: '2026-10-01', to: '2026-10-31' })
        .expect(200)
    ).body as Calendar;
    const names = new Map(
      ['isolde', 'caspian', 'pet'].map((name) => [
        world.student(name),
        name.charAt(0).toUpperCase() + name.slice(1),
      ]),
    );
    const ofScreen = screen.events
      .filter(({ layer }) => (everything as readonly string[]).includes(layer))
      .map(({ on, startsAt, title, studentIds }) =>
        [
          `${on} ${startsAt ?? 'all day'}`,
          studentIds.length > 0
            ? `${[...names].flatMap(([id, name]) => (studentIds.includes(id) ? [name] : [])).join(', ')}: ${title}`
            : title,
        ].join(' '),
      );
    const ofFeed = eventsOf(text)
      .map((event) => `${startOf(event)} ${value(event, 'summary')}`)
      .filter((line) => line.startsWith('2026-10'));
    expect(ofScreen.length).toBeGreaterThan(150);
    expect(ofFeed.sort()).toEqual(ofScreen.sort());
  });

  it('names its zone, and every time in it is the school’s', async () => {
    const { text } = await fetched(await subscribe()).expect(200);
    const zones = calendarOf(text).getAllSubcomponents('vtimezone');
    expect(zones.map((zone) => value(zone, 'tzid'))).toEqual(['America/Halifax']);
    const evening = eventsOf(text).find((event) => value(event, 'summary').includes('Families’ evening'));
    const start = evening?.getFirstPropertyValue('dtstart') as ICAL.Time;
    // 17:30 after the clocks have gone back.
    expect(new Date(start.toUnixTime() * 1000).toISOString()).toBe('2026-11-03T21:30:00.000Z');
    expect(value(evening ?? new ICAL.Component('vevent'), 'location')).toBe('Boat shed');
  });

  it('answers a program that has it already with nothing', async () => {
    const feed = await subscribe({ layers: ['closed'] });
    const { headers } = await fetched(feed).expect(200);
    await fetched(feed)
      .set('if-none-match', headers['etag'] ?? '')
      .expect(304);
  });

  it('keeps each school’s own clock where schools stand in two zones', async () => {
    const millrace = () => world.db('schools').where({ name: 'Millrace Middle School' });
    await millrace().update({ time_zone: 'Europe/Lisbon' });
    const { text } = await fetched(await subscribe({ layers: ['meeting', 'test'] })).expect(200);
    await millrace().update({ time_zone: 'America/Halifax' });
    const zones = calendarOf(text).getAllSubcomponents('vtimezone');
    expect(zones.map((zone) => value(zone, 'tzid')).sort()).toEqual(['America/Halifax', 'Europe/Lisbon']);
    // The school's evening is at half past five where the school is; the test stays at its instant.
    const instant = (title: string) => {
      const found = eventsOf(text).find((event) => value(event, 'summary').includes(title));
      const start = found?.getFirstPropertyValue('dtstart') as ICAL.Time;
      return [
        startOf(found ?? new ICAL.Component('vevent')),
        new Date(start.toUnixTime() * 1000).toISOString(),
      ];
    };
    expect(instant('Families’ evening')).toEqual(['2026-11-03 17:30', '2026-11-03T17:30:00.000Z']);
    expect(instant('First test')).toEqual(['2026-10-28 14:00', '2026-10-28T14:00:00.000Z']);
  });

  it('says what has changed, and what is off, each under the next number', async () => {
    const feed = await subscribe({ layers: ['own'] });
    const body = { kind: 'event', title: 'Harbour swim', studentIds: [], shared: true, on: '2026-11-20' };
    const entry = (await maren.post(entryRoutes.create.path).send(body).expect(201)).body as { id: string };
    const path = entryRoutes.change.path.replace(':entryId', entry.id);
    const seen = async () => {
      const found = byUid((await fetched(feed).expect(200)).text, entry.id);
      return found && [startOf(found), value(found, 'sequence'), value(found, 'status')];
    };
    expect(await seen()).toEqual(['2026-11-20 all day', '0', 'CONFIRMED']);
    const first = await fetched(feed);
    await world.moveTo('2026-10-21T20:40:00Z');
    // Nothing has changed: the same file, to the letter.
    expect((await fetched(feed)).text).toBe(first.text);
    await maren
      .patch(path)
      .send({ ...body, on: '2026-11-21', version: 1 })
      .expect(200);
    expect(await seen()).toEqual(['2026-11-21 all day', '1', 'CONFIRMED']);
    await maren.delete(path).expect(204);
    expect(await seen()).toEqual(['2026-11-21 all day', '2', 'CANCELLED']);
    expect(await seen()).toEqual(['2026-11-21 all day', '2', 'CANCELLED']);
  });

  it('holds the chosen layers and children', async () => {
    const feed = await subscribe({ layers: ['test'], studentIds: [world.student('caspian')] });
    const titles = async () =>
      eventsOf((await fetched(feed).expect(200)).text).map((event) => value(event, 'summary'));
    expect(await titles()).toEqual(['Caspian: First test']);
    await maren
      .patch(elsewhereRoutes.change.path.replace(':feedId', feed.id))
      .send({ name: 'Kitchen', layers: ['meeting'], studentIds: [] })
      .expect(200);
    // What was taken out is not there; it has not been called off.
    expect(await titles()).toEqual(['Caspian: Families’ evening in the boat shed']);
  });

  it('is dead when it is renewed or revoked', async () => {
    const feed = await subscribe();
    const renewed = (await maren.post(elsewhereRoutes.renew.path.replace(':feedId', feed.id)).expect(200))
      .body as CalendarFeed;
    expect(renewed.url).not.toBe(feed.url);
    await fetched(feed).expect(404);
    await fetched(renewed).expect(200);
    const listed = (await maren.get(elsewhereRoutes.list.path).expect(200)).body.feeds as CalendarFeed[];
    expect(listed.find(({ id }) => id === feed.id)).toMatchObject({ url: renewed.url });
    expect(listed.find(({ id }) => id === feed.id)?.readAt).not.toBeNull();
    expect((await teo.get(elsewhereRoutes.list.path).expect(200)).body.feeds).toEqual([]);
    await maren.delete(elsewhereRoutes.revoke.path.replace(':feedId', feed.id)).expect(204);
    await fetched(renewed).expect(404);
  });

  it('says nothing of a child whose link has ended', async () => {
    const feed = await subscribe({}, teo);
    expect((await fetched(feed).expect(200)).text).toContain('Isolde');
    const link = world.db('guardian_links').where({ student_id: world.student('isolde') });
    await link
      .clone()
      .whereIn('guardian_id', world.db('guardians').where({ email: 'teo@test.example' }).select('id'))
      .update({ ended_at: await world.clock.now() });
    const { text } = await fetched(feed).expect(200);
    expect(eventsOf(text)).toEqual([]);
    expect(text).not.toContain('Isolde');
  });

  it('stands in the database under a hash, beside a seal', async () => {
    const { url } = await subscribe();
    const token = url.split('/').at(-2) ?? '';
    expect(token).toHaveLength(43);
    expect(JSON.stringify(await world.db('calendar_feeds').select())).not.toContain(token);
  });

  it('cannot be guessed at for long', async () => {
    const guess = (number: number) =>
      request(world.server.app).get(`/calendar/${'a'.repeat(40)}${number}/cadro.ics`);
    const answers = [];
    for (let number = 0; number < 40; number++) answers.push((await guess(number)).status);
    expect(answers.slice(0, 10)).toEqual(Array(10).fill(404));
    expect(answers.at(-1)).toBe(429);
    await world.db('login_tries').delete();
  });
});

describe('a download', () => {
  const download = (query: object) => maren.get(elsewhereRoutes.download.path).query(query);
  it('is a range of days', async () => {
    const { text } = await download({ from: '2026-10-26', to: '2026-10-28', layers: 'school,test' }).expect(
      200,
    );
    expect(eventsOf(text).map((event) => value(event, 'summary'))).toEqual([
      'Caspian: Rope fair',
      'Caspian: First test',
    ]);
  });
  it.each([
    [{ from: '2026-10-28', to: '2026-10-26' }],
    [{ from: '2026-10-26', to: '2026-10-28', layers: 'everything' }],
    [{ from: '2020-01-01', to: '2026-10-28' }],
    [{ from: '2026-10-26' }],
  ])('refuses %j', (query) =>
    download(query)
      .expect(400)
      .then(() => undefined),
  );
});

describe('a school’s file', () => {
  const lines = (...events: string[][]) =>
    [
      ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Harbour club//EN'],
      ...events.flatMap((event) => ['BEGIN:VEVENT', ...event, 'END:VEVENT']),
      'END:VCALENDAR',
    ].join('\r\n');
  const swim = ['UID:swim', 'DTSTART;VALUE=DATE:20261106', 'RRULE:FREQ=WEEKLY;COUNT=3', 'SUMMARY:Swim'];
  const talk = ['UID:talk', 'DTSTART:20261112T220000Z', 'DTEND:20261112T230000Z', 'SUMMARY:Talk'];
  const bring = async (text: string, more: object = {}) =>
    (
      await maren
        .post(elsewhereRoutes.import.path)
        .send({ studentId: null, name: 'Harbour club', text, preview: false, ...more })
        .expect(200)
    ).body as { report: ImportReport; written: boolean };
  const shown = async () =>
    (
      (
        await maren
          .get(calendarRoutes.calendar.path)
          .query({ from: '2026-11-01', to: '2026-11-30' })
          .expect(200)
      ).body as Calendar
    ).events
      .filter(({ layer }) => layer === 'imported')
      .map(({ on, startsAt, title }) => [on, startsAt, title].filter(Boolean).join(' '));

  it('is previewed, read in, and read in again without doubles', async () => {
    const preview = await bring(lines(swim, talk), { preview: true });
    expect(preview).toMatchObject({ written: false, report: { events: 2, added: 2, notes: [] } });
    expect(await shown()).toEqual([]);
    await bring(lines(swim, talk));
    const days = ['2026-11-06 Swim', '2026-11-12 18:00 Talk', '2026-11-13 Swim', '2026-11-20 Swim'];
    expect(await shown()).toEqual(days);
    expect((await bring(lines(swim, talk))).report).toMatchObject({
      added: 0,
      changed: 0,
      same: 2,
      removed: 0,
    });
    expect(await shown()).toEqual(days);
    const moved = [...swim.slice(0, 3), 'EXDATE;VALUE=DATE:20261113', 'SUMMARY:Swim'];
    expect((await bring(lines(moved))).report).toMatchObject({ added: 0, changed: 1, same: 0, removed: 1 });
    expect(await shown()).toEqual(['2026-11-06 Swim', '2026-11-20 Swim']);
    const { imports } = (await maren.get(elsewhereRoutes.list.path).expect(200)).body as {
      imports: { id: string; name: string }[];
    };
    expect(imports.map(({ name }) => name)).toEqual(['Harbour club']);
    await maren.delete(elsewhereRoutes.forget.path.replace(':importId', imports[0]?.id ?? '')).expect(204);
    expect(await shown()).toEqual([]);
  });

  it('is reported on where it was not understood', async () => {
    const odd = ['UID:odd', 'DTSTART;TZID=Atlantis/Deep:20261106T150000', 'SUMMARY:Dive'];
    const fast = ['UID:fast', 'DTSTART:20261107T150000', 'RRULE:FREQ=SECONDLY', 'SUMMARY:Pulse'];
    const { report } = await bring(lines(odd, fast, ['UID:none', 'SUMMARY:When?']), { preview: true });
    expect(report.notes).toEqual([
      { note: 'no-start', about: 'When?', count: 1 },
      { note: 'unknown-zone', about: 'Atlantis/Deep', count: 1 },
      { note: 'too-often', about: 'Pulse', count: 1 },
    ]);
  });

  it.each<[string, string, number]>([
    ['is no calendar', 'date,period,code', 422],
    ['is cut in the middle', lines(swim, talk).slice(0, 120), 422],
    ['is longer than a calendar is', `${lines(swim)}${' '.repeat(5_000_001)}`, 400],
    ['is of 20 MB', 'x'.repeat(20_000_000), 413],
  ])('that %s is refused', async (_name, text, status) => {
    const refused = await maren
      .post(elsewhereRoutes.import.path)
      .send({ studentId: null, name: 'x', text, preview: true })
      .expect(status);
    expect(refused.headers['content-type']).toMatch('application/problem+json');
  });
});
