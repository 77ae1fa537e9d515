import type { CourseRecord } from '@cadro/contract';
import { i18next, makeFormat } from '../../i18n';
import { anItem } from '../../testing/items';
import { aRow } from '../../testing/works';
import { answerer, type Answer } from '../../workers/outlook';
import { scoresOf, stepOf, targetOf, worksOf } from '../tries/works';
import { arrangeWork, filterOf, isNarrow, keyOf, linesOf, noFilter } from './arrangeWork';
import { searchOf } from './search';
import { bothWords, effectWords, reasonWords, stakeWords, untilWords } from './rowWords';
import { startTexts } from '../../testing/texts';

startTexts('en');
const now = '2026-10-21T19:40:00Z';
const format = makeFormat('en', 'America/Halifax', now);
const t = i18next.t;

describe('narrowing the list down', () => {
  const rows = [
    aRow(),
    aRow({
      itemId: 'j',
      title: 'Keel model',
      courseId: 'b',
      courseTitle: 'Boat-building',
      outOf: 4,
      impact: 0.5,
      kind: 'overdue',
      itemKind: 'project',
      deadline: '2026-10-23T12:00:00Z',
      effort: { minutes: 20, told: true },
    }),
    aRow({
      itemId: 'k',
      title: 'First test',
      group: 'coming',
      kind: null,
      recoverable: false,
      impact: 30,
      deadline: null,
      dueAt: '2026-10-28T14:00:00Z',
      itemKind: 'test',
      studentId: 'z',
    }),
    aRow({ itemId: 'l', title: 'Old map', recoverable: false, impact: 0, deadline: '2026-10-01T12:00:00Z' }),
  ];
  const search = searchOf(rows);
  const shown = (params: Record<string, string>) => {
    const filter = filterOf(params);
    return arrangeWork(rows, filter, { found: search(filter.q), now }).map(({ title }) => title);
  };

  it.each([
    [{}, ['Reef survey', 'Keel model', 'First test', 'Old map']],
    [{ part: 'coming' }, ['First test']],
    [{ child: 'z' }, ['First test']],
    [{ course: 'b' }, ['Keel model']],
    [{ kind: 'project' }, ['Keel model']],
    [{ mend: 'yes' }, ['Reef survey', 'Keel model']],
    [{ mend: 'no' }, ['Old map']],
    [{ ends: '3' }, ['Keel model']],
    [{ ends: '7' }, ['Keel model', 'First test']],
    [{ q: 'kel model' }, ['Keel model']],
    [{ q: 'boat' }, ['Keel model']],
    [{ q: 'zzz' }, []],
    [{ sort: 'effect' }, ['First test', 'Keel model', 'Reef survey', 'Old map']],
    [{ sort: 'hour' }, ['Keel model', 'First test', 'Reef survey', 'Old map']],
    [{ sort: 'effort' }, ['Keel model', 'Reef survey', 'First test', 'Old map']],
    [{ sort: 'deadline' }, ['Old map', 'Keel model', 'First test', 'Reef survey']],
    [{ part: 'nonsense', sort: 'x', ends: '-1' }, ['Reef survey', 'Keel model', 'First test', 'Old map']],
  ])('%j', (params, titles) => expect(shown(params as Record<string, string>)).toEqual(titles));

  it('knows when it is narrow, and keeps one key a row', () => {
    expect(isNarrow(noFilter)).toBe(false);
    expect(isNarrow({ ...noFilter, q: 'k' })).toBe(true);
    expect(new Set(rows.map(keyOf)).size).toBe(rows.length);
  });

  it('puts heads between the parts, and between the days of what is coming', () => {
    const lines = linesOf(rows, 'order', format.dateOf).map((line) =>
      line.is === 'row' ? line.row.title : line.key,
    );
    expect(lines).toEqual([
      'loose',
      'Reef survey',
      'Keel model',
      'Old map',
      'coming',
      'day:2026-10-28',
      'First test',
    ]);
    expect(linesOf(rows, 'effect', format.dateOf).every(({ is }) => is === 'row')).toBe(true);
  });
});

describe('a row says', () => {
  it.each([
    [
      { kind: 'zero' as const },
      'Scored 0, no comment. In this course that usually means nothing was turned in.',
    ],
    [
      { kind: 'zero' as const, flagsMissing: true },
      'Scored 0, no comment. That usually means nothing was turned in.',
    ],
    [
      { kind: 'zero' as const, remarked: true },
      'Scored 0, with a comment from the teacher that says what’s needed.',
    ],
    [{ kind: 'unmarked' as const }, 'Turned in 9 days ago and not graded yet. Worth asking.'],
    [{ doubt: 'doubtful' as const }, ''],
    [
      { doubt: 'apart' as const },
      'The classroom system has it and the gradebook doesn’t, for longer than scores take to travel. It’s worth a word with the teacher.',
    ],
    [{ kind: null, group: 'waiting' as const }, 'Turned in, not graded yet.'],
  ])('why it is there: %j', (more, words) => expect(reasonWords(t, format, aRow(more))).toBe(words));

  it.each([
    [{}, 'Can still be turned in by Fri, Nov 6 (16 days left), for 50% credit.'],
    [{ recoverable: false }, 'Can no longer be made up.'],
    [{ doubt: 'doubtful' as const }, ''],
    [{ group: 'coming' as const, kind: null, dueAt: '2026-10-28T14:00:00Z' }, 'due Wed, Oct 28 (in 7 days)'],
  ])('until when: %j', (more, words) => expect(untilWords(t, format, aRow(more))).toBe(words));

  it('what it does to the grade, and nothing that would be shown as 0', () => {
    expect(effectWords(t, format, aRow())).toEqual({ figure: '+2.27', unit: 'points' });
    expect(effectWords(t, format, aRow({ outOf: 4, impact: 0.5 }))).toEqual({ figure: '+0.5', unit: 'of 4' });
    expect(effectWords(t, format, aRow({ impact: 0.001 }))).toBeNull();
    expect(effectWords(t, format, aRow({ impact: null }))).toBeNull();
    expect(stakeWords(t, format, aRow({ kind: null, impact: 12.5 }))).toBe(
      'can move the grade by up to 12.5 points',
    );
    expect(stakeWords(t, format, aRow())).toBe('');
  });

  it('what each of two sources says, with its age', () => {
    const both = aRow({
      said: { sourceName: 'Gannet Head', status: 'open', earned: null, at: null },
      other: { sourceName: 'Gannet Head', status: 'scored', earned: 9, at: '2026-10-20T19:30:00Z' },
      possible: 10,
    });
    expect(bothWords(t, format, both)).toEqual([
      'Gradebook: nothing yet',
      'Classroom: 9 of 10, yesterday, 4:30 PM',
    ]);
    expect(bothWords(t, format, aRow())).toEqual([]);
  });
});

describe('trying out', () => {
  const record: CourseRecord = {
    id: 'c',
    asOf: now,
    policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z' },
    categories: [{ id: 'k' }],
    items: [
      { id: 'past', categoryId: 'k', title: 'Past', possible: 10, dueAt: '2026-10-01T12:00:00Z' },
      { id: 'loose', categoryId: 'k', title: 'Loose', possible: 10, dueAt: '2026-10-02T12:00:00Z' },
      { id: 'later', categoryId: 'k', title: 'Later', possible: 10, dueAt: '2026-11-02T12:00:00Z' },
      { id: 'none', categoryId: 'k', title: 'Does not count', possible: 10, counts: false },
    ],
    results: [{ itemId: 'past', at: '2026-10-03T12:00:00Z', status: 'scored', earned: 8 }],
  };

  it('sorts the works of a course into what is loose, to come and past', () => {
    const items = [
      anItem({ id: 'past', state: { status: 'scored', at: null, earned: 8, late: false, levels: {} } }),
      anItem({
        id: 'loose',
        looseEnd: {
          itemId: 'loose',
          kind: 'overdue',
          recoverable: true,
          credit: 1,
          deadline: null,
          impact: 1,
        },
      }),
    ];
    expect(worksOf(record, items).map(({ id, group, earned }) => [id, group, earned])).toEqual([
      ['loose', 'loose', null],
      ['later', 'coming', null],
      ['past', 'past', 8],
    ]);
  });

  it.each([
    ['90', 90],
    ['92,5', 92.5],
    ['0', 0],
    ['200', 200],
    ['201', null],
    ['-1', null],
    ['', null],
    ['ninety', null],
  ])('reads a target: %s', (text, target) => expect(targetOf(text, 100)).toBe(target));

  it('steps finely where little is to be had', () =>
    expect([4, 10, 40, 1000].map(stepOf)).toEqual([0.5, 0.5, 1, 10]));

  it('is answered by the worker: tries at once, a drawing step by step, and not after it was stopped', async () => {
    const told: Answer[] = [];
    const ask = answerer((answer) => told.push(answer));
    ask({ is: 'open', record });
    ask({ is: 'try', key: 'current', turn: 1, scores: scoresOf({ loose: 10 }), target: 90 });
    expect(told).toMatchObject([
      {
        is: 'tried',
        key: 'current',
        turn: 1,
        tried: { posted: 90, toCome: 1, needed: { status: 'reachable' } },
      },
    ]);
    const drawn = () => told.filter(({ is }) => is === 'drawn');
    ask({ is: 'simulate', turn: 2, draws: 1000, seed: 1, target: null, scores: [] });
    ask({ is: 'stop' });
    ask({ is: 'simulate', turn: 3, draws: 500, seed: 1, target: 40, scores: [] });
    for (let waited = 0; drawn().length === 0 && waited < 200; waited++)
      await new Promise((next) => setTimeout(next, 5));
    expect(drawn()).toMatchObject([
      { turn: 3, fan: { draws: 500, toCome: 1, chance: expect.closeTo(0.9, 1) as number } },
    ]);
    expect(told.filter((answer) => answer.is === 'drawing').map(({ turn }) => turn)).toEqual([2, 3, 3]);
  });
});
