import { expandEvent, readCalendar } from '.';

const zone = 'America/Halifax';
/** An event as it is kept, with what is added to it and changed occurrences beside it. */
const kept = (lines: readonly string[], beside: readonly (readonly string[])[] = []): string => {
  const event = (more: readonly string[]) =>
    ['BEGIN:VEVENT', 'UID:choir', 'SUMMARY:Choir', ...more, 'END:VEVENT'].join('\r\n');
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Skerry//EN', ...[lines, ...beside].map(event)];
  const { events } = readCalendar([...text, 'END:VCALENDAR', ''].join('\r\n'), zone, '2027-10-22');
  return events[0]?.component ?? '';
};
const evenings = 'DTSTART;TZID=America/Halifax:20190903T190000';

it.each([
  ['weekly', ['RRULE:FREQ=WEEKLY;BYDAY=TU,TH']],
  ['every third day', ['RRULE:FREQ=DAILY;INTERVAL=3']],
  ['with days left out', ['RRULE:FREQ=WEEKLY', 'EXDATE;TZID=America/Halifax:20261020T190000']],
  ['with more days', ['RRULE:FREQ=WEEKLY', 'RDATE;TZID=America/Halifax:20261022T190000,20200101T190000']],
  ['until a day', ['RRULE:FREQ=WEEKLY;UNTIL=20261027T220000Z']],
  ['counted', ['RRULE:FREQ=WEEKLY;COUNT=380']],
  ['by two rules', ['RRULE:FREQ=WEEKLY', 'RRULE:FREQ=MONTHLY']],
])('an event that began long ago is where it is when followed from its beginning: %s', (_name, rule) => {
  const component = kept([evenings, ...rule]);
  const whole = expandEvent(component, '2019-09-01', '2026-12-31', zone);
  const near = expandEvent(component, '2026-10-01', '2026-12-31', zone);
  expect(near).toEqual(whole.filter(({ on }) => on >= '2026-10-01'));
  expect(near.length).toBeGreaterThan(0);
});

it('a changed occurrence of long before, and one that has been moved here, are found', () => {
  const component = kept(
    [evenings, 'RRULE:FREQ=WEEKLY'],
    [['RECURRENCE-ID;TZID=America/Halifax:20260908T190000', 'DTSTART;TZID=America/Halifax:20261021T180000']],
  );
  const found = expandEvent(component, '2026-10-19', '2026-10-25', zone);
  expect(found.map(({ on, startsAt }) => [on, startsAt])).toEqual(
    expect.arrayContaining([
      ['2026-10-20', '19:00'],
      ['2026-10-21', '18:00'],
    ]),
  );
});

it('an event that goes on for weeks is there on its last days', () => {
  const component = kept(['DTSTART;VALUE=DATE:20200701', 'DTEND;VALUE=DATE:20200929', 'RRULE:FREQ=YEARLY']);
  expect(expandEvent(component, '2026-09-27', '2026-09-28', zone)).toMatchObject([
    { on: '2026-07-01', lastOn: '2026-09-28' },
  ]);
});
