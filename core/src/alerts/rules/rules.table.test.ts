import { presets, type Preset } from '@cadro/contract';
import {
  announcedOn,
  commentOn,
  evening,
  historyOf,
  instant,
  owedOn,
  item,
  knownOn,
  mark,
  score,
  state,
  type Sketch,
} from '../../testing/histories';
import { onlyRule } from '../../testing/rules';
import {
  daysEarlier,
  factsAt,
  lookAtChild,
  presetRules,
  signalsOf,
  tellAlert,
  upkeepSignals,
  alertRules,
  type AlertRules,
  type AlertState,
  type RuleName,
} from '..';

/*
 * Every rule in one table: when it speaks and with which id, that it is silent where it is off and on the day after
 * its days, and what makes it speak again.
 */
const usual = presetRules('usual');
const only = onlyRule('usual');

const grade = (term: string, day: number) =>
  knownOn(
    {
      ...{ courseId: 'kelp', courseTitle: 'Kelp chemistry', term, termTitle: 'Quarter 1', figure: 88 },
      ...{ letter: 'B', fraction: 0.88, final: true, at: instant(day), sourceName: 'Gannet Head' },
    },
    day,
  );
const marks = (codes: string) => [...codes].map((code, day) => mark(code, day));

/** 90 until day 12, then 75. */
const fall = (last = 6): Sketch => ({
  items: [item('a', 2), item('b', 4), item('c', 6), item('d', 11)],
  results: [score('a', 2, 18), score('b', 4, 18), score('c', 6, 18), score('d', 12, last)],
});
/** 50 until day 6, then 75 on day 12. */
const rise = (last = 20): Sketch => ({
  items: [item('a', 2), item('b', 4), item('c', 6), item('d', 11)],
  results: [score('a', 2, 10), score('b', 4, 10), score('c', 6, 10), score('d', 12, last)],
});
const weekly: Sketch = {
  items: [0, 7, 14, 21, 28].map((day) => item(`w${day}`, day)),
  results: [20, 18, 16, 14, 12].map((earned, index) => score(`w${index * 7}`, index * 7, earned)),
};
const half: Sketch = { items: [item('a', 2), item('b', 4)], results: [score('a', 2, 20)] };
const missed = (until: number): Sketch => ({
  items: [item('w', 2, { acceptedUntil: instant(until) })],
  results: [state('w', 3, 'missing')],
});
const returned = (again: number): Sketch => ({
  items: [item('w', 4)],
  results: [state('w', 4, 'handed-in'), state('w', again, 'incomplete')],
});
const mended = (day: number): Sketch => ({
  items: [item('w', 4)],
  results: [state('w', 5, 'missing'), score('w', day, 17)],
});
const scores = (earned: number): Sketch => ({
  items: [item('w', 4)],
  results: [state('w', 4, 'handed-in'), score('w', 5, earned)],
});
const early = (period: string): Sketch => ({
  marks: [0, 1, 2, 3].flatMap((day) => [mark('P', day, '1'), mark(day > 1 ? 'A' : 'P', day, period)]),
});

interface Case {
  readonly rule: RuleName;
  readonly set?: object;
  readonly sketch: Sketch;
  /** The last day on which it speaks (or, where it waits, the first), and the next day on which it does not. */
  readonly speaks: number;
  readonly silent: number;
  readonly ids: readonly string[];
  readonly key: string;
  /** What makes it speak of something new: another sketch, day or setting, with the ids then. */
  readonly second?: readonly [Partial<Pick<Case, 'sketch' | 'speaks' | 'set'>>, readonly string[]];
}

const figureKey = 'figure:child:kelp';
const workKey = 'work:child:kelp';
const table: readonly Case[] = [
  {
    ...{ rule: 'below', set: { percent: 76 }, sketch: fall(), speaks: 12, silent: 11, ids: ['below:76'] },
    ...{ key: figureKey, second: [{ set: { percent: 80 } }, ['below:80']] },
  },
  {
    ...{ rule: 'fallen', set: { points: 10, days: 14 }, sketch: fall(), speaks: 25, silent: 26 },
    ...{ ids: ['fallen:1'], key: figureKey, second: [{ set: { points: 7, days: 14 } }, ['fallen:2']] },
  },
  {
    ...{ rule: 'letter-step', sketch: fall(), speaks: 18, silent: 19, ids: ['letter-step:C'] },
    ...{ key: figureKey, second: [{ sketch: fall(0) }, ['letter-step:D']] },
  },
  {
    ...{ rule: 'slipping', set: { perWeek: 4 }, sketch: weekly, speaks: 28, silent: 13, ids: ['slipping'] },
    key: figureKey,
  },
  {
    ...{ rule: 'if-left', set: { percent: 70 }, sketch: half, speaks: 6, silent: 3, ids: ['if-left:70'] },
    ...{ key: figureKey, second: [{ set: { percent: 60 } }, ['if-left:60']] },
  },
  {
    ...{ rule: 'loose-end', sketch: { items: [item('a', 2)] }, speaks: 4, silent: 3, ids: ['loose-end:a'] },
    ...{ key: workKey, second: [{ sketch: { items: [item('b', 2)] } }, ['loose-end:b']] },
  },
  {
    ...{ rule: 'deadline', set: { days: 3 }, sketch: missed(12), speaks: 9, silent: 8, key: workKey },
    ids: ['deadline:w:2026-09-19T18:00:00Z'],
    second: [{ sketch: missed(11) }, ['deadline:w:2026-09-18T18:00:00Z']],
  },
  {
    ...{ rule: 'deadline', set: { days: 3 }, sketch: missed(12), speaks: 12, silent: 13, key: workKey },
    ids: ['deadline:w:2026-09-19T18:00:00Z'],
  },
  {
    ...{ rule: 'sent-back', sketch: returned(6), speaks: 9, silent: 10, key: workKey },
    ids: ['sent-back:w:2026-09-13T18:00:00.000Z'],
    second: [{ sketch: returned(7) }, ['sent-back:w:2026-09-14T18:00:00.000Z']],
  },
  {
    ...{ rule: 'unmarked', set: { days: 10 }, ids: ['unmarked:w'], key: 'waiting:child:kelp' },
    ...{ speaks: 14, silent: 13, sketch: { items: [item('w', 4)], results: [state('w', 4, 'handed-in')] } },
    second: [{ sketch: { items: [item('v', 4)], results: [state('v', 4, 'handed-in')] } }, ['unmarked:v']],
  },
  {
    ...{ rule: 'big-work', set: { days: 3, effect: 100 }, key: 'coming:child:kelp' },
    ...{ sketch: { items: [item('test1', 9)] }, speaks: 6, silent: 5, ids: ['big-work:test1'] },
    second: [{ sketch: { items: [item('test2', 9)] } }, ['big-work:test2']],
  },
  {
    ...{ rule: 'comment', set: { subjects: ['work'] }, sketch: { comments: [commentOn('c', 3)] } },
    ...{ speaks: 6, silent: 7, ids: ['comment:c'], key: 'comment:child:kelp' },
    second: [{ sketch: { comments: [commentOn('d', 3)] } }, ['comment:d']],
  },
  {
    ...{ rule: 'unexplained', sketch: { marks: marks('APPPPP') }, speaks: 4, silent: 5 },
    ...{ ids: ['unexplained:2026-09-07'], key: 'absence:child' },
    second: [{ sketch: { marks: marks('PAPPP') } }, ['unexplained:2026-09-08']],
  },
  {
    ...{ rule: 'late', set: { times: 3, days: 7 }, sketch: { marks: marks('LPLL') }, speaks: 6, silent: 7 },
    ...{ ids: ['late:1'], key: 'late:child' },
    second: [{ sketch: { marks: marks('LLLLLL') } }, ['late:2']],
  },
  {
    ...{ rule: 'pattern', sketch: early('6'), speaks: 3, silent: 2, key: 'pattern:child' },
    ids: ['pattern:leaves-early:'],
  },
  {
    ...{ rule: 'days-missed', set: { percent: 10 }, sketch: { marks: marks(`AA${'P'.repeat(18)}`) } },
    ...{ speaks: 14, silent: 13, ids: ['days-missed:10'], key: 'share:child' },
    second: [{ set: { percent: 8 } }, ['days-missed:8']],
  },
  {
    ...{ rule: 'term-final', sketch: { grades: [grade('t1', 5)] }, speaks: 8, silent: 9 },
    ...{ ids: ['term-final:kelp:t1'], key: 'term:child:t1' },
    second: [{ sketch: { grades: [grade('t2', 5)] } }, ['term-final:kelp:t2']],
  },
  {
    ...{ rule: 'report-card', speaks: 8, silent: 9, ids: ['report-card:t1'], key: 'term:child:t1' },
    sketch: { comments: [commentOn('c', 5, { subject: 'report-card', term: 't1' })] },
    second: [
      { sketch: { comments: [commentOn('c', 5, { subject: 'report-card', term: 't2' })] } },
      ['report-card:t2'],
    ],
  },
  {
    ...{ rule: 'announced', sketch: { announcements: [announcedOn('n', 5)] }, speaks: 8, silent: 9 },
    ...{ ids: ['announced:n'], key: 'announced:child:n' },
    // Whoever may lend a hand is asked by another rule; what was taken back is told by none.
    second: [
      {
        sketch: {
          announcements: [announcedOn('h', 5, { helpers: true }), announcedOn('g', 5, { gone: true })],
        },
      },
      [],
    ],
  },
  {
    ...{ rule: 'helpers', sketch: { announcements: [announcedOn('n', 5, { helpers: true })] } },
    ...{ speaks: 8, silent: 9, ids: ['helpers:n'], key: 'helpers:child:n' },
    second: [{ sketch: { announcements: [announcedOn('o', 5)] } }, []],
  },
  {
    ...{ rule: 'answer-due', set: { days: 2 }, key: 'answer-due:child:n', ids: ['answer-due:n'] },
    ...{ sketch: { announcements: [announcedOn('n', 1, { by: instant(9) })] }, speaks: 9, silent: 10 },
    second: [
      {
        sketch: {
          announcements: [
            announcedOn('done', 1, { by: instant(9), answeredAtMs: evening(8) }),
            announcedOn('help', 1, { by: instant(9), helpers: true }),
            announcedOn('back', 1, { by: instant(9), gone: true }),
            announcedOn('know', 1, { by: instant(9), wantsAnswer: false }),
            announcedOn('open', 1, { by: instant(9), answeredAtMs: evening(10) }),
          ],
        },
      },
      ['answer-due:open'],
    ],
  },
  {
    ...{ rule: 'fee-due', set: { days: 2 }, key: 'fee-due:child:f', ids: ['fee-due:f'] },
    ...{
      sketch: { balances: [owedOn('f', 1, { kind: 'fee', dueOn: instant(9).slice(0, 10) })] },
      speaks: 7,
      silent: 6,
    },
    second: [
      {
        sketch: {
          balances: [
            owedOn('paid', 1, { kind: 'fee', amount: 0, dueOn: instant(7).slice(0, 10) }),
            owedOn('someday', 1, { kind: 'fee' }),
            owedOn('account', 1, { dueOn: instant(7).slice(0, 10) }),
            owedOn('over', 1, { kind: 'fee', dueOn: instant(3).slice(0, 10) }),
            owedOn('long', 1, { kind: 'fee', dueOn: instant(-22).slice(0, 10) }),
          ],
        },
      },
      ['fee-due:over'],
    ],
  },
  {
    ...{ rule: 'balance-low', set: { below: 10 }, key: 'balance-low:child:m', ids: ['balance-low:m'] },
    ...{ sketch: { balances: [owedOn('m', 5, { amount: 9.99 })] }, speaks: 5, silent: 4 },
    second: [
      {
        sketch: {
          balances: [
            owedOn('enough', 1, { amount: 10 }),
            owedOn('fee', 1, { kind: 'fee', amount: 3 }),
            owedOn('over', 1, { amount: -2.5 }),
          ],
        },
      },
      ['balance-low:over'],
    ],
  },
  {
    ...{ rule: 'improved', set: { points: 10, days: 14 }, sketch: rise(), speaks: 25, silent: 26 },
    ...{ ids: ['improved:1'], key: 'good:child:kelp' },
    second: [{ set: { points: 6, days: 14 } }, ['improved:2']],
  },
  {
    ...{ rule: 'scored', set: { below: 75 }, sketch: scores(14), speaks: 8, silent: 9 },
    ...{ ids: ['scored:w:2026-09-12T18:00:00.000Z'], key: 'scored:child:kelp' },
    // A full score is told where every score is.
    second: [{ sketch: scores(20), set: { below: 100 } }, ['scored:w:2026-09-12T18:00:00.000Z']],
  },
  {
    ...{ rule: 'settled', sketch: mended(8), speaks: 11, silent: 12, key: 'good:child:kelp' },
    ids: ['settled:w:2026-09-15T18:00:00.000Z'],
    second: [{ sketch: mended(9) }, ['settled:w:2026-09-16T18:00:00.000Z']],
  },
];

const standing = (key: string, rule: RuleName): AlertState => ({
  ...{ key, kind: 'figure', studentId: 'child', courseId: 'kelp', courseTitle: null, episode: 1 },
  ...{
    raisedAt: instant(1),
    toldAt: instant(1),
    newsAt: instant(1),
    overAt: null,
    known: [],
    told: [],
    titled: [],
  },
  reasons: [{ rule }] as unknown as AlertState['reasons'],
});
const found = (sketch: Sketch, day: number, rules: AlertRules, states: readonly AlertState[] = []) =>
  signalsOf(factsAt(historyOf(sketch), evening(day)), rules, states);
const ids = (...args: Parameters<typeof found>) => found(...args).map(({ reason }) => reason.id);

describe('every rule about a child', () => {
  it.each(table.map((each) => [each.rule, each.speaks, each] as const))(
    '%s speaks on day %i, is silent beside its days and where it is off, and has a new id for what is new',
    (_name, _day, { rule, set = {}, sketch, speaks, silent, ids: own, key, second }) => {
      const said = found(sketch, speaks, only(rule, set));
      expect(said.map(({ reason }) => reason.id)).toEqual(own);
      expect(said.map(({ reason }) => reason.rule)).toEqual(own.map(() => rule));
      expect(said.map((signal) => signal.key)).toEqual(own.map(() => key));
      expect(ids(sketch, silent, only(rule, set))).toEqual([]);
      expect(ids(sketch, speaks, only(rule, set, false))).toEqual([]);
      if (second) {
        const [other, expected] = second;
        const day = other.speaks ?? speaks;
        expect(ids(other.sketch ?? sketch, day, only(rule, other.set ?? set))).toEqual(expected);
      }
    },
  );

  it('stands in the table', () => {
    const upkeep: RuleName[] = ['source-silent', 'not-looked'];
    expect([...new Set(table.map(({ rule }) => rule)), ...upkeep].sort()).toEqual(
      alertRules.map(({ name }) => name).sort(),
    );
  });

  it('is silent of a course where an exception turns it off, and speaks where one turns it on', () => {
    const rules = only('below', { percent: 76 });
    const off = { studentId: 'child', courseId: 'kelp', rules: { below: { on: false } } };
    expect(ids(fall(), 12, { ...rules, exceptions: [off] })).toEqual([]);
    const none = only('below', { percent: 76 }, false);
    const on = { studentId: 'child', courseId: 'kelp', rules: { below: { on: true } } };
    expect(ids(fall(), 12, { ...none, exceptions: [on] })).toEqual(['below:76']);
    expect(ids(fall(), 12, { ...none, exceptions: [{ ...on, courseId: 'boats' }] })).toEqual([]);
  });
});

it.each([
  ['handed-in', 'open', true],
  ['handed-in', 'incomplete', true],
  ['scored', 'incomplete', true],
  ['scored', 'open', true],
  ['handed-in', 'missing', false],
  ['scored', 'excused', false],
  ['missing', 'incomplete', false],
  ['open', 'incomplete', false],
] as const)('work that was %s and is %s has been sent back: %s', (was, is, speaks) => {
  const sketch: Sketch = { items: [item('w', 4)], results: [state('w', 4, was), state('w', 6, is)] };
  expect(ids(sketch, 7, only('sent-back', {}))).toHaveLength(speaks ? 1 : 0);
});

it('what has come stays in its alert, what is so leaves it: by rule', () => {
  expect(alertRules.filter(({ event }) => event).map(({ name }) => name)).toEqual([
    ...['sent-back', 'comment', 'scored', 'report-card', 'term-final', 'announced', 'helpers', 'settled'],
  ]);
});

it.each<[string, Sketch, number, boolean]>([
  ['below the share', scores(14), 75, true],
  ['at the share', scores(15), 75, false],
  ['any, where all are asked for', scores(20), 100, true],
  ['what was a loose end: that is good news', mended(6), 100, false],
  [
    'the same score once more',
    { ...scores(14), results: [...(scores(14).results ?? []), score('w', 6, 14)] },
    100,
    false,
  ],
  [
    'a score that is put right',
    { ...scores(14), results: [...(scores(14).results ?? []), score('w', 6, 12)] },
    75,
    true,
  ],
])('a score is told: %s', (_name, sketch, below, speaks) => {
  expect(ids(sketch, 7, only('scored', { below }))).toHaveLength(speaks ? 1 : 0);
});

it('nothing more is told of a figure once its term is over', () => {
  const rules = only('below', { percent: 76 });
  expect(ids(fall(), 101, rules)).toEqual(['below:76']);
  expect(ids(fall(), 104, rules)).toEqual([]);
});

describe('a rule lets go later than it takes hold', () => {
  it.each<[RuleName, string, object, Sketch, number, object]>([
    // Posted is 75: one point above the threshold, and it has not come out of it yet; two, and it has.
    ['below', figureKey, { percent: 74.5 }, fall(), 12, { percent: 74 }],
    // Left alone 50: the same margin.
    ['if-left', figureKey, { percent: 49.5 }, half, 6, { percent: 49 }],
    // A fall of 15 points stands while it is half of what is asked.
    ['fallen', figureKey, { points: 30, days: 14 }, fall(), 12, { points: 31, days: 14 }],
    ['improved', 'good:child:kelp', { points: 25, days: 14 }, rise(), 12, { points: 25.1, days: 14 }],
    // One of two loose ends is left.
    ['loose-end', workKey, { atOnce: 2 }, { items: [item('a', 2)] }, 4, { atOnce: 2, kinds: ['missing'] }],
    // Two of twenty days.
    [
      ...(['days-missed', 'share:child', { percent: 11 }] as const),
      ...([{ marks: marks(`AA${'P'.repeat(18)}`) }, 19, { percent: 11.1 }] as const),
    ],
  ])('%s', (rule, key, set, sketch, day, beyond) => {
    const states = [standing(key, rule)];
    expect(ids(sketch, day, only(rule, set))).toEqual([]);
    expect(ids(sketch, day, only(rule, set), states)).toHaveLength(1);
    expect(ids(sketch, day, only(rule, beyond), states)).toEqual([]);
    // Another alert, one that is over, or another rule in it holds nothing.
    for (const other of [
      { ...standing(key, rule), key: 'figure:other:kelp' },
      { ...standing(key, rule), overAt: instant(2) },
      standing(key, 'comment'),
    ]) {
      expect(ids(sketch, day, only(rule, set), [other])).toEqual([]);
    }
  });
});

describe('a rule takes hold at its very limit, and not a little before', () => {
  it.each<[RuleName, object, object, Sketch, number]>([
    // 75 is not below 75.
    ['below', { percent: 75.1 }, { percent: 75 }, fall(), 12],
    ['if-left', { percent: 50.1 }, { percent: 50 }, half, 6],
    ['fallen', { points: 15, days: 14 }, { points: 15.1, days: 14 }, fall(), 12],
    ['improved', { points: 12.5, days: 14 }, { points: 12.6, days: 14 }, rise(), 12],
    ['slipping', { perWeek: 5 }, { perWeek: 5.1 }, weekly, 28],
    ['days-missed', { percent: 10 }, { percent: 10.1 }, { marks: marks(`AA${'P'.repeat(18)}`) }, 19],
    ['late', { times: 3, days: 4 }, { times: 3, days: 3 }, { marks: marks('LPLL') }, 3],
  ])('%s', (rule, at, beyond, sketch, day) => {
    expect(ids(sketch, day, only(rule, at))).toHaveLength(1);
    expect(ids(sketch, day, only(rule, beyond))).toEqual([]);
  });
});

describe('the rules about the guardian', () => {
  const facts = {
    guardianId: 'g',
    asOfMs: evening(10),
    sources: [
      { id: 's', name: 'Millrace', readAt: instant(7) },
      { id: 'r', name: 'Gannet Head', readAt: instant(7.01) },
    ],
    lookedAt: instant(3),
  };
  const said = (rules: AlertRules) =>
    upkeepSignals(facts, rules.rules).map(({ key, reason }) => [key, reason.id, reason.at, reason.asked]);
  it('a source that has been silent for so many days, and only that', () => {
    expect(said(only('source-silent', { days: 3 }))).toEqual([
      ['source:s', 'source-silent', '2026-09-17T18:00:00Z', { amount: null, days: 3 }],
    ]);
    expect(said(only('source-silent', { days: 4 }))).toEqual([]);
    expect(said(only('source-silent', { days: 3 }, false))).toEqual([]);
  });
  it('a guardian who has not looked', () => {
    expect(said(only('not-looked', { days: 7 }))).toEqual([
      ['look:g', 'not-looked', '2026-09-17T18:00:00Z', { amount: null, days: 7 }],
    ]);
    expect(said(only('not-looked', { days: 8 }))).toEqual([]);
    expect(said(only('not-looked', { days: 7 }, false))).toEqual([]);
  });
});

it('a figure below every letter says so, in both languages', () => {
  const base = historyOf(fall(0));
  const [course] = base.courses;
  const [term] = course?.terms ?? [];
  if (!course || !term) throw new Error('one course with one term');
  const { policy } = term.record;
  const letters = (policy.letters ?? []).filter(({ letter }) => letter !== 'D');
  const record = { ...term.record, policy: { ...policy, letters } };
  const history = { ...base, courses: [{ ...course, terms: [{ ...term, record }] }] };
  const [signal] = signalsOf(factsAt(history, evening(12)), only('letter-step', {}), []);
  if (!signal) throw new Error('one signal');
  expect(signal.reason.id).toBe('letter-step:');
  const headline = (language: 'en' | 'es') =>
    tellAlert(language, { ...signal, reasons: [signal.reason] }, { timeZone: 'UTC' }).headline;
  expect(headline('en')).toBe('Kelp chemistry went from A to below every letter');
  expect(headline('es')).toBe('Kelp chemistry pasó de A a menos que cualquier letra');
});

describe('what a rule says, in both languages', () => {
  const headlines = (sketch: Sketch, day: number, rules: AlertRules) => {
    const [signal] = found(sketch, day, rules);
    if (!signal) throw new Error('one signal');
    return (['en', 'es'] as const).map(
      (language) =>
        tellAlert(language, { ...signal, reasons: [signal.reason] }, { timeZone: 'UTC' }).headline,
    );
  };
  const final = (more: object): Sketch => {
    const { value, ...known } = grade('t1', 5);
    return { grades: [{ ...known, value: { ...value, ...more } }] };
  };

  it.each<[string, object, readonly string[]]>([
    [
      'figure and letter',
      {},
      ['Kelp chemistry, final: 88.0 B', 'Kelp chemistry, calificación final: 88.0 B'],
    ],
    [
      'its letter',
      { figure: null, fraction: null },
      ['Kelp chemistry, final: B', 'Kelp chemistry, calificación final: B'],
    ],
    [
      'its figure',
      { letter: null },
      ['Kelp chemistry, final: 88.0', 'Kelp chemistry, calificación final: 88.0'],
    ],
    [
      'neither',
      { letter: null, figure: null, fraction: null },
      ['Kelp chemistry, final', 'Kelp chemistry, calificación final'],
    ],
  ])('a final figure by %s', (_name, more, expected) =>
    expect(headlines(final(more), 8, only('term-final', {}))).toEqual(expected),
  );

  it('by how much a figure goes down, on the scale of the course', () => {
    // 100, 95, 90, 85, 80 of a hundred.
    expect(headlines(weekly, 28, only('slipping', { perWeek: 4 }))).toEqual([
      'Kelp chemistry is losing about 5.0 points a week',
      'Kelp chemistry pierde unos 5.0 puntos por semana',
    ]);
    expect(headlines({ ...weekly, outOf: 50 }, 28, only('slipping', { perWeek: 4 }))[0]).toBe(
      'Kelp chemistry is losing about 2.5 of 50 points a week',
    );
  });
});

describe('a reason about attendance', () => {
  it('names the lessons of its days that were missed, and when the last was marked', () => {
    const at = (value: ReturnType<typeof mark>, courseTitle: string, markedAt: string | null) => ({
      ...value,
      value: { ...value.value, courseTitle, markedAt },
    });
    const base = historyOf({});
    const history = {
      ...base,
      marks: [
        at(mark('A', 0, '1'), 'Kelp chemistry', '2026-09-07T09:00:00Z'),
        at(mark('L', 0, '2'), 'Boats', '2026-09-07T10:00:00Z'),
        at(mark('A', 0, '3'), 'Kelp chemistry', '2026-09-07T11:00:00Z'),
        at(mark('A', 1, '1'), 'Maps', '2026-09-08T09:00:00Z'),
        at(mark('L', 1, '2'), 'Boats', '2026-09-08T10:00:00Z'),
        at(mark('L', 2, '1'), 'Ropes', null),
      ],
    };
    const say = (rule: RuleName, set = {}) =>
      signalsOf(factsAt(history, evening(3)), only(rule, set), []).map(({ reason }) =>
        reason.about === 'attendance' ? [reason.days, reason.lessons, reason.at] : [],
      );
    expect(say('unexplained')).toEqual([
      [['2026-09-07'], ['Kelp chemistry'], '2026-09-07T11:00:00Z'],
      [['2026-09-08'], ['Maps'], '2026-09-08T09:00:00Z'],
    ]);
    expect(say('late')).toEqual([
      [['2026-09-07', '2026-09-08', '2026-09-09'], ['Boats', 'Ropes'], '2026-09-09T12:00:00Z'],
    ]);
  });
});

describe('how far ahead of a slide an alert came', () => {
  const slide = { courseId: 'kelp', courseTitle: 'Kelp', outOf: 100, decimals: 1, from: 90, to: 70 };
  const told = (atMs: number, kind = 'figure', courseId = 'kelp') => ({ courseId, kind, atMs });
  const from = { ...slide, fromMs: evening(10), shownMs: evening(20) } as Parameters<typeof daysEarlier>[0];
  it.each([
    ['on the day the slide began', [told(evening(10))], 10],
    ['before it began', [told(evening(10) - 1)], null],
    ['on the same day', [told(evening(20), 'work')], 0],
    ['good news', [told(evening(12), 'good')], null],
    ['of another course', [told(evening(12), 'figure', 'boats')], null],
    ['twice: the first counts', [told(evening(12)), told(evening(18))], 8],
  ])('%s', (_name, tellings, days) => expect(daysEarlier(from, tellings)).toBe(days));
});

it('the works that moved a figure come greatest first, and no more than three', () => {
  const items = ['a', 'b', 'c', 'd', 'e', 'f'].map((id, index) => item(id, 2 + index));
  const results = [20, 18, 16, 17, 10, 2].map((earned, index) =>
    score(items[index]?.id ?? '', 2 + index, earned),
  );
  const [signal] = found({ items, results }, 8, only('fallen', { points: 5, days: 14 }));
  const { reason } = signal ?? {};
  const moved = reason?.about === 'figure' ? reason.moved.map(({ itemId, delta }) => [itemId, delta]) : [];
  // 100, 95, 90, 88.75, 81, 69.17 (83 of 120).
  expect(moved).toEqual([
    ['f', expect.closeTo(83 / 1.2 - 81, 9)],
    ['e', expect.closeTo(81 - 88.75, 9)],
    ['b', expect.closeTo(-5, 9)],
  ]);
});

describe('what a reason says it was asked for', () => {
  it.each<[RuleName, object, Sketch, number, object | undefined]>([
    ['fallen', { points: 10, days: 14 }, fall(), 12, { amount: 10, days: 14 }],
    ['fallen', { points: 10, days: 14 }, { ...fall(), outOf: 20 }, 12, { amount: 2, days: 14 }],
    ['improved', { points: 10, days: 9 }, rise(), 12, { amount: 10, days: 9 }],
    ['slipping', { perWeek: 4 }, { ...weekly, outOf: 50 }, 28, { amount: 2, days: null }],
    ['loose-end', { effect: 2 }, { ...half, outOf: 50 }, 6, { amount: 1, days: null }],
    ['loose-end', { effect: 0 }, half, 6, undefined],
    ['big-work', { days: 3, effect: 8 }, { items: [item('test', 9)] }, 6, { amount: 8, days: 3 }],
    ['late', { times: 2, days: 5 }, { marks: marks('LL') }, 1, { amount: 2, days: 5 }],
    ['deadline', { days: 3 }, missed(12), 9, { amount: null, days: 3 }],
    ['below', { percent: 76 }, fall(), 12, undefined],
  ])('%s set to %j', (rule, set, sketch, day, asked) => {
    expect(found(sketch, day, only(rule, set))[0]?.reason.asked).toEqual(asked);
  });
});

/** What each preset is set to, written down by hand: urgent, usual, everything. */
const presetTable: Readonly<Record<RuleName, readonly [object, object, object]>> = {
  below: [
    { on: true, percent: 70, level: 2.5, letter: null },
    { on: true, percent: 70, level: 2.5, letter: null },
    { on: true, percent: 70, level: 2.5, letter: null },
  ],
  fallen: [
    { on: true, points: 10, days: 14 },
    { on: true, points: 6, days: 14 },
    { on: true, points: 3, days: 14 },
  ],
  'letter-step': [{ on: false }, { on: false }, { on: true }],
  slipping: [
    { on: true, perWeek: 3 },
    { on: true, perWeek: 1.25 },
    { on: true, perWeek: 1 },
  ],
  'if-left': [
    { on: true, percent: 70, level: 2.5, letter: null },
    { on: true, percent: 70, level: 2.5, letter: null },
    { on: true, percent: 70, level: 2.5, letter: null },
  ],
  'loose-end': [
    { on: true, kinds: ['missing', 'overdue', 'zero'], atOnce: 1, effect: 5 },
    { on: true, kinds: ['missing', 'incomplete', 'overdue', 'zero'], atOnce: 1, effect: 1 },
    { on: true, kinds: ['missing', 'incomplete', 'overdue', 'zero', 'at-floor'], atOnce: 1, effect: 0 },
  ],
  deadline: [
    { on: true, days: 2 },
    { on: true, days: 3 },
    { on: true, days: 7 },
  ],
  'sent-back': [{ on: true }, { on: true }, { on: true }],
  unmarked: [
    { on: false, days: 14 },
    { on: false, days: 14 },
    { on: true, days: 10 },
  ],
  'big-work': [
    { on: false, days: 3, effect: 8 },
    { on: false, days: 3, effect: 8 },
    { on: true, days: 5, effect: 4 },
  ],
  comment: [
    { on: false, subjects: [] },
    { on: false, subjects: ['course'] },
    { on: true, subjects: ['score', 'work', 'rubric', 'course', 'report-card'] },
  ],
  unexplained: [{ on: true }, { on: true }, { on: true }],
  late: [
    { on: false, times: 3, days: 14 },
    { on: true, times: 3, days: 14 },
    { on: true, times: 1, days: 7 },
  ],
  pattern: [{ on: true }, { on: true }, { on: true }],
  'days-missed': [
    { on: true, percent: 10 },
    { on: true, percent: 8 },
    { on: true, percent: 5 },
  ],
  'term-final': [{ on: true }, { on: true }, { on: true }],
  'report-card': [{ on: true }, { on: true }, { on: true }],
  'answer-due': [
    { on: true, days: 1 },
    { on: true, days: 2 },
    { on: true, days: 3 },
  ],
  announced: [{ on: false }, { on: false }, { on: true }],
  helpers: [{ on: false }, { on: false }, { on: true }],
  'fee-due': [
    { on: true, days: 1 },
    { on: true, days: 2 },
    { on: true, days: 5 },
  ],
  'balance-low': [
    { on: false, below: 5 },
    { on: false, below: 10 },
    { on: true, below: 15 },
  ],
  improved: [
    { on: true, points: 5, days: 14 },
    { on: true, points: 6, days: 14 },
    { on: true, points: 3, days: 14 },
  ],
  settled: [{ on: true }, { on: true }, { on: true }],
  scored: [
    { on: false, below: 60 },
    { on: false, below: 70 },
    { on: true, below: 100 },
  ],
  'source-silent': [
    { on: true, days: 3 },
    { on: true, days: 3 },
    { on: true, days: 3 },
  ],
  'not-looked': [
    { on: false, days: 14 },
    { on: false, days: 14 },
    { on: true, days: 7 },
  ],
};
const caps: Readonly<Record<Preset, number>> = { urgent: 3, usual: 5, everything: 12 };

it.each(presets.map((preset, index) => [preset, index] as const))(
  'the preset %s is set as the table says',
  (preset, index) => {
    const { rules, exceptions, capPerDay } = presetRules(preset);
    expect(rules).toEqual(
      Object.fromEntries(Object.entries(presetTable).map(([name, sets]) => [name, sets[index]])),
    );
    expect({ exceptions, capPerDay }).toEqual({ exceptions: [], capPerDay: caps[preset] });
  },
);

it('stands on its page as this table says: where, by which sliders, and where it may differ', () => {
  const knob = (param: string, least: number, most: number, step: number, said: string) =>
    `${param} ${least}–${most} by ${step}: ${said}`;
  const percent = knob('percent', 30, 100, 1, 'percent');
  const level = knob('level', 1, 4, 0.1, 'level');
  const effect = knob('effect', 0, 30, 1, 'effect');
  const points = knob('points', 1, 30, 1, 'points');
  const days = (said: string, most: number) => knob('days', 1, most, 1, said);
  const shown = alertRules.map(({ name, page }) => [
    `${page.group} ${page.place} ${name}`,
    page.knobs.map((each) => knob(each.param, each.least, each.most, each.step, each.said)),
    [page.differs ?? 'nowhere', page.letter ? 'by letter' : '', page.choices?.param ?? ''].filter(Boolean),
  ]);
  expect(shown).toEqual([
    ['figure 1 below', [percent, level], ['course', 'by letter']],
    ['figure 4 letter-step', [], ['course']],
    ['figure 3 fallen', [points, days('within', 60)], ['course']],
    ['figure 5 slipping', [knob('perWeek', 1, 10, 0.5, 'perWeek')], ['course']],
    ['figure 2 if-left', [percent, level], ['course', 'by letter']],
    ['work 2 deadline', [days('ahead', 14)], ['course']],
    ['work 3 sent-back', [], ['nowhere']],
    ['work 1 loose-end', [knob('atOnce', 1, 10, 1, 'atOnce'), effect], ['course', 'kinds']],
    ['work 4 unmarked', [days('after', 30)], ['nowhere']],
    ['coming 1 big-work', [days('ahead', 14), effect], ['nowhere']],
    ['talk 1 comment', [], ['course', 'subjects']],
    ['talk 4 scored', [knob('below', 10, 100, 5, 'scores')], ['course']],
    ['attendance 1 unexplained', [], ['child']],
    ['attendance 2 late', [knob('times', 1, 10, 1, 'times'), days('within', 60)], ['child']],
    ['attendance 3 pattern', [], ['child']],
    ['attendance 4 days-missed', [knob('percent', 1, 30, 1, 'share')], ['child']],
    ['talk 3 report-card', [], ['nowhere']],
    ['talk 2 term-final', [], ['nowhere']],
    ['school 1 answer-due', [days('ahead', 7)], ['nowhere']],
    ['school 2 announced', [], ['nowhere']],
    ['school 3 helpers', [], ['nowhere']],
    ['school 5 fee-due', [days('ahead', 14)], ['child']],
    ['school 4 balance-low', [knob('below', 1, 50, 1, 'money')], ['child']],
    ['good 2 settled', [], ['course']],
    ['good 1 improved', [points, days('within', 60)], ['course']],
    ['upkeep 1 source-silent', [days('after', 14)], ['nowhere']],
    ['upkeep 2 not-looked', [days('after', 30)], ['nowhere']],
  ]);
});

it('a look names the news by their ids, in the order of the rules', () => {
  const facts = factsAt(historyOf(fall()), evening(12));
  const { tellings } = lookAtChild([], facts, { rules: usual, silences: [], first: false });
  expect(tellings).toEqual([{ key: figureKey, again: false, reasonIds: ['fallen:2'] }]);
});
