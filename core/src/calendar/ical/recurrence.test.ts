import { occurrences, ruleFault } from '.';

describe('a rule', () => {
  it.each([
    ['FREQ=DAILY', null],
    ['FREQ=WEEKLY;BYDAY=TU,TH', null],
    ['FREQ=WEEKLY;INTERVAL=2;BYDAY=MO;UNTIL=20270618', null],
    ['FREQ=MONTHLY;BYDAY=1WE', null],
    ['FREQ=MONTHLY;BYMONTHDAY=-1', null],
    ['FREQ=YEARLY;COUNT=3', null],
    // Once in eight years is enough: the only 29 February that is a Sunday.
    ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29;BYDAY=SU', null],
    ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=29', null],
    ['FREQ=HOURLY', 'too-often'],
    ['FREQ=SECONDLY;COUNT=5', 'too-often'],
    ['FREQ=SOMETIMES', 'rule-not-read'],
    ['FREQ=DAILY;INTERVAL=0', 'rule-not-read'],
    ['FREQ=DAILY;INTERVAL=-2', 'rule-not-read'],
    ['FREQ=MONTHLY;BYMONTHDAY=40', 'rule-not-read'],
    ['FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', 'rule-not-read'],
    ['FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30', 'rule-not-read'],
    ['FREQ=WEEKLY;BYMONTH=4;BYMONTHDAY=31;BYDAY=MO;COUNT=1', 'rule-not-read'],
    ['FREQ=YEARLY;UNTIL=20200101', null],
    ['FREQ=YEARLY;INTERVAL=10;COUNT=3', null],
    ['FREQ=YEARLY;INTERVAL=999999999;COUNT=9', 'rule-not-read'],
    ['BYDAY=TU', 'rule-not-read'],
    ['every Tuesday', 'rule-not-read'],
    ['', 'rule-not-read'],
  ] as const)('%s: %s', (rule, fault) => expect(ruleFault(rule)).toBe(fault));
});

describe('the days of an entry', () => {
  const days = (rule: string | null, on: string, from: string, to: string, skipped: string[] = []) =>
    occurrences({ on, rule, skipped }, from, to);

  it.each([
    ['one day', null, '2026-10-22', ['2026-10-22']],
    ['one day outside', null, '2026-11-30', []],
    [
      'every Tuesday and Thursday',
      'FREQ=WEEKLY;BYDAY=TU,TH',
      '2026-10-06',
      ['2026-10-20', '2026-10-22', '2026-10-27', '2026-10-29'],
    ],
    ['every other Monday', 'FREQ=WEEKLY;INTERVAL=2', '2026-10-05', ['2026-10-19']],
    [
      'until a day, which counts',
      'FREQ=DAILY;UNTIL=20261021',
      '2026-10-19',
      ['2026-10-19', '2026-10-20', '2026-10-21'],
    ],
    ['three times', 'FREQ=WEEKLY;COUNT=3', '2026-10-14', ['2026-10-21', '2026-10-28']],
    ['the last day of the month', 'FREQ=MONTHLY;BYMONTHDAY=-1', '2026-09-30', ['2026-10-31']],
  ] as const)('%s', (_name, rule, on, expected) =>
    expect(days(rule, on, '2026-10-19', '2026-10-31')).toEqual(expected),
  );

  it('leaves out what was left out', () =>
    expect(days('FREQ=WEEKLY', '2026-10-01', '2026-10-08', '2026-10-29', ['2026-10-15'])).toEqual([
      '2026-10-08',
      '2026-10-22',
      '2026-10-29',
    ]));

  it('follows a daily rule over many years', () =>
    expect(days('FREQ=DAILY', '2000-01-01', '2026-10-19', '2026-10-20')).toEqual([
      '2026-10-19',
      '2026-10-20',
    ]));
});

it('an entry whose rule never comes, kept before that was known, has its own day and holds up nobody', () => {
  const entry = { on: '2026-02-01', rule: 'FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30;COUNT=5', skipped: [] };
  expect(occurrences(entry, '2026-01-01', '2026-12-31')).toEqual(['2026-02-01']);
});

describe('a rule that is followed from near by', () => {
  const rules = [
    ...['FREQ=DAILY', 'FREQ=DAILY;INTERVAL=3', 'FREQ=DAILY;INTERVAL=5;BYDAY=MO,TU', 'FREQ=DAILY;BYMONTH=2'],
    ...['FREQ=WEEKLY', 'FREQ=WEEKLY;BYDAY=TU,TH', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=SU,MO;WKST=SU'],
    ...['FREQ=WEEKLY;INTERVAL=3;BYDAY=SU,MO;WKST=MO', 'FREQ=WEEKLY;INTERVAL=2;UNTIL=20261015'],
    ...['FREQ=DAILY;COUNT=900', 'FREQ=WEEKLY;COUNT=40', 'FREQ=MONTHLY;BYDAY=1WE', 'FREQ=YEARLY'],
  ];
  const starts = ['2019-12-31', '2024-02-29', '2026-08-30', '2026-09-02', '2026-10-11'];

  it.each(rules)('gives the same days as from its beginning: %s', (rule) => {
    for (const on of starts) {
      const entry = { on, rule, skipped: [] };
      const whole = occurrences(entry, on, '2026-12-31');
      for (const from of ['2026-09-01', '2026-10-11', '2026-11-02'])
        // A thousand days are the most that are told at once.
        if (whole.length < 1000)
          expect(occurrences(entry, from, '2026-12-31')).toEqual(whole.filter((day) => day >= from));
    }
  });
});
