import fc from 'fast-check';
import ICAL from 'ical.js';
import {
  CalendarError,
  expandEvent,
  instantAt,
  readCalendar,
  wallTimeIn,
  writeCalendar,
  type PublishedEvent,
} from '.';
import { runs } from '../../testing/runs';

const halifax = 'America/Halifax';
const horizon = '2027-10-21';
const calendar = (...lines: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//School//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT'].join('\r\n');
const read = (text: string) => readCalendar(text, halifax, horizon);
/** Every occurrence of a file between two days, as `day time–time title`. */
const shown = (text: string, from = '2026-10-01', to = '2026-11-30', timeZone = halifax) =>
  read(text)
    .events.flatMap(({ component }) => expandEvent(component, from, to, timeZone))
    .sort((a, b) => (a.on + (a.startsAt ?? '') < b.on + (b.startsAt ?? '') ? -1 : 1))
    .map(({ on, lastOn, startsAt, endsAt, title }) =>
      [on, lastOn === on ? null : `to ${lastOn}`, startsAt && `${startsAt}–${endsAt}`, title]
        .filter(Boolean)
        .join(' '),
    );

const zoneOfTheFile = [
  'BEGIN:VTIMEZONE',
  'TZID:Our town',
  'BEGIN:STANDARD',
  'DTSTART:19700101T000000',
  'TZOFFSETFROM:+0200',
  'TZOFFSETTO:+0200',
  'END:STANDARD',
  'END:VTIMEZONE',
];

it('takes the later of two versions, and one without a number for the first', () => {
  const version = (title: string, ...more: string[]) =>
    event('UID:a', 'DTSTART;VALUE=DATE:20261009', `SUMMARY:${title}`, ...more);
  const titles = (...versions: string[]) => shown(calendar(...versions));
  expect(titles(version('New', 'SEQUENCE:1'), version('Old'))).toEqual(['2026-10-09 New']);
  expect(titles(version('Old'), version('New', 'SEQUENCE:1'))).toEqual(['2026-10-09 New']);
  expect(titles(version('First'), version('Second'))).toEqual(['2026-10-09 Second']);
});

it('says nothing of the zones of a file, and names what else is no event', () => {
  const day = event('UID:a', 'DTSTART;VALUE=DATE:20261009', 'SUMMARY:Fair');
  const todo = ['BEGIN:VTODO', 'UID:t', 'SUMMARY:Wash the sails', 'END:VTODO'].join('\r\n');
  expect(read(calendar(...zoneOfTheFile, day)).notes).toEqual([]);
  expect(read(calendar(todo, day)).notes).toEqual([{ note: 'not-an-event', about: 'VTODO', count: 1 }]);
});

it('writes an hour of UTC as one, and one of a place by the place’s name', () => {
  const published = (timeZone: string): PublishedEvent => ({
    ...{ uid: 'a@cadro', sequence: 0, changedAt: '2026-10-21T18:00:00Z', cancelled: false, title: 'Talk' },
    ...{ text: null, place: null, href: null, categories: [], on: '2026-10-22', lastOn: '2026-10-22' },
    ...{ startsAt: '18:30', endsAt: '19:15', timeZone },
  });
  const times = (timeZone: string) =>
    writeCalendar('Days', [published(timeZone)])
      .split('\r\n')
      .filter((line) => /^DT(START|END)[;:]/.test(line) && !line.endsWith('T000000'));
  expect(times('UTC')).toEqual(['DTSTART:20261022T183000Z', 'DTEND:20261022T191500Z']);
  expect(times(halifax)).toEqual(
    expect.arrayContaining([
      `DTSTART;TZID=${halifax}:20261022T183000`,
      `DTEND;TZID=${halifax}:20261022T191500`,
    ]),
  );
});

describe('the last day of an event', () => {
  const last = (...lines: string[]) =>
    read(calendar(event('UID:a', 'SUMMARY:Fair', ...lines))).events[0]?.lastOn;
  it.each<[string, string[], string | null]>([
    ['a day', ['DTSTART;VALUE=DATE:20261009'], '2026-10-09'],
    ['two days', ['DTSTART;VALUE=DATE:20261009', 'DTEND;VALUE=DATE:20261011'], '2026-10-10'],
    [
      'a day that ends as it begins',
      ['DTSTART;VALUE=DATE:20261009', 'DTEND;VALUE=DATE:20261009'],
      '2026-10-09',
    ],
    ['three weeks', ['DTSTART;VALUE=DATE:20261009', 'RRULE:FREQ=WEEKLY;COUNT=3'], '2026-10-23'],
    ['up to the horizon', ['DTSTART;VALUE=DATE:20261021', 'RRULE:FREQ=YEARLY;COUNT=2'], '2027-10-21'],
    ['beyond it', ['DTSTART;VALUE=DATE:20261022', 'RRULE:FREQ=YEARLY;COUNT=2'], null],
    ['for ever', ['DTSTART;VALUE=DATE:20261009', 'RRULE:FREQ=WEEKLY'], null],
  ])('%s', (_name, lines, on) => expect(last(...lines)).toBe(on));
});

describe('a school’s file', () => {
  it.each<[string, string[], string[]]>([
    ['a day', ['UID:a', 'DTSTART;VALUE=DATE:20261009', 'SUMMARY:Harbour day'], ['2026-10-09 Harbour day']],
    [
      'days, of which the end is not one',
      ['UID:a', 'DTSTART;VALUE=DATE:20261012', 'DTEND;VALUE=DATE:20261015', 'SUMMARY:Fair'],
      ['2026-10-12 to 2026-10-14 Fair'],
    ],
    [
      'a time of the school’s zone',
      ['UID:a', `DTSTART;TZID=${halifax}:20261022T183000`, 'DURATION:PT45M', 'SUMMARY:Talk'],
      ['2026-10-22 18:30–19:15 Talk'],
    ],
    [
      'a time of UTC, before and after the clocks go back',
      [
        'UID:a',
        'DTSTART:20261029T213000Z',
        'DTEND:20261029T223000Z',
        'RRULE:FREQ=WEEKLY;COUNT=2',
        'SUMMARY:Talk',
      ],
      ['2026-10-29 18:30–19:30 Talk', '2026-11-05 17:30–18:30 Talk'],
    ],
    [
      'a weekly time of the school’s zone, which the clocks do not move',
      [
        'UID:a',
        `DTSTART;TZID=${halifax}:20261029T183000`,
        'DTEND:20261029T223000Z',
        'RRULE:FREQ=WEEKLY;COUNT=2',
        'SUMMARY:Talk',
      ],
      ['2026-10-29 18:30–19:30 Talk', '2026-11-05 18:30–19:30 Talk'],
    ],
    [
      'a zone elsewhere',
      [
        'UID:a',
        'DTSTART;TZID=Europe/Lisbon:20261022T150000',
        'DTEND;TZID=Europe/Lisbon:20261022T160000',
        'SUMMARY:Talk',
      ],
      ['2026-10-22 11:00–12:00 Talk'],
    ],
    [
      'a time that names no zone',
      ['UID:a', 'DTSTART:20261022T150000', 'DTEND:20261022T160000', 'SUMMARY:Talk'],
      ['2026-10-22 15:00–16:00 Talk'],
    ],
    [
      'days left out',
      [
        'UID:a',
        'DTSTART;VALUE=DATE:20261001',
        'RRULE:FREQ=WEEKLY;COUNT=4',
        'EXDATE;VALUE=DATE:20261015',
        'SUMMARY:Swim',
      ],
      ['2026-10-01 Swim', '2026-10-08 Swim', '2026-10-22 Swim'],
    ],
    [
      'more days',
      ['UID:a', 'DTSTART;VALUE=DATE:20261001', 'RDATE;VALUE=DATE:20261006,20261013', 'SUMMARY:Swim'],
      ['2026-10-01 Swim', '2026-10-06 Swim', '2026-10-13 Swim'],
    ],
    [
      'one that is called off',
      ['UID:a', 'DTSTART;VALUE=DATE:20261009', 'STATUS:CANCELLED', 'SUMMARY:Fair'],
      [],
    ],
  ])('%s', (_name, lines, expected) => {
    const text = calendar(event(...lines));
    expect(shown(text)).toEqual(expected);
    expect(read(text).notes).toEqual([]);
  });

  it('takes the zone that the file itself describes', () => {
    const lines = ['UID:a', 'DTSTART;TZID=Our town:20261022T180000', 'DURATION:PT1H', 'SUMMARY:Talk'];
    expect(shown(calendar(...zoneOfTheFile, event(...lines)))).toEqual(['2026-10-22 13:00–14:00 Talk']);
  });

  it('tells zones of one name apart by what each file says of them, however many files come', () => {
    const lines = ['UID:a', 'DTSTART;TZID=Our town:20261022T180000', 'DURATION:PT1H', 'SUMMARY:Talk'];
    for (let file = 0; file < 120; file++) {
      const hours = file % 12;
      const offset = `+${String(hours).padStart(2, '0')}${String(file % 60).padStart(2, '0')}`;
      const zone = zoneOfTheFile.map((line) => line.replace('+0200', offset));
      const [found] = read(calendar(...zone, event(...lines))).events;
      const [first] = expandEvent(found?.component ?? '', '2026-10-01', '2026-10-31', 'UTC');
      const minutes = (18 - hours) * 60 - (file % 60);
      const time = `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
      expect(first?.startsAt).toBe(time);
    }
  });

  it('follows occurrences that were moved or called off', () => {
    const text = calendar(
      event('UID:a', 'DTSTART;VALUE=DATE:20261001', 'RRULE:FREQ=WEEKLY;COUNT=4', 'SUMMARY:Swim'),
      event(
        'UID:a',
        'RECURRENCE-ID;VALUE=DATE:20261008',
        'DTSTART;VALUE=DATE:20261009',
        'SUMMARY:Swim, moved',
      ),
      event(
        'UID:a',
        'RECURRENCE-ID;VALUE=DATE:20261015',
        'DTSTART;VALUE=DATE:20261015',
        'STATUS:CANCELLED',
        'SUMMARY:Swim',
      ),
    );
    expect(shown(text)).toEqual(['2026-10-01 Swim', '2026-10-09 Swim, moved', '2026-10-22 Swim']);
    expect(read(text).events).toMatchObject([{ uid: 'a', firstOn: '2026-10-01', lastOn: '2026-10-22' }]);
  });

  it('takes the later of two versions', () => {
    const day = (on: string, sequence: number) =>
      event('UID:a', `SEQUENCE:${sequence}`, `DTSTART;VALUE=DATE:${on}`, 'SUMMARY:Fair');
    expect(shown(calendar(day('20261012', 2), day('20261005', 1)))).toEqual(['2026-10-12 Fair']);
  });

  it('knows one without a UID again', () => {
    const text = calendar(event('DTSTART;VALUE=DATE:20261009', 'SUMMARY:Fair'));
    const [one, two] = [read(text), read(text)];
    expect(one.events.map(({ uid }) => uid)).toEqual(two.events.map(({ uid }) => uid));
    expect(one.notes).toEqual([{ note: 'no-uid', about: 'Fair', count: 1 }]);
  });
});

describe('what cannot be understood', () => {
  it.each<[string, string, object[], string[]]>([
    [
      'a zone that nobody knows: its clock is taken for the school’s',
      calendar(event('UID:a', 'DTSTART;TZID=Atlantis/Deep:20261022T150000', 'DURATION:PT1H', 'SUMMARY:Talk')),
      [{ note: 'unknown-zone', about: 'Atlantis/Deep', count: 1 }],
      ['2026-10-22 15:00–16:00 Talk'],
    ],
    [
      'a rule by the second: the first time stays',
      calendar(
        event('UID:a', 'DTSTART:20261022T150000', 'DURATION:PT1H', 'RRULE:FREQ=SECONDLY', 'SUMMARY:Talk'),
      ),
      [{ note: 'too-often', about: 'Talk', count: 1 }],
      ['2026-10-22 15:00–16:00 Talk'],
    ],
    [
      'an event without a start',
      calendar(event('UID:a', 'SUMMARY:Talk'), event('UID:b', 'DTSTART;VALUE=DATE:20261009', 'SUMMARY:Fair')),
      [{ note: 'no-start', about: 'Talk', count: 1 }],
      ['2026-10-09 Fair'],
    ],
    [
      'what is no event',
      calendar(
        'BEGIN:VTODO',
        'UID:t',
        'SUMMARY:Forms',
        'END:VTODO',
        'BEGIN:VJOURNAL',
        'UID:j',
        'END:VJOURNAL',
      ),
      [
        { note: 'not-an-event', about: 'VTODO', count: 1 },
        { note: 'not-an-event', about: 'VJOURNAL', count: 1 },
      ],
      [],
    ],
  ])('%s', (_name, text, notes, expected) => {
    expect(read(text).notes).toEqual(notes);
    expect(shown(text)).toEqual(expected);
  });

  it('follows an endless rule as far as it is asked to', () => {
    const text = calendar(event('UID:a', 'DTSTART;VALUE=DATE:19900101', 'RRULE:FREQ=DAILY', 'SUMMARY:Bell'));
    expect(read(text).events).toMatchObject([{ firstOn: '1990-01-01', lastOn: null }]);
    expect(shown(text, '2026-10-19', '2026-10-21')).toHaveLength(3);
  });

  it('leaves out what would hold up every reading', () => {
    const daily = (uid: string) =>
      event(
        `UID:${uid}`,
        'DTSTART;VALUE=DATE:19500101',
        'RRULE:FREQ=DAILY;UNTIL=20991231',
        `SUMMARY:Bell ${uid}`,
      );
    const { events, notes } = read(calendar(...['a', 'b', 'c', 'd', 'e'].map(daily)));
    expect(events).toHaveLength(3);
    expect(notes).toEqual([
      { note: 'too-often', about: 'Bell d', count: 1 },
      { note: 'too-often', about: 'Bell e', count: 1 },
    ]);
  });

  const whole = calendar(event('UID:a', 'DTSTART;VALUE=DATE:20261009', 'SUMMARY:Fair'));
  it.each([
    ['nothing', ''],
    ['something else', 'date,period,code\n2026-10-19,5,U'],
    ['cut in the middle', whole.slice(0, whole.length / 2)],
    ['cut before its last line', whole.slice(0, -16)],
    ['an event that is not closed', whole.replace('END:VEVENT\r\n', '')],
  ])('%s is refused', (_name, text) => expect(() => read(text)).toThrow(CalendarError));

  it('never breaks on a file that is damaged anywhere', () => {
    const text = calendar(
      ...zoneOfTheFile,
      event('UID:a', 'DTSTART;TZID=Our town:20261022T180000', 'RRULE:FREQ=WEEKLY;COUNT=4', 'SUMMARY:Talk'),
      event('UID:b', 'DTSTART;VALUE=DATE:20261009', 'EXDATE;VALUE=DATE:20261009', 'SUMMARY:Fair'),
    );
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 3 }), fc.nat(40), (place, put, cut) => {
        const damaged = text.slice(0, place) + put + text.slice(place + cut);
        try {
          for (const { component } of read(damaged).events)
            expandEvent(component, '2026-10-01', '2026-11-30', halifax);
        } catch (error) {
          expect(error).toBeInstanceOf(CalendarError);
        }
      }),
      { numRuns: runs(200) },
    );
  });
});

const two = (value: number) => String(value).padStart(2, '0');
const anyDay = fc.nat(700).map((days) => {
  const date = ICAL.Time.fromDateString('2026-08-20');
  date.adjust(days, 0, 0, 0);
  return date.toString();
});
const anyTime = fc.tuple(fc.nat(23), fc.nat(59)).map(([hour, minute]) => `${two(hour)}:${two(minute)}`);
const anyEvent = fc
  .record({
    title: fc.string({ minLength: 1, maxLength: 90, unit: 'binary' }),
    text: fc.option(fc.string({ maxLength: 200 })),
    place: fc.option(fc.constantFrom('Hall; east door', 'Room 4, first floor', 'A\\B')),
    on: anyDay,
    time: fc.option(anyTime),
    timeZone: fc.constantFrom(halifax, 'Europe/Lisbon', 'Australia/Lord_Howe', 'UTC'),
  })
  .map(({ time, on, ...rest }): PublishedEvent => ({
    ...rest,
    ...{
      uid: 'u',
      sequence: 3,
      changedAt: '2026-10-21T18:00:00Z',
      cancelled: false,
      href: 'https://cadro.example/x',
    },
    ...{ categories: ['Due, work', 'x'], on, lastOn: on, startsAt: time, endsAt: time },
  }));
// What no calendar text may hold is left out, and white space at its ends is no part of a title.
const plain = (text: string) =>
  text
    // eslint-disable-next-line no-control-regex -- control characters are what is meant
    .replace(/[\u0000-\u0008\u000b-\u001f\u007f]/g, '');

describe('what is written', () => {
  it('is read back as it was, whatever it says and wherever its clock stands', () => {
    fc.assert(
      fc.property(anyEvent, (published) => {
        const text = writeCalendar('Days', [published]);
        expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
        const [one] = read(text).events;
        const [back] = expandEvent(one?.component ?? '', '2026-01-01', '2029-01-01', published.timeZone);
        const { timeZone, on, startsAt } = published;
        // An hour that the clocks leave out is the one after it.
        const clock = startsAt && wallTimeIn(timeZone, instantAt(timeZone, { on, time: startsAt })).time;
        expect(back).toMatchObject({
          title: plain(published.title),
          on,
          lastOn: published.lastOn,
          startsAt: clock,
          place: published.place,
          href: published.href,
        });
      }),
    );
  });

  it('carries its zones, its sequence and its cancellation', () => {
    const event: PublishedEvent = {
      ...{ uid: 'due-1@cadro', sequence: 4, changedAt: '2026-10-21T18:00:00Z', cancelled: true },
      ...{ title: 'Keel model', text: 'Boats', place: null, href: null, categories: ['Due'] },
      ...{ on: '2026-10-22', lastOn: '2026-10-22', startsAt: '09:00', endsAt: null, timeZone: halifax },
    };
    // What every calendar has to begin with, and nothing else in its place.
    const lines = writeCalendar('Days', [event]).split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines.filter((line) => line === 'VERSION:2.0')).toHaveLength(1);
    expect(lines.filter((line) => line.startsWith('PRODID:'))).toHaveLength(1);
    expect(lines.slice(-2)).toEqual(['END:VCALENDAR', '']);
    expect(lines).toEqual(
      expect.arrayContaining([
        'BEGIN:VTIMEZONE',
        `TZID:${halifax}`,
        'UID:due-1@cadro',
        'SEQUENCE:4',
        'DTSTAMP:20261021T180000Z',
        `DTSTART;TZID=${halifax}:20261022T090000`,
        'STATUS:CANCELLED',
      ]),
    );
    expect(lines.filter((line) => line === 'BEGIN:VTIMEZONE')).toHaveLength(1);
  });
});

describe('what could hold up whoever reads it', () => {
  const hours = 'DTSTART:20261009T140000Z';
  const good = event('UID:good', 'DTSTART;VALUE=DATE:20261010', 'SUMMARY:Fair');
  const listed = (name: string, count: number) =>
    `${name}:${Array.from({ length: count }, (_each, index) => `2027${String(1 + (index % 12)).padStart(2, '0')}${String(1 + (index % 28)).padStart(2, '0')}T${String(index % 24).padStart(2, '0')}0000Z`).join(',')}`;
  it.each([
    [
      'a rule for a day that no February has',
      'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30;COUNT=5',
      'rule-not-read',
    ],
    ['weeks without number', 'DURATION:P99999999999W', 'too-often'],
    ['200,000 more days', listed('RDATE', 200_000), 'too-often'],
    ['100,000 days left out', `RRULE:FREQ=DAILY\r\n${listed('EXDATE', 100_000)}`, 'too-often'],
  ])('%s', (_name, line, note) => {
    const { events, notes } = read(calendar(event('UID:a', hours, line, 'SUMMARY:Endless'), good));
    expect(notes).toEqual([{ note, about: 'Endless', count: 1 }]);
    expect(events.map(({ title }) => title)).toContain('Fair');
  });

  it('many of them together', () => {
    const never = (index: number) =>
      event(`UID:n${index}`, hours, 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', `SUMMARY:${index}`);
    const { events } = read(calendar(...Array.from({ length: 3 }, (_each, index) => never(index)), good));
    expect(events.map(({ title }) => title)).toContain('Fair');
  });

  it('more zones than there are', () => {
    const zones = Array.from({ length: 3000 }, (_each, index) =>
      zoneOfTheFile.map((line) => line.replace('Our town', `Town ${index}`)),
    ).flat();
    expect(() => read(calendar(...zones, good))).toThrow('more than 200 time zones');
  });

  it('an event that was kept before its like was refused', () => {
    const kept = calendar(event('UID:a', hours, 'DURATION:P99999999999W', 'SUMMARY:Endless'));
    expect(expandEvent(kept, '2026-10-01', '2026-10-31', halifax)).toEqual([]);
    const never = calendar(
      event('UID:a', hours, 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', 'SUMMARY:Never'),
    );
    expect(expandEvent(never, '2026-10-10', '2026-10-31', halifax)).toEqual([]);
  });
});

it.each(['AST', 'BST', 'IST', 'CST'])(
  'what a file says of its zone %s goes before what its name could mean',
  (name) => {
    const zone = zoneOfTheFile.map((line) => line.replace('Our town', name).replaceAll('+0200', '-0400'));
    const at = event(
      'UID:a',
      `DTSTART;TZID=${name}:20261009T100000`,
      `DTEND;TZID=${name}:20261009T110000`,
      'SUMMARY:Fair',
    );
    // Halifax is an hour on, by its summer time.
    expect(shown(calendar(...zone, at))).toEqual(['2026-10-09 11:00–12:00 Fair']);
    expect(read(calendar(...zone, at)).notes).toEqual([]);
    // Without a word of the file it is nobody's, and said to be.
    expect(read(calendar(at)).notes).toEqual([{ note: 'unknown-zone', about: name, count: 1 }]);
  },
);

it('reads every calendar of a file', () => {
  const one = calendar(event('UID:a', 'DTSTART;VALUE=DATE:20261009', 'SUMMARY:Fair'));
  const other = calendar(event('UID:b', 'DTSTART;VALUE=DATE:20261010', 'SUMMARY:Sail day'));
  expect(shown(`${one}\r\n${other}`)).toEqual(['2026-10-09 Fair', '2026-10-10 Sail day']);
});
