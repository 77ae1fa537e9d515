import type { AlertKind, AlertReason } from '@cadro/contract';
import fc from 'fast-check';
import { deepFreeze } from '../testing/courses';
import { anyHistory, evening, historyOf, instant, item, score, startMs, state } from '../testing/histories';
import {
  canEnd,
  daysEarlier,
  factsAt,
  factsOfDays,
  isSilenced,
  lookAtChild,
  presetRules,
  rehearsalDays,
  rehearse,
  slidesOf,
  step,
  tellAlert,
  tellingsOf,
  underCap,
  upkeepSignals,
  alertRules,
  ruleTitle,
  type AlertRules,
  type AlertState,
  type ChildHistory,
  type Known,
} from '.';
import { runs } from '../testing/runs';

const days = Array.from({ length: 30 }, (_, day) => evening(day));
const rules = presetRules('everything');
const quiet = { rules, silences: [] };

/** The history cut off: what had not been known by an instant was never written. */
function cut(history: ChildHistory, atMs: number): ChildHistory {
  const kept = <K extends Known<unknown>>(all: readonly K[]) =>
    all.filter(({ knownAtMs }) => knownAtMs <= atMs);
  return {
    ...history,
    comments: kept(history.comments),
    grades: kept(history.grades),
    marks: kept(history.marks),
    courses: history.courses.map((course) => ({
      ...course,
      terms: course.terms.map((term) => ({ ...term, items: kept(term.items), results: kept(term.results) })),
    })),
  };
}

/** One evening after the other in earnest, each with no more than had come by then. */
function lived(history: ChildHistory, by: AlertRules) {
  let states: AlertState[] = [];
  return days.flatMap((atMs, index) => {
    const facts = factsAt(cut(history, atMs), atMs);
    const looked = lookAtChild(states, facts, { rules: by, silences: [], first: index === 0 });
    states = looked.states;
    return looked.tellings.map(({ key, again, reasonIds }) => ({
      atMs,
      key,
      again,
      ids: [...reasonIds].sort(),
    }));
  });
}
const rehearsed = (history: ChildHistory, by: AlertRules) =>
  tellingsOf(factsOfDays(history, days), by).map(({ atMs, key, again, reasons }) => ({
    atMs,
    key,
    again,
    ids: reasons.map(({ id }) => id).sort(),
  }));

describe('rehearsal', () => {
  it.each(['urgent', 'usual', 'everything'] as const)('tells what days in earnest told, under %s', (preset) =>
    fc.assert(
      fc.property(anyHistory, (history) => {
        expect(rehearsed(history, presetRules(preset))).toEqual(lived(history, presetRules(preset)));
      }),
      { numRuns: 25 },
    ),
  );

  it('tells, day by day, what this list says', () => {
    const history = historyOf({
      items: [item('a', 2), item('b', 4), item('c', 6), item('d', 11), item('e', 16)],
      results: [
        ...[score('a', 2, 18), score('b', 4, 18), score('c', 6, 18), score('d', 12, 6)],
        ...[state('e', 17, 'missing'), score('e', 22, 20)],
      ],
    });
    // 90 until day 12, then 75; 60 of 100 with the missing work from day 17 on; 80 when it is in.
    const expected = [
      { atMs: evening(12), key: 'figure:child:kelp', again: false, ids: ['fallen:2'] },
      {
        ...{ atMs: evening(17), key: 'figure:child:kelp', again: true },
        // The fall is the missing work's, which is told itself.
        ids: ['below:70', 'slipping'],
      },
      { atMs: evening(17), key: 'work:child:kelp', again: false, ids: ['loose-end:e'] },
      {
        ...{ atMs: evening(22), key: 'good:child:kelp', again: false },
        ids: ['improved:3', `settled:e:${instant(22)}`],
      },
    ];
    expect(rehearsed(history, presetRules('usual'))).toEqual(expected);
    expect(lived(history, presetRules('usual'))).toEqual(expected);
  });

  it('knows nothing of what comes: a past day is the same whatever follows it', () =>
    fc.assert(
      fc.property(anyHistory, fc.nat(28), (history, day) => {
        const until = days.slice(0, day + 1);
        const before = tellingsOf(factsOfDays(cut(history, evening(day)), until), rules);
        expect(tellingsOf(factsOfDays(history, until), rules)).toEqual(before);
      }),
      { numRuns: 25 },
    ));

  it('says which slides it would have caught, and how many days before the figure showed them', () => {
    const easy = [1, 3, 5, 7];
    const history = historyOf({
      items: [...easy.map((day) => item(`e${day}`, day)), item('b', 8), item('c', 12)],
      results: [
        ...easy.map((day) => score(`e${day}`, day, 20)),
        state('b', 9, 'handed-in'),
        score('c', 12, 19),
        score('b', 20, 4),
      ],
    });
    const facts = factsOfDays(history, days);
    const [slide, ...others] = slidesOf(facts);
    expect(others).toEqual([]);
    expect(slide).toMatchObject({ courseId: 'kelp', from: 100, shownMs: evening(20) });
    const tellings = [{ courseId: 'kelp', kind: 'figure', atMs: evening(17) }];
    expect(slide && daysEarlier(slide, tellings)).toBe(3);
    expect(
      slide && daysEarlier(slide, [{ courseId: 'boats', kind: 'figure', atMs: evening(17) }]),
    ).toBeNull();
    // Told the day before: turned in ten days ago, and no mark.
    const answer = rehearse([facts], rules);
    expect(answer.slides).toMatchObject([{ studentId: 'child', daysEarlier: 1 }]);
  });

  it('tells the latest slide first, whichever course the source names first', () => {
    const late = historyOf({
      items: [1, 3, 5, 7, 15].map((day) => item(`e${day}`, day)),
      results: [...[1, 3, 5, 7].map((day) => score(`e${day}`, day, 20)), score('e15', 16, 2)],
    });
    const early = historyOf({
      items: [1, 3, 5, 7, 9].map((day) => item(`e${day}`, day)),
      results: [...[1, 3, 5, 7].map((day) => score(`e${day}`, day, 20)), score('e9', 10, 2)],
    });
    const course = (of: ChildHistory, id: string) => of.courses.map((each) => ({ ...each, id, title: id }));
    const slidesOfBoth = (...courses: ChildHistory['courses'][]) =>
      rehearse([factsOfDays({ ...late, courses: courses.flat() }, days)], rules).slides.map(
        ({ courseId }) => courseId,
      );
    const both = [course(early, 'early'), course(late, 'late')] as const;
    expect(slidesOfBoth(...both)).toEqual(['late', 'early']);
    expect(slidesOfBoth(both[1], both[0])).toEqual(['late', 'early']);
  });

  it('is of days that lie a day apart and end now', () => {
    expect(rehearsalDays(startMs, evening(3))).toEqual([0, 1, 2, 3].map(evening));
    expect(rehearsalDays(evening(3), startMs)).toEqual([startMs]);
  });
});

describe('a look', () => {
  it('twice at the same is one', () =>
    fc.assert(
      fc.property(anyHistory, fc.nat(28), (history, day) => {
        const facts = factsAt(history, evening(day));
        const once = lookAtChild([], facts, { ...quiet, first: false });
        const twice = lookAtChild(once.states, facts, { ...quiet, first: false });
        expect(twice.tellings).toEqual([]);
        const open = (states: readonly AlertState[]) =>
          states
            .filter(({ overAt }) => overAt === null)
            .map(({ key, raisedAt }) => `${key} ${raisedAt}`)
            .sort();
        expect(open(twice.states)).toEqual(expect.arrayContaining(open(once.states)));
      }),
      { numRuns: 25 },
    ));

  it('writes none of what it is given', () =>
    fc.assert(
      fc.property(anyHistory, fc.nat(28), (history, day) => {
        const frozen = deepFreeze(history);
        const facts = factsAt(frozen, evening(day));
        const before = lookAtChild([], facts, { ...quiet, first: true }).states;
        expect(lookAtChild(deepFreeze(before), facts, { ...quiet, first: false })).toEqual(
          lookAtChild(before, factsAt(history, evening(day)), { ...quiet, first: false }),
        );
      }),
      { numRuns: 15 },
    ));

  it('takes what comes back within seven days for the same, and counts up what comes back later', () => {
    const day = 24 * 60 * 60 * 1000;
    const signal = {
      ...{ key: 'k', kind: 'work' as const, studentId: 'child', courseId: null, courseTitle: null },
      reason: { id: 'one', rule: 'below', about: 'figure' } as unknown as AlertReason,
    };
    const look = (states: readonly AlertState[], signals: readonly (typeof signal)[], asOfMs: number) =>
      step({ states, signals, asOfMs, silenced: () => false, first: false });
    const raised = look([], [signal], evening(1)).states;
    const over = look(raised, [], evening(2)).states;
    const back = (ms: number) =>
      look(over, [signal], evening(2) + ms).states.map(({ episode, raisedAt, overAt }) => [
        ...[episode, raisedAt, overAt],
      ]);
    expect(over).toMatchObject([
      { episode: 1, raisedAt: '2026-09-08T18:00:00Z', overAt: '2026-09-09T18:00:00Z' },
    ]);
    expect(back(7 * day)).toEqual([[1, '2026-09-08T18:00:00Z', null]]);
    expect(back(7 * day + 1000)).toEqual([[2, '2026-09-16T18:00:01Z', null]]);
    // What has long been over stays so from when it ended.
    expect(look(over, [], evening(9)).states).toEqual(over);
  });

  // What lasts and comes to an alert waits so many hours from the last telling before it is told of its own.
  it.each<[AlertKind, number]>([
    ['figure', 5 * 24 - 1],
    ['work', 2 * 24 - 1],
    ['coming', 0],
    ['comment', 23],
    ['attendance', 3 * 24 - 1],
    ['term', 0],
    ['good', 2 * 24 - 1],
    ['upkeep', 7 * 24 - 1],
  ])('of %s is told again after %i hours, and not before', (kind, hours) => {
    const signal = (id: string) => ({
      ...{ key: 'k', kind, studentId: 'child', courseId: null, courseTitle: null },
      reason: { id, rule: 'below', about: 'figure' } as unknown as AlertReason,
    });
    const look = (states: readonly AlertState[], ids: readonly string[], asOfMs: number) =>
      step({ states, signals: ids.map(signal), asOfMs, silenced: () => false, first: false });
    const { states } = look([], ['one'], evening(1));
    const after = (ms: number) =>
      look(states, ['one', 'two'], evening(1) + ms).tellings.map(({ reasonIds, again }) => [
        reasonIds,
        again,
      ]);
    const pause = hours * 60 * 60 * 1000;
    // Within a second it is the same look.
    expect(after(Math.max(pause, 1000))).toEqual([[['two'], true]]);
    expect(after(999)).toEqual([[['one', 'two'], false]]);
    if (pause > 0) expect(after(pause - 1)).toEqual([]);
  });

  it('does not flap: a figure that swings around the threshold is told once', () => {
    const swing = Array.from({ length: 20 }, (_, day) => item(`w${day}`, day));
    const results = swing.map(({ id }, day) =>
      score(id, day, day === 0 ? 13.9 : day % 2 === 0 ? 14.1 : 13.9),
    );
    const below: AlertRules = {
      ...rules,
      rules: {
        ...presetRules('urgent').rules,
        below: { on: true, percent: 70, level: 2, letter: null },
        'if-left': { ...rules.rules['if-left'], on: false },
      },
    };
    const told = lived(historyOf({ items: swing, results }), below);
    expect(told.filter(({ key }) => key.startsWith('figure'))).toHaveLength(0); // it was so at the first look
    const later = historyOf({ items: swing, results: [score('w0', 0, 20), ...results.slice(6)] });
    const keys = lived(later, below).flatMap(({ ids }) => ids.filter((id) => id.startsWith('below')));
    expect(keys.length).toBeLessThanOrEqual(1);
  });

  it('joins what comes within days, and tells it with the next news when the pause is over', () => {
    const items = [1, 2, 3, 6].map((day) => item(`w${day}`, day));
    const results = [
      score('w1', 1, 20),
      state('w2', 3, 'missing'),
      state('w3', 4, 'missing'),
      state('w6', 7, 'missing'),
    ];
    const looseEnds: AlertRules = {
      ...rules,
      rules: {
        ...presetRules('usual').rules,
        'letter-step': { on: false },
        below: { ...rules.rules.below, on: false },
        fallen: { ...rules.rules.fallen, on: false },
        'if-left': { ...rules.rules['if-left'], on: false },
        deadline: { on: false, days: 1 },
      },
    };
    const told = lived(historyOf({ items, results }), looseEnds);
    expect(told.filter(({ key }) => key.startsWith('work'))).toEqual([
      { atMs: evening(3), key: 'work:child:kelp', again: false, ids: ['loose-end:w2'] },
      { atMs: evening(5), key: 'work:child:kelp', again: true, ids: ['loose-end:w3'] },
      { atMs: evening(7), key: 'work:child:kelp', again: true, ids: ['loose-end:w6'] },
    ]);
  });

  it('tells what was silenced when the silence ends, if it still holds', () => {
    const history = historyOf({
      items: [item('a', 1), item('b', 2)],
      results: [score('a', 1, 20), state('b', 3, 'missing')],
    });
    const silence = {
      alertKey: null,
      studentId: null,
      courseId: 'kelp',
      kind: null,
      until: instant(6).slice(0, 10),
    };
    let states: AlertState[] = [];
    const told = days.slice(0, 10).flatMap((atMs, day) => {
      const looked = lookAtChild(states, factsAt(history, atMs), {
        rules: presetRules('usual'),
        silences: [silence],
        first: day === 0,
      });
      states = looked.states;
      return looked.tellings.length > 0 ? [day] : [];
    });
    expect(told).toEqual([7]);
  });

  it('starts a new alert when the cause was over for long, and none when it was over for days', () => {
    const rule: AlertRules = {
      ...rules,
      rules: { ...rules.rules, 'loose-end': { on: true, kinds: ['missing'], atOnce: 1, effect: 0 } },
    };
    const back = (again: number) =>
      historyOf({
        items: [item('a', 1), item('b', 2)],
        results: [
          score('a', 1, 20),
          state('b', 3, 'missing'),
          state('b', 6, 'handed-in'),
          state('b', again, 'missing'),
        ],
      });
    const looseOnly = (history: ChildHistory) =>
      lived(history, rule)
        .filter(({ ids }) => ids.includes('loose-end:b'))
        .map(({ atMs }) => (atMs - startMs) / 86_400_000);
    expect(looseOnly(back(9))).toEqual([3]);
    expect(looseOnly(back(20))).toEqual([3, 20]);
  });
});

describe('an alert', () => {
  const reasons = (more: Partial<AlertReason>[]): Pick<AlertState, 'reasons'> => ({
    reasons: more as AlertReason[],
  });
  it.each<[string, Partial<AlertReason>[], boolean]>([
    ['of a comment', [{ about: 'comment', rule: 'comment' }], false],
    ['of a final figure', [{ about: 'term', rule: 'term-final' }], false],
    ['of work sent back', [{ about: 'work', rule: 'sent-back' }], false],
    ['of a loose end tied up', [{ about: 'work', rule: 'settled' }], false],
    ['of open work', [{ about: 'work', rule: 'loose-end' }], true],
    [
      'of work sent back that is open still',
      [
        { about: 'work', rule: 'sent-back' },
        { about: 'work', rule: 'loose-end' },
      ],
      true,
    ],
    ['of a figure', [{ about: 'figure', rule: 'below' }], true],
    ['of absences', [{ about: 'attendance', rule: 'unexplained' }], true],
  ])('%s can end: %#', (_name, of, ends) => expect(canEnd(reasons(of))).toBe(ends));
});

describe('what goes out', () => {
  it.each<[object, boolean]>([
    [{}, true],
    [{ alertKey: 'figure:child:kelp' }, true],
    [{ alertKey: 'figure:child:boats' }, false],
    [{ kind: 'work' }, false],
    [{ studentId: 'child', kind: 'figure' }, true],
    [{ until: '2026-09-01' }, false],
  ])('a silence of %j keeps it quiet: %s', (silence, is) => {
    const subject = {
      key: 'figure:child:kelp',
      kind: 'figure' as const,
      studentId: 'child',
      courseId: 'kelp',
      courseTitle: null,
    };
    const whole = {
      alertKey: null,
      studentId: null,
      courseId: null,
      kind: null,
      until: '2026-09-09',
      ...silence,
    };
    expect(isSilenced(subject, [whole], '2026-09-08')).toBe(is);
  });

  it('is no more than the cap, the pressing first', () => {
    const kinds: AlertKind[] = ['good', 'comment', 'work', 'figure'];
    const told = underCap(
      kinds.map((kind) => ({ kind })),
      { told: 1, perDay: 3 },
    );
    expect(told.now.map(({ kind }) => kind)).toEqual(['work', 'figure']);
    expect(told.digest).toHaveLength(2);
    expect(underCap([{ kind: 'work' as const }], { told: 9, perDay: 3 }).now).toEqual([]);
  });

  it('tells of a silent source and of a guardian who has not looked', () => {
    const facts = {
      guardianId: 'g',
      asOfMs: evening(10),
      sources: [{ id: 's', name: 'Millrace', readAt: instant(6) }],
      lookedAt: instant(1),
    };
    expect(upkeepSignals(facts, rules.rules)).toMatchObject([
      { key: 'source:s', reason: { days: 4, sourceName: 'Millrace' } },
      { key: 'look:g', reason: { days: 9 } },
    ]);
    expect(upkeepSignals({ ...facts, lookedAt: null, sources: [] }, rules.rules)).toEqual([]);
  });
});

describe('the words', () => {
  /** Every reason that any history gives rise to. */
  const reasons = (): AlertReason[] => {
    const all = new Map<string, AlertReason>();
    for (const history of fc.sample(anyHistory, { numRuns: runs(60), seed: 7 })) {
      for (const facts of factsOfDays(history, days)) {
        for (const { reasons: found } of lookAtChild([], facts, { ...quiet, first: false }).states) {
          for (const reason of found) all.set(reason.rule, reason);
        }
      }
    }
    return [...all.values()];
  };

  it.each(['en', 'es'] as const)('say every reason in %s, with nothing left blank', (language) => {
    for (const { name } of alertRules) expect(ruleTitle(language, name)).not.toBe(name);
    const found = reasons();
    expect(found.length).toBeGreaterThan(12);
    for (const reason of found) {
      const alert = {
        key: 'k',
        kind: 'figure' as const,
        studentId: 'child',
        courseId: 'kelp',
        courseTitle: 'Kelp chemistry',
        reasons: [reason],
      };
      const told = tellAlert(language, alert, { timeZone: 'UTC' });
      const text = [
        told.headline,
        told.next,
        ...told.reasons.flatMap(({ facts, rule }) => [...facts, rule]),
      ].join(' ');
      expect(told.headline.length).toBeGreaterThan(5);
      expect(text).not.toMatch(/undefined|NaN|null|Invalid|!| {2}/);
    }
  });

  it('say once what two reasons have in common, and nothing of steps that do not show', () => {
    const common = { at: instant(3), sourceName: 'Millrace' };
    const work = {
      ...{ itemId: 'keel', title: 'Keel', kind: 'overdue' as const, was: null, dueAt: instant(2) },
      ...{ deadline: instant(5), credit: 0.5, impact: 2, earned: null, possible: 20 },
    };
    const about = { ...common, about: 'work' as const, outOf: 100, decimals: 1, work };
    const subject = { studentId: 'child', courseId: 'kelp', courseTitle: 'Kelp chemistry', key: 'k' };
    const reasons: AlertReason[] = [
      { ...about, rule: 'loose-end', id: 'end' },
      { ...about, rule: 'deadline', id: 'deadline' },
    ];
    const told = tellAlert(
      'en',
      { ...subject, kind: 'work', reasons },
      { timeZone: 'UTC', lead: ['deadline'] },
    );
    expect(told.reasons.map(({ headline, facts }) => [headline, facts.length])).toEqual([
      ['Keel can be made up until Sat, Sep 12', 3],
      ['Keel: overdue, not graded', 0],
    ]);
    const figure: AlertReason = {
      ...{
        ...common,
        about: 'figure',
        rule: 'if-left',
        id: 'left',
        before: 3.12,
        since: instant(1),
        now: 3.1,
      },
      ...{
        ifLeft: 2.5,
        letterBefore: null,
        letterNow: null,
        limit: 2.6,
        perWeek: null,
        outOf: 4,
        decimals: 1,
      },
      moved: [{ itemId: 'a', title: 'Check', at: instant(2), delta: -0.02 }],
    };
    const left = tellAlert('en', { ...subject, kind: 'figure', reasons: [figure] }, { timeZone: 'UTC' });
    expect(left.reasons[0]?.facts).toEqual([
      '3.1 of 4 now.',
      'Some of its assignments haven’t been graded, so they don’t count yet.',
    ]);
  });

  it('name several works of a course together, and only what is new', () => {
    const facts = factsAt(
      historyOf({ items: [item('a', 1), item('b', 1), item('c', 2)], results: [score('a', 1, 20)] }),
      evening(6),
    );
    const usual = presetRules('usual');
    const { states } = lookAtChild([], facts, { rules: usual, silences: [], first: false });
    const work = states.find(({ kind }) => kind === 'work');
    expect(work && tellAlert('en', work, { timeZone: 'UTC' }).headline).toBe(
      '2 loose ends in Kelp chemistry',
    );
    expect(
      work && tellAlert('es', { ...work, titled: [] }, { timeZone: 'UTC', lead: ['loose-end:b'] }).headline,
    ).toBe('b: vencido, sin calificar');
  });
});

describe('the title of an alert that was told', () => {
  it('stays, and what comes later is told under it', () => {
    const signal = (earned: number, more: Partial<AlertReason> = {}) => ({
      ...{
        key: 'k',
        kind: 'figure' as const,
        studentId: 'child',
        courseId: 'kelp',
        courseTitle: 'Kelp chemistry',
      },
      reason: {
        ...{ id: 'fallen:1', at: instant(1), sourceName: '', about: 'figure', rule: 'fallen' },
        ...{ before: 90, since: instant(0), now: earned, ifLeft: earned, letterBefore: 'A', letterNow: 'B' },
        ...{ limit: null, perWeek: null, outOf: 100, decimals: 1, moved: [] },
        ...more,
      } as AlertReason,
    });
    const look = (states: readonly AlertState[], signals: ReturnType<typeof signal>[], day: number) =>
      step({ states, signals, asOfMs: evening(day), silenced: () => false, first: false });
    const first = look([], [signal(82)], 1);
    const later = look(first.states, [signal(76), signal(76, { id: 'fallen:2' })], 7);
    expect(later.tellings).toMatchObject([{ again: true, reasonIds: ['fallen:2'] }]);
    const [alert] = later.states;
    if (!alert) throw new Error('no alert');
    const told = tellAlert('en', alert, { timeZone: 'UTC', lead: alert.told });
    expect(told.headline).toBe('Kelp chemistry fell from 90.0 to 82.0');
    expect(told.reasons[0]?.headline).toBe('Kelp chemistry fell from 90.0 to 76.0');
    const mail = tellAlert('en', { ...alert, titled: [] }, { timeZone: 'UTC', lead: alert.told });
    expect(mail.headline).toBe('Kelp chemistry fell from 90.0 to 76.0');
  });
});
