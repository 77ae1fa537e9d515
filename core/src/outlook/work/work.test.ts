import { acrossCourses, doubtOf, learntEffort, sharePerHour, type Ranked, type Said } from '..';

const hour = 60 * 60 * 1000;
const now = Date.parse('2026-10-21T18:00:00Z');
const ago = (hours: number) => now - hours * hour;

describe('two sources that tell a work differently', () => {
  const missing: Said = { status: 'missing', earned: null, atMs: ago(20) };
  const blank: Said = { status: 'open', earned: null, atMs: null };
  const handedIn = (hours: number): Said => ({ status: 'handed-in', earned: null, atMs: ago(hours) });
  const marked = (hours: number, earned = 17): Said => ({ status: 'scored', earned, atMs: ago(hours) });

  it.each([
    ['handed in there yesterday, missing here since', missing, handedIn(22), 'doubtful'],
    ['handed in there today, missing here before', missing, handedIn(2), 'doubtful'],
    ['marked there a day ago, blank here', blank, marked(24), 'doubtful'],
    ['marked there just two days ago', blank, marked(48), 'doubtful'],
    ['marked there three days ago, still blank here', blank, marked(72), 'apart'],
    [
      'handed in there nine days ago, missing here since',
      { ...missing, atMs: ago(20) },
      handedIn(216),
      'apart',
    ],
    [
      'a zero here, marked there yesterday',
      { status: 'scored', earned: 0, atMs: ago(30) } as Said,
      marked(24),
      'doubtful',
    ],
    ['nothing heard from there', missing, null, null],
    ['there it is open too', missing, { status: 'open', earned: null, atMs: ago(3) } as Said, null],
    ['a zero in both', missing, marked(3, 0), null],
    ['scored here', marked(5), marked(50), null],
    ['excused here', { status: 'excused', earned: null, atMs: ago(5) } as Said, marked(50), null],
  ])('%s', (_, gradebook, classroom, doubt) => {
    expect(doubtOf(gradebook, classroom, now)).toBe(doubt);
  });
});

describe('what a classroom knows', () => {
  const now = Date.parse('2026-10-21T18:00:00Z');
  const blank: Said = { status: 'open', earned: null, atMs: null };
  const there = (more: Partial<Said>): Said => ({ status: 'scored', earned: 5, atMs: now - 60_000, ...more });
  it.each<[string, Said, Said | null, ReturnType<typeof doubtOf>]>([
    ['a half of a point', blank, there({ earned: 0.5 }), 'doubtful'],
    ['nothing of a point', blank, there({ earned: 0 }), null],
    ['a mark that is not there', blank, there({ earned: null }), null],
    ['that it is missing, too', blank, there({ status: 'missing', earned: null }), null],
    ['something, without a time', blank, there({ atMs: null }), null],
    ['nothing at all', blank, null, null],
    ['a mark where here is one', there({ earned: 3 }), there({}), null],
    ['a mark where here is a zero', there({ earned: 0, atMs: now - 60_000 }), there({}), 'doubtful'],
    ['a hand-in where here is excused', there({ status: 'excused' }), there({ status: 'handed-in' }), null],
    [
      'a hand-in where here is incomplete',
      there({ status: 'incomplete' }),
      there({ status: 'handed-in' }),
      'doubtful',
    ],
  ])('%s', (_name, here, classroom, doubt) => expect(doubtOf(here, classroom, now)).toBe(doubt));
});

describe('how long work takes', () => {
  it('is the usual for its kind until a guardian has told otherwise', () => {
    const usual = learntEffort([]);
    expect([usual('project', 20), usual('quiz', 40), usual(null, 10), usual('paper', 4)]).toEqual([
      60, 50, 30, 35,
    ]);
  });

  // A beginning, and so much a point up to forty: for works of 20 and of 100 points.
  it.each([
    ['Project', 60, 80],
    ['Field work', 60, 80],
    ['Lab report', 50, 70],
    ['Unit test', 50, 60],
    ['Check', 40, 50],
    ['Notebook', 25, 35],
    ['Something else', 35, 50],
  ])('%s: usually %i minutes, or %i', (kind, small, great) => {
    const usual = learntEffort([]);
    expect([usual(kind, 20), usual(kind, 100)]).toEqual([small, great]);
  });

  it('takes the middle of what was told, between two of an even number', () => {
    const told = (...minutes: number[]) =>
      learntEffort(minutes.map((each) => ({ kind: 'quiz', possible: 20, minutes: each })))('quiz', 20);
    expect([told(20, 60), told(20, 60, 200), told(80, 20, 40, 60), told(20)]).toEqual([40, 60, 50, 20]);
  });

  it('follows what was told of the same kind, else of any', () => {
    const learnt = learntEffort([
      { kind: 'quiz', possible: 40, minutes: 100 },
      { kind: 'quiz', possible: 20, minutes: 80 },
      { kind: 'quiz', possible: 20, minutes: 40 },
    ]);
    expect(learnt('quiz', 40)).toBe(100);
    expect(learnt('project', 20)).toBe(120);
    expect(learnt('quiz', 20)).toBe(80);
  });

  it('stays within what an evening can be', () => {
    const learnt = learntEffort([{ kind: 'quiz', possible: 10, minutes: 1440 }]);
    expect(learnt('project', 100)).toBe(240);
    expect(learntEffort([{ kind: 'quiz', possible: 10, minutes: 1 }])('quiz', 1)).toBe(5);
  });
});

it('orders over courses by share of the scale, then by what ends first, waiting work last', () => {
  const row = (
    title: string,
    impact: number | null,
    outOf: number,
    deadline: string | null,
    kind = 'missing',
  ): Ranked => ({
    title,
    impact,
    outOf,
    deadline,
    kind,
  });
  const rows = [
    row('waiting', null, 100, null, 'unmarked'),
    row('seven of a hundred', 7, 100, '2026-11-06T00:00:00Z'),
    row('a third of four', 0.3, 4, '2026-11-06T00:00:00Z'),
    row('as much, sooner', 7, 100, '2026-10-30T00:00:00Z'),
    row('nothing', 0, 100, '2026-10-01T00:00:00Z'),
  ];
  expect([...rows].sort(acrossCourses).map(({ title }) => title)).toEqual([
    'a third of four',
    'as much, sooner',
    'seven of a hundred',
    'nothing',
    'waiting',
  ]);
  expect(sharePerHour(row('x', 5, 100, null), 30)).toBeCloseTo(0.1, 12);
});
