import type {
  CourseDetail,
  CourseFigures,
  CoursePolicy,
  FigureStep,
  ItemSummary,
  PolicyCorrection,
} from '@cadro/contract';
import { whyNotInFigure } from '@cadro/core';
import { i18next, makeFormat } from '../../i18n';
import { fileName } from '../../ui';
import { csvOf } from '../../ui/controls/csv';
import { arrange } from './arrange';
import { anItem } from '../../testing/items';
import { causeWords, deltaWords, letterSteps, policySentences } from './courseWords';
import { openWords } from '../words';
import { formOf, readForm, withCorrection, type PolicyForm } from './policy/policyForm';
import { startTexts } from '../../testing/texts';

startTexts('en');
const { t } = i18next;
const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');

const state = (status: ItemSummary['state']['status'], earned: number | null = null) => ({
  status,
  at: null,
  earned,
  late: false,
  levels: {},
});
const item = (more: Partial<ItemSummary> = {}): ItemSummary =>
  anItem({ dueAt: '2026-10-20T12:00:00Z', state: state('scored', 17), ...more });
const category = { id: 'c', title: 'Homework', weight: 100, dropLowest: 0, counts: true };
type Counted = Pick<CourseDetail, 'policy' | 'categories' | 'figures' | 'items' | 'term' | 'scale'>;
const course = (policy: Partial<CourseDetail['policy']> = {}, more: Partial<Counted> = {}): CourseDetail =>
  ({
    policy: { method: 'weighted', termEnd: '2026-11-07T03:59:00Z', ...policy },
    categories: [category],
    figures: {
      categories: [{ id: 'c', fraction: 0.85, earned: 17, possible: 20, cost: 15, dropped: ['low'] }],
    },
    items: [item()],
    term: { title: 'First quarter', endsOn: '2026-11-06' },
    scale: { method: 'weighted', outOf: 100, decimals: 1, letters: [{ letter: 'A', from: 0.9 }] },
    ...more,
  }) as CourseDetail; // what these sentences read of a course

describe('what moved it, in words', () => {
  const step = (before: FigureStep['before'], after: FigureStep['after']): FigureStep => ({
    itemId: 'i',
    title: 'Seed log',
    possible: 20,
    at: '2026-10-19T18:05:00Z',
    delta: 1,
    posted: 3,
    before,
    after,
  });
  it.each([
    ['a first mark', null, state('scored', 17), '“Seed log” graded 17 of 20'],
    ['work that was missing', state('missing'), state('scored', 17), '“Seed log” was missing, now 17 of 20'],
    [
      'a correction',
      state('scored', 15),
      state('scored', 17),
      '“Seed log” corrected from 15 of 20 to 17 of 20',
    ],
    ['work marked missing', state('open'), state('missing'), '“Seed log” is now missing'],
    ['work excused', state('missing'), state('excused'), '“Seed log” is now excused'],
    ['marked after waiting', state('handed-in'), state('scored', 0), '“Seed log” graded 0 of 20'],
  ] as const)('%s', (_name, before, after, words) => {
    expect(causeWords(t, format, step(before, after))).toBe(words);
  });

  it.each([
    [1.234, '1.23 points up'],
    [-0.5, '0.5 points down'],
    [-0.002, 'down by less than 0.01 points'],
    [null, 'the first grade'],
  ])('a step of %s', (delta, words) => expect(deltaWords(t, format, delta)).toBe(words));
});

describe('how it is counted, in sentences', () => {
  const sentences = (policy: Partial<CourseDetail['policy']>, more: Partial<Counted> = {}) =>
    policySentences(t, format, course(policy, more)).join(' ');
  it.each([
    ['missing at zero', {}, 'Missing work counts as 0 until it’s turned in.'],
    [
      'missing at the floor',
      { missingCounts: 'floor', floor: 0.5 },
      'Missing work counts as 50% until it’s turned in.',
    ],
    [
      'what is left at the floor',
      { missingCounts: 'floor', floor: 0.5 },
      'When the term ends, it counts as 50%.',
    ],
    ['missing that doesn’t count', { missingCounts: 'not' }, 'Missing work doesn’t count yet.'],
    ['late work', { late: { kind: 'flat', credit: 0.5 } }, 'Late work earns 50% credit.'],
    [
      'late work by the day',
      { late: { kind: 'perDay', lose: 0.1, least: 0.5 } },
      'loses 10% a day, down to 50%',
    ],
    ['a floor', { floor: 0.5 }, 'No score counts as less than 50%.'],
    ['points', { method: 'points' }, 'All points are added up together.'],
    ['rounded letters', { letterFrom: 'rounded' }, 'Letter grades go by the rounded grade.'],
    [
      'standards',
      { method: 'standards', standards: { rule: 'recency', share: 0.65 } },
      'newer evidence counts more: 65% of every new level. Level 3 of 4 is met.',
    ],
  ] as const)('%s', (_name, policy, said) => expect(sentences(policy)).toContain(said));

  it('names what is required and doesn’t count, and what is dropped', () => {
    const categories = [
      { ...category, dropLowest: 2 },
      { ...category, id: 'p', title: 'Practice', counts: false },
    ];
    const said = sentences({}, { categories });
    expect(said).toContain('Practice is required and doesn’t count.');
    expect(said).toContain('The 2 lowest scores in Homework are dropped.');
  });

  it('writes the letter steps out', () => {
    expect(letterSteps(t, format, course())).toBe('A from 90');
  });
});

describe('why a work is not in the figure', () => {
  const nothing = { id: 'c', fraction: null, earned: 0, possible: 0, cost: null, dropped: [] };
  const alone = { figures: { categories: [nothing] } } as unknown as Partial<Counted>;
  it.each([
    ['a mark', {}, {}, {}, null],
    ['practice', { counts: false }, {}, {}, 'practice'],
    ['no points', { possible: 0, counts: false }, {}, {}, 'weightless'],
    ['a category of no weight', {}, {}, { categories: [{ ...category, weight: 0 }] }, 'weightless'],
    ['excused', { state: state('excused') }, {}, {}, 'excused'],
    ['turned in', { state: state('handed-in') }, {}, {}, 'waiting'],
    ['missing at zero', { state: state('missing') }, {}, {}, null],
    ['missing that doesn’t count', { state: state('missing') }, { missingCounts: 'not' }, {}, 'missingNot'],
    ['incomplete', { state: state('incomplete') }, {}, {}, 'incompleteNot'],
    ['incomplete at zero', { state: state('incomplete') }, { incompleteCounts: 'zero' }, {}, null],
    ['dropped', { id: 'low' }, {}, {}, 'dropped'],
    ['a mark without a score', { state: state('scored') }, {}, {}, 'unscored'],
    ['not due', { state: state('open') }, {}, {}, 'ahead'],
    ['undated', { state: state('open'), dueAt: null }, {}, {}, 'undated'],
    ['extra credit', { extraCredit: true }, {}, {}, null],
    ['extra credit all alone', { extraCredit: true }, {}, alone, 'extraAlone'],
    ['extra credit not taken up', { extraCredit: true, state: state('open') }, {}, {}, 'extraOpen'],
  ] as const)('%s', (_name, more, policy, rest, reason) => {
    const made = course(policy as Partial<CourseDetail['policy']>, rest as Partial<Counted>);
    expect(whyNotInFigure(item(more as Partial<ItemSummary>), made)).toBe(reason);
  });
});

describe('arranging the work', () => {
  const works = [
    item({ id: '1', title: 'b', dueAt: '2026-10-01T12:00:00Z', unit: 'Tides' }),
    item({ id: '2', title: 'a', dueAt: null, unit: null }),
    item({ id: '3', title: 'c', dueAt: '2026-10-09T12:00:00Z', unit: 'Charts', state: state('missing') }),
    item({ id: '4', title: 'd', dueAt: '2026-10-05T12:00:00Z', unit: 'Tides' }),
  ];
  const words = {
    categoryOf: () => 'Homework',
    stateOf: ({ state: { status } }: ItemSummary) => status,
    noUnit: 'none',
  };
  const ids = (...args: [Parameters<typeof arrange>[1], Parameters<typeof arrange>[2]]) =>
    arrange(works, ...args, words).map(({ key, items }) => [key, items.map(({ id }) => id).join('')]);
  it.each([
    ['date', 'newest', [['', '3412']]],
    ['date', 'oldest', [['', '1432']]],
    [
      'unit',
      'newest',
      [
        ['Charts', '3'],
        ['Tides', '41'],
        ['none', '2'],
      ],
    ],
    ['category', 'oldest', [['Homework', '1432']]],
    [
      'state',
      'oldest',
      [
        ['scored', '142'],
        ['missing', '3'],
      ],
    ],
  ] as const)('by %s, %s: undated work comes last', (by, order, groups) => {
    expect(ids(by, order)).toEqual(groups);
  });
});

describe('correcting the policy', () => {
  const policy: CoursePolicy = {
    published: {
      method: 'weighted',
      termEnd: '2026-11-07T03:59:00Z',
      floor: 0.5,
      letters: [
        { letter: 'A', from: 0.9 },
        { letter: 'B', from: 0.8 },
      ],
    },
    assumed: {
      method: 'weighted',
      termEnd: '2026-11-07T03:59:00Z',
      floor: 0.5,
      letters: [
        { letter: 'A', from: 0.9 },
        { letter: 'B', from: 0.8 },
      ],
    },
    categories: [
      {
        id: 'c',
        title: 'Homework',
        counts: true,
        published: { weight: 25, dropLowest: 0 },
        assumed: { weight: 25, dropLowest: 0 },
      },
    ],
    correction: null,
    history: [],
  };
  const read = (more: Partial<PolicyForm>) => readForm({ ...formOf(policy), ...more }, policy);

  it('is none while nothing differs from the source', () => {
    expect(read({})).toEqual({ correction: null, wrong: [] });
  });

  it.each<[string, Partial<PolicyForm>, PolicyCorrection]>([
    ['a floor', { floor: '40' }, { floor: 0.4 }],
    ['no floor', { floor: '0' }, { floor: 0 }],
    ['a decimal comma', { floor: '33,5' }, { floor: 0.335 }],
    ['what missing counts', { missingCounts: 'not' }, { missingCounts: 'not' }],
    [
      'a weight',
      { categories: [{ id: 'c', weight: '30', dropLowest: '0' }] },
      { categories: [{ id: 'c', weight: 30 }] },
    ],
    [
      'a drop',
      { categories: [{ id: 'c', weight: '25', dropLowest: '1' }] },
      { categories: [{ id: 'c', dropLowest: 1 }] },
    ],
    ['the scale', { outOf: '4' }, { outOf: 4 }],
    ['no letters', { letters: '' }, { letters: [] }],
    [
      'letters, in any order',
      { letters: 'B 82, A 92.5%' },
      {
        letters: [
          { letter: 'A', from: 0.925 },
          { letter: 'B', from: 0.82 },
        ],
      },
    ],
  ])('holds %s', (_name, more, correction) => {
    expect(read(more)).toEqual({ correction, wrong: [] });
    // What a correction puts into the fields is read back as that correction.
    expect(readForm(withCorrection(formOf(policy), correction), policy).correction).toEqual(correction);
  });

  it.each<[string, Partial<PolicyForm>, string]>([
    ['a floor above 100', { floor: '101' }, 'floor'],
    ['a word', { floor: 'half' }, 'floor'],
    ['nothing', { outOf: '' }, 'outOf'],
    ['a scale of 0', { outOf: '0' }, 'outOf'],
    ['a negative weight', { categories: [{ id: 'c', weight: '-1', dropLowest: '0' }] }, 'weight/c'],
    ['half a drop', { categories: [{ id: 'c', weight: '25', dropLowest: '0.5' }] }, 'drop/c'],
    ['letters without numbers', { letters: 'A, B' }, 'letters'],
    ['Infinity', { floor: 'Infinity' }, 'floor'],
  ])('cannot read %s, and says where', (_name, more, field) => {
    expect(read(more).wrong).toEqual([field]);
  });
});

describe('lists to take along', () => {
  it.each([
    ['a formula', '=1+1', `"'=1+1"`],
    ['a formula by plus', '+SUM(A1)', `"'+SUM(A1)"`],
    ['a formula by minus', '-2+3', `"'-2+3"`],
    ['a formula by at', '@SUM(A1)', `"'@SUM(A1)"`],
    ['a formula behind a tab', '\t=1', `"'\t=1"`],
    ['a quote', 'He said "no"', '"He said ""no"""'],
    ['a comma', 'one, two', '"one, two"'],
    ['a line break', 'one\ntwo', '"one\ntwo"'],
    ['other letters', 'Ramón’s log ✓', 'Ramón’s log ✓'],
    ['a negative number', -2.5, '-2.5'],
    ['nothing', null, ''],
  ])('%s', (_name, cell, written) => {
    expect(csvOf(['What', 'How'], [[cell, 1]])).toBe(`What,How\r\n${written},1\r\n`);
  });

  it.each([
    ['Ramón’s log, work', 'ramon-s-log-work.csv'],
    ['../../etc/passwd', 'etc-passwd.csv'],
    ['', 'list.csv'],
    ['数学', 'list.csv'],
  ])('a file named after %s', (name, file) => expect(fileName(name, 'csv')).toBe(file));
});

describe('what is open in a course, in a line', () => {
  const chance = { itemId: 'again', credit: 1, deadline: '2026-10-30T02:59:00Z', impact: 3, most: 5 };
  const end = { itemId: 'w', recoverable: true, credit: 1, deadline: null, impact: 2 };
  const open = (more: Partial<CourseFigures>) =>
    openWords(t, { looseEnds: [], chances: [], ...more } as unknown as CourseFigures);
  it.each<[string, Partial<CourseFigures>, string]>([
    ['nothing', {}, ''],
    ['work that may be done again', { chances: [chance] }, '1 can be redone'],
    [
      'each kind by its number',
      {
        looseEnds: [
          { ...end, kind: 'missing' },
          { ...end, kind: 'overdue' },
        ],
        chances: [chance],
      },
      '1 overdue · 1 missing · 1 can be redone',
    ],
  ])('%s', (_name, figures, words) => {
    expect(open(figures)).toBe(words);
  });
});
