import {
  commentOn,
  evening,
  historyOf,
  instant,
  item,
  knownOn,
  mark,
  score,
  state,
  type Sketch,
} from '../testing/histories';
import { onlyRule } from '../testing/rules';
import { factsAt, lookAtChild, presetOf, presetRules, settingsFor, signalsOf, type AlertRules } from '.';

const everything = presetRules('everything');
const only = onlyRule('everything');
const found = (sketch: Sketch, day: number, rules: AlertRules) =>
  signalsOf(factsAt(historyOf(sketch), evening(day)), rules, []).map(({ key, reason }) => ({
    key,
    ...reason,
  }));
const said = (day: number, more: Parameters<typeof commentOn>[2] = {}) => commentOn('c', day, more);

/** 18, 18 and 18 of 20, then less: 90, and from day 12 on 75. */
const falling: Sketch = {
  items: [item('a', 2), item('b', 4), item('c', 6), item('d', 11)],
  results: [score('a', 2, 18), score('b', 4, 18), score('c', 6, 18), score('d', 12, 6)],
};

describe('the rules about a figure', () => {
  it('below: a percent, a level of a short scale, a letter where the course has it', () => {
    expect(found(falling, 12, only('below', { percent: 76 }))).toMatchObject([
      { limit: 76, now: 75, before: 90 },
    ]);
    expect(found(falling, 12, only('below', { percent: 75 }))).toEqual([]);
    expect(found({ ...falling, outOf: 4 }, 12, only('below', { level: 3.1 }))).toMatchObject([
      { limit: 3.1, now: 3 },
    ]);
    expect(found({ ...falling, outOf: 4 }, 12, only('below', { level: 4.5 }))).toEqual([]);
    expect(found(falling, 12, only('below', { percent: 10, letter: 'B' }))).toMatchObject([{ limit: 80 }]);
  });

  it('fallen: from its best within the days, with what moved it', () => {
    expect(found(falling, 12, only('fallen', { points: 10, days: 14 }))).toMatchObject([
      { before: 90, now: 75, moved: [{ itemId: 'd', delta: expect.closeTo(-15, 9) }] },
    ]);
    expect(found(falling, 12, only('fallen', { points: 16, days: 14 }))).toEqual([]);
    expect(found(falling, 40, only('fallen', { points: 10, days: 14 }))).toEqual([]);
  });

  it('a lower letter within a week', () => {
    expect(found(falling, 12, only('letter-step'))).toMatchObject([{ letterBefore: 'A', letterNow: 'C' }]);
    expect(found(falling, 20, only('letter-step'))).toEqual([]);
  });

  it('going down for weeks', () => {
    const weekly: Sketch = {
      items: [0, 7, 14, 21, 28].map((day) => item(`w${day}`, day)),
      results: [20, 18, 16, 14, 12].map((earned, index) => score(`w${index * 7}`, index * 7, earned)),
    };
    expect(found(weekly, 29, only('slipping', { perWeek: 4 }))).toMatchObject([{ rule: 'slipping' }]);
    expect(found(weekly, 29, only('slipping', { perWeek: 20 }))).toEqual([]);
  });

  it('fine now, low if left', () => {
    const open: Sketch = { items: [item('a', 2), item('b', 4)], results: [score('a', 2, 20)] };
    expect(found(open, 8, only('if-left', { percent: 70 }))).toMatchObject([
      { now: 100, ifLeft: 50, limit: 70 },
    ]);
    expect(found(open, 8, only('if-left', { percent: 50 }))).toEqual([]);
  });

  it('risen, which is good news', () => {
    const rising = {
      ...falling,
      results: [score('a', 2, 10), score('b', 4, 10), score('c', 6, 20), score('d', 12, 20)],
    };
    expect(found(rising, 12, only('improved', { points: 20 }))).toMatchObject([
      { key: 'good:child:kelp', before: 50, now: 75 },
    ]);
  });
});

describe('the rules about work', () => {
  const missing: Sketch = {
    items: [item('a', 2), item('b', 4), item('c', 5), item('d', 6)],
    results: [score('d', 6, 20), state('a', 3, 'missing'), state('b', 5, 'missing')],
  };
  it.each([
    ['of the chosen kinds', {}, ['loose-end:a', 'loose-end:b', 'loose-end:c']],
    ['of one kind', { kinds: ['overdue'] }, ['loose-end:c']],
    ['of so much effect', { effect: 60 }, []],
    ['from so many on', { atOnce: 4 }, []],
  ])('loose ends %s', (_name, changes, ids) =>
    expect(
      found(missing, 9, only('loose-end', changes))
        .map(({ id }) => id)
        .sort(),
    ).toEqual(ids),
  );

  it('gives a mark two days to travel', () => {
    const sketch = { items: [item('a', 2)] };
    expect(found(sketch, 3, only('loose-end'))).toEqual([]);
    expect(found(sketch, 4, only('loose-end'))).toHaveLength(1);
  });

  it('the last days to mend, also those of an offer in a comment', () => {
    const due = { acceptedUntil: instant(12) };
    const sketch: Sketch = { items: [item('w', 2, due)], results: [state('w', 3, 'missing')] };
    expect(found(sketch, 10, only('deadline', { days: 3 }))).toMatchObject([
      { work: { deadline: '2026-09-19T18:00:00Z' } },
    ]);
    expect(found(sketch, 8, only('deadline', { days: 3 }))).toEqual([]);
    const offered = {
      items: [item('w', 2)],
      results: [score('w', 3, 9)],
      comments: [said(4, { offers: [{ untilMs: evening(12), credit: 0.5 }] })],
    };
    expect(found(offered, 11, only('deadline', { days: 3 }))).toMatchObject([{ work: { credit: 0.5 } }]);
  });

  it('sent back, unmarked, big, tied up', () => {
    const items = [item('w', 4), item('test', 9), item('x', 9, { possible: 2 })];
    const back = [state('w', 4, 'handed-in'), state('w', 6, 'incomplete')];
    expect(found({ items, results: back }, 7, only('sent-back'))).toMatchObject([{ work: { itemId: 'w' } }]);
    expect(found({ items, results: back }, 12, only('sent-back'))).toEqual([]);
    const waiting = [state('w', 4, 'handed-in')];
    expect(found({ items, results: waiting }, 14, only('unmarked', { days: 10 }))).toHaveLength(1);
    expect(found({ items, results: waiting }, 13, only('unmarked', { days: 10 }))).toEqual([]);
    expect(
      found({ items, results: [score('w', 4, 20)] }, 8, only('big-work', { days: 3, effect: 40 })),
    ).toMatchObject([{ work: { itemId: 'test' } }]);
    const mended = [state('w', 5, 'missing'), score('w', 8, 17)];
    expect(found({ items, results: mended }, 8, only('settled'))).toMatchObject([
      { key: 'good:child:kelp', work: { was: 'missing', earned: 17, possible: 20 } },
    ]);
  });
});

describe('the other rules', () => {
  it('comments of the chosen subjects, while they are news', () => {
    expect(found({ comments: [said(3)] }, 4, only('comment'))).toMatchObject([{ text: 'Do it again.' }]);
    expect(found({ comments: [said(3)] }, 7, only('comment'))).toEqual([]);
    expect(found({ comments: [said(3)] }, 4, only('comment', { subjects: ['course'] }))).toEqual([]);
  });

  const marks = (...codes: string[]) => codes.map((code, day) => mark(code, day));
  it('absences, late arrivals and the share of days', () => {
    expect(found({ marks: marks('P', 'A', 'E', 'P') }, 3, only('unexplained'))).toMatchObject([
      { days: ['2026-09-08'] },
    ]);
    expect(found({ marks: marks('L', 'P', 'L', 'L') }, 3, only('late', { times: 3, days: 7 }))).toMatchObject(
      [{ id: 'late:1' }],
    );
    expect(found({ marks: marks('L', 'P', 'L', 'L') }, 3, only('late', { times: 4, days: 7 }))).toEqual([]);
    const many = marks('A', 'A', ...Array.from({ length: 18 }, () => 'P'));
    expect(found({ marks: many }, 19, only('days-missed', { percent: 10 }))).toMatchObject([
      { share: { missed: 2, of: 20 } },
    ]);
    expect(found({ marks: many }, 19, only('days-missed', { percent: 11 }))).toEqual([]);
  });

  it('a pattern', () => {
    const days = [0, 1, 2, 3].flatMap((day) => [mark('P', day, '1'), mark(day > 1 ? 'A' : 'P', day, '6')]);
    expect(found({ marks: days }, 3, only('pattern'))[0]).toMatchObject({
      pattern: { kind: 'leaves-early' },
    });
  });

  it('a final figure and a report card', () => {
    const grade = {
      courseId: 'kelp',
      courseTitle: 'Kelp chemistry',
      term: 't1',
      termTitle: 'Quarter 1',
      figure: 88,
      fraction: 0.88,
      letter: 'B',
      final: true,
      at: instant(5),
      sourceName: 'Gannet Head',
    };
    expect(found({ grades: [knownOn(grade, 5)] }, 6, only('term-final'))).toMatchObject([
      { letter: 'B', term: 'Quarter 1' },
    ]);
    expect(
      found({ comments: [said(5, { subject: 'report-card', term: 't1' })] }, 6, only('report-card')),
    ).toHaveLength(1);
  });
});

describe('settings', () => {
  it('of a course go before those of its child, and those before everybody’s', () => {
    const rules: AlertRules = {
      ...everything,
      exceptions: [
        { studentId: 'child', courseId: 'kelp', rules: { below: { percent: 95 } } },
        { studentId: 'child', courseId: null, rules: { below: { percent: 90, on: false } } },
        { studentId: 'other', courseId: null, rules: { below: { percent: 1 } } },
      ],
    };
    expect(settingsFor(rules, 'child', 'kelp').below).toMatchObject({ percent: 95, on: false });
    expect(settingsFor(rules, 'child', 'boats').below).toMatchObject({ percent: 90 });
    expect(settingsFor(rules, 'child', null).fallen).toEqual(everything.rules.fallen);
  });

  it.each(['urgent', 'usual', 'everything'] as const)('%s is known again as a preset', (preset) => {
    expect(presetOf(presetRules(preset))).toBe(preset);
    expect(presetOf({ ...presetRules(preset), capPerDay: 7 })).toBeNull();
  });

  it('tell a first look nothing', () => {
    const facts = factsAt(historyOf(falling), evening(12));
    const look = (first: boolean) => lookAtChild([], facts, { rules: everything, silences: [], first });
    expect(look(true).tellings).toEqual([]);
    expect(look(false).tellings.length).toBeGreaterThan(0);
  });
});

describe('two sources that tell a work differently', () => {
  const classroom = [knownOn({ itemId: 'w', status: 'scored' as const, earned: 9, at: instant(8) }, 8)];
  const sketch = { items: [item('w', 7), item('v', 1)], results: [score('v', 2, 18)], classroom };
  it('are no alarm while scores may be on their way, and both are told once they stand apart', () => {
    // Overdue since the 7th evening; the classroom has it scored since the 8th.
    expect(found(sketch, 9, only('loose-end'))).toEqual([]);
    expect(found(sketch, 11, only('loose-end'))).toMatchObject([
      { work: { itemId: 'w', kind: 'overdue', classroom: { status: 'scored', earned: 9 } } },
    ]);
    expect(found({ ...sketch, classroom: [] }, 9.5, only('loose-end'))).toHaveLength(1);
  });
});

describe('an offer', () => {
  const offer = { untilMs: evening(16), credit: 1 };
  const offered = (results: Sketch['results'] = [], more: Partial<Sketch> = {}) => ({
    items: [item('w', 3), item('v', 1)],
    results: [score('w', 5, 12), score('v', 2, 18), ...results],
    comments: [commentOn('c', 6, { offers: [offer] })],
    ...more,
  });
  it('is told of near its last day, until a score, an excuse or a hand-in has come after it', () => {
    const told = (sketch: Sketch) => found(sketch, 14, only('deadline')).length;
    expect(told(offered())).toBe(1);
    expect(told(offered([score('w', 10, 17)]))).toBe(0);
    expect(told(offered([state('w', 10, 'excused')]))).toBe(0);
    expect(told(offered([state('w', 10, 'handed-in')]))).toBe(0);
    const seen = [knownOn({ itemId: 'w', status: 'handed-in' as const, earned: null, at: instant(9) }, 9)];
    expect(told(offered([], { classroom: seen }))).toBe(0);
  });
});

describe('a stored grade', () => {
  const stored = (figure: number, letter: string, day: number) =>
    knownOn(
      {
        ...{
          courseId: 'kelp',
          courseTitle: 'Kelp chemistry',
          term: 'autumn',
          termTitle: 'Autumn',
          figure,
          letter,
        },
        ...{ fraction: figure / 100, final: true, at: instant(day), sourceName: 'Gannet Head' },
      },
      day,
    );
  it('is told beside our count of its term', () => {
    const sketch = { items: [item('a', 2)], results: [score('a', 2, 18)], grades: [stored(81.1, 'B', 5)] };
    expect(found(sketch, 6, only('term-final'))).toMatchObject([
      { figure: 81.1, grade: { display: 81.1, by: 'final', count: { display: 90, letter: 'A' } } },
    ]);
  });
  it('that changes afterwards is told once more, with what it was', () => {
    const grades = [stored(81.1, 'B', 5), stored(84, 'B', 9)];
    const [changed, ...others] = found({ grades }, 10, only('term-final'));
    expect(others).toEqual([]);
    expect(changed).toMatchObject({ figure: 84, was: { figure: 81.1, letter: 'B' } });
    expect(found({ grades }, 6, only('term-final'))[0]).not.toHaveProperty('was');
    expect(changed?.id).not.toBe(found({ grades }, 6, only('term-final'))[0]?.id);
  });
});
