import { bodyOf, emptyDraft, repeatOf, ruleOf, type Repeat } from './entryDraft';

const on = '2026-10-22'; // a Thursday
describe('a repetition', () => {
  it.each<[Repeat, string | null, string | null]>([
    ['never', null, null],
    ['daily', null, 'FREQ=DAILY'],
    ['school-days', null, 'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR'],
    ['weekly', null, 'FREQ=WEEKLY;BYDAY=TH'],
    ['weekly', '2026-12-17', 'FREQ=WEEKLY;BYDAY=TH;UNTIL=20261217'],
    ['fortnightly', null, 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TH'],
    ['monthly', null, 'FREQ=MONTHLY;BYMONTHDAY=22'],
  ])('%s until %s is %s, and back', (repeat, until, rule) => {
    expect(ruleOf({ repeat, on, until, rule: null })).toBe(rule);
    expect(repeatOf(on, rule)).toEqual({ repeat, until });
  });
  it('of another hand is kept as it is', () => {
    const rule = 'FREQ=MONTHLY;BYDAY=1TU';
    expect(repeatOf(on, rule)).toEqual({ repeat: 'other', until: null });
    expect(ruleOf({ repeat: 'other', on, until: null, rule })).toBe(rule);
  });
});

it('sends only what its kind has', () => {
  const draft = emptyDraft({
    title: ' Swim ',
    on,
    lastOn: '2026-10-23',
    startsAt: '9:00',
    endsAt: '10:00',
    repeat: 'weekly',
  });
  expect(bodyOf({ ...draft, kind: 'note' })).toMatchObject({
    title: 'Swim',
    startsAt: null,
    rule: null,
    lastOn: null,
  });
  expect(bodyOf({ ...draft, kind: 'event' })).toMatchObject({
    ...{ startsAt: '09:00', endsAt: '10:00', lastOn: null, rule: 'FREQ=WEEKLY;BYDAY=TH' },
  });
  expect(bodyOf({ ...draft, kind: 'event', repeat: 'never' })).toMatchObject({
    lastOn: '2026-10-23',
    rule: null,
  });
  expect(bodyOf({ ...draft, itemId: 'i', daysBefore: 3 })).toMatchObject({
    ...{ on: null, rule: null, itemId: 'i', daysBefore: 3 },
  });
});
