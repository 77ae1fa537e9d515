import i18next from 'i18next';
import type { Brief, Matter, NewsLine, Plan, SitdownPage } from '@cadro/contract';
import { makeFormat } from '../i18n';
import { becameOf, composePage, keptOf, movedUp, questionFor, type PageFacts } from './compose';
import { byDay, firstOn, weekdayOfRule } from './weekdayRule';
import { startTexts } from '../testing/texts';

startTexts('en');
const tools = {
  t: i18next.t,
  format: makeFormat('en', 'America/Halifax', '2026-10-25T19:40:00Z'),
  say: ({ key, courseTitle }: Matter) => ({ title: `${courseTitle} ${key}`, body: 'why' }),
};
const me = { studentId: 'caspian' };
const matter = (key: string, more: object = {}) =>
  ({ key, kind: 'mendable', courseTitle: 'Boat-building', ...me, ...more }) as unknown as Matter;
const score = (itemId: string, earned: number, more: object = {}) =>
  ({
    ...{ kind: 'score', itemId, title: itemId, courseTitle: 'Tides', earned, possible: 20 },
    ...{ at: '2026-10-23T12:00:00Z', ...me, ...more },
  }) as unknown as NewsLine;
const page: SitdownPage = {
  ...{ studentId: 'caspian', hidden: [], own: [], order: [], question: null, answer: null },
  ...{ agreed: [], kept: null, version: 1 },
};
const facts = (more: Partial<Omit<PageFacts, 'brief'>> & { brief?: object } = {}): PageFacts => ({
  ...{ childId: 'caspian', child: 'Caspian', news: [], plan: null, followUps: [], before: null },
  ...{ announcements: [], supplies: [] },
  ...more,
  // all of the Brief that a page reads
  brief: {
    ...{ asOf: '2026-10-25T19:40:00Z', goodNews: [], matters: [], coming: [] },
    ...more.brief,
  } as unknown as Brief,
});
const linesOf = (given: PageFacts, section: string, of = page): string[] =>
  composePage(tools, given, of)
    .filter((each) => each.section === section)
    .flatMap(({ lines }) => lines.map(({ text }) => text));

it('begins with what went well: what was mended, what was done, the best scores of the week', () => {
  const goodNews = [
    {
      ...{ ...me, itemId: 'keel', title: 'Keel model', was: 'overdue' },
      now: { status: 'scored', earned: 17, possible: 20 },
    },
    { studentId: 'isolde', itemId: 'lamp', title: 'Lamp', was: 'missing', now: { earned: 1, possible: 2 } },
  ];
  const news = [
    ...[score('quiz', 17), score('log', 20), score('map', 16.9), score('keel', 17)],
    score('old', 20, { at: '2026-10-17T12:00:00Z' }),
  ];
  const lines = linesOf(facts({ brief: { goodNews }, news }), 'good');
  expect(lines).toEqual([
    '“Keel model” was overdue; now it’s 17 of 20',
    '“log”: 20 of 20 (Tides)',
    '“quiz”: 17 of 20 (Tides)',
  ]);
});

it('names three things at most, in the order of the Brief, none of them a letter or a sibling’s', () => {
  const matters = [
    ...[matter('a'), matter('letter', { kind: 'reply' }), matter('b', { studentId: 'isolde' })],
    ...[matter('c', { kind: 'absence' }), matter('d'), matter('e')],
  ];
  expect(linesOf(facts({ brief: { matters } }), 'things')).toEqual([
    ...['Boat-building a', 'Boat-building c', 'Boat-building d'],
  ]);
});

it.each([
  ['about what matters most', [matter('a')], /Boat-building/],
  ['about days that were missed', [matter('a', { kind: 'absence' })], /missed class/],
  ['about what was agreed', [matter('a', { kind: 'look-again', title: 'Keel' })], /“Keel”/],
  ['about what went well where nothing needs anything', [], /better this week/],
])('asks first %s', (_name, matters, question) =>
  expect(questionFor(tools, facts({ brief: { matters } }))).toMatch(question),
);

it('lays out the week by its evenings, and leaves empty ones out', () => {
  const plan = {
    tasks: [
      { evening: '2026-10-26', title: 'Log', minutes: 20, doneAt: null },
      { evening: '2026-10-26', title: 'Done', minutes: 20, doneAt: '2026-10-25T12:00:00Z' },
      { evening: '2026-11-02', title: 'Next week', minutes: 20, doneAt: null },
    ],
  } as unknown as Plan;
  const coming = [
    {
      on: '2026-10-28',
      items: [
        { ...me, title: 'Quiz', offerEnds: false },
        { studentId: 'isolde', title: 'Hers', offerEnds: false },
      ],
    },
  ];
  expect(linesOf(facts({ plan, brief: { coming } }), 'week')).toEqual([
    'Mon, Oct 26: Log (20 min)',
    'Wed, Oct 28: due: Quiz',
  ]);
});

it('says what became of what was agreed the last time', () => {
  const agreement = { id: 'a-1', text: 'Phone away', followUpId: 'f', entryId: null, by: null, held: null };
  const followUp = (more: object) =>
    [{ id: 'f', step: 'agreed', childDoneAt: null, ...more }] as unknown as PageFacts['followUps'];
  const became = (more: object, held: boolean | null = null) =>
    becameOf(i18next.t, { ...agreement, held }, followUp(more));
  expect(became({})).toBe('still open');
  expect(became({ childDoneAt: '2026-10-20T12:00:00Z' })).toBe('done, says the child');
  expect(became({ step: 'settled' })).toBe('settled');
  expect(became({ step: 'settled' }, false)).toBe('it didn’t hold');
  expect(becameOf(i18next.t, { ...agreement, followUpId: null }, [])).toBe('no word yet on whether it held');
});

it('is as the family has changed it, and is kept in its words', () => {
  const given = facts({ brief: { matters: [matter('a'), matter('b')] } });
  const changed = {
    ...page,
    ...{
      hidden: ['thing:a'],
      question: 'Ours?',
      own: [{ id: 'own-1', section: 'good' as const, text: 'Read to Pet' }],
    },
  };
  expect(linesOf(given, 'things', changed)).toEqual(['Boat-building b']);
  expect(linesOf(given, 'question', changed)).toEqual(['Ours?']);
  expect(keptOf(composePage(tools, given, changed))).toEqual([
    { section: 'good', lines: ['Read to Pet'] },
    { section: 'question', lines: ['Ours?'] },
    { section: 'things', lines: ['Boat-building b'] },
  ]);
});

describe('the order is the family’s', () => {
  const given = facts({ brief: { matters: [matter('a'), matter('b'), matter('c')] } });
  const own = [{ id: 'own-1', section: 'things' as const, text: 'The oar' }];
  const things = (order: readonly string[]) =>
    composePage(tools, given, { ...page, own, order: [...order] }).find(
      ({ section }) => section === 'things',
    );
  const idsOf = (order: readonly string[]) => things(order)?.lines.map(({ id }) => id);

  it.each<[string, string[], string[]]>([
    ['none is named', [], ['thing:a', 'thing:b', 'thing:c', 'own-1']],
    ['the last is named first', ['own-1'], ['own-1', 'thing:a', 'thing:b', 'thing:c']],
    [
      'what is gone is named, too',
      ['gone', 'thing:c', 'thing:a'],
      ['thing:c', 'thing:a', 'thing:b', 'own-1'],
    ],
  ])('where %s', (_where, order, ids) => {
    expect(idsOf(order)).toEqual(ids);
  });

  it('a line goes up by one, and the other sections stay as they were', () => {
    const section = things([]) ?? { section: 'things', lines: [] };
    const order = movedUp(['week:2', 'week:1'], section, 'own-1');
    expect(order).toEqual(['week:2', 'week:1', 'thing:a', 'thing:b', 'own-1', 'thing:c']);
    expect(idsOf(order)).toEqual(['thing:a', 'thing:b', 'own-1', 'thing:c']);
    // Once more, before it has been drawn anew.
    expect(idsOf(movedUp(order, section, 'own-1'))).toEqual(['thing:a', 'own-1', 'thing:b', 'thing:c']);
    expect(idsOf(movedUp([], section, 'thing:a'))).toEqual(idsOf([]));
  });
});

it.each([1, 2, 3, 4, 5, 6, 7])('weekday %i is the one its rule names, from today on', (weekday) => {
  expect(weekdayOfRule(`FREQ=WEEKLY;BYDAY=${byDay(weekday)}`)).toBe(weekday);
  const first = firstOn('2026-10-21', weekday);
  expect(first >= '2026-10-21' && first <= '2026-10-27').toBe(true);
});

it.each([null, 'FREQ=DAILY', 'FREQ=WEEKLY;BYDAY=MO,TU'])('of the rule %s there is no one weekday', (rule) =>
  expect(weekdayOfRule(rule)).toBeNull(),
);
