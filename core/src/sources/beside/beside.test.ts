import * as fc from 'fast-check';
import { resultStatuses } from '@cadro/contract';
import { lagMs } from '../../lag';
import { differencesOf, laidOver, ownStands, pairCourses, pairWorks, type PairedWork, type Told } from '.';

const work = (id: string, title: string, dueOn: string | null = '2026-10-16', possible = 20): PairedWork => ({
  ...{ id, title, dueOn, possible, said: true },
});
const none = new Set<string>();
const sure = (own: readonly PairedWork[], theirs: readonly PairedWork[], apart: ReadonlySet<string> = none) =>
  pairWorks(own, theirs, apart).map(
    ({ ownId, theirId, sure: isSure }) => `${ownId}${isSure ? '=' : '?'}${theirId}`,
  );

describe('which assignments are one', () => {
  it.each<[string, PairedWork[], PairedWork[], string[]]>([
    ['by name and day', [work('a', 'Quiz 4')], [work('x', 'quiz  4'), work('y', 'Quiz 5')], ['a=x']],
    [
      'by name, and a day that was moved',
      [work('a', 'Quiz 4')],
      [work('x', 'Quiz 4', '2026-10-20')],
      ['a=x'],
    ],
    [
      'in question, where the points differ',
      [work('a', 'Quiz 4')],
      [work('x', 'Quiz 4', '2026-10-16', 25)],
      ['a?x'],
    ],
    [
      'in question, where most of a name, the days and the points agree',
      [work('a', 'Tide quiz', '2026-10-15')],
      [work('x', 'Quiz on tide and current'), work('y', 'Reading')],
      ['a?x'],
    ],
    [
      'by name and day alone, where nothing is said but a day',
      [{ ...work('a', 'Quiz 4'), said: false }],
      [work('x', 'Quiz 4', '2026-10-16', 25)],
      ['a=x'],
    ],
    ['not, where both are numbered differently', [work('a', 'Quiz 3')], [work('x', 'Quiz 4')], []],
    [
      'not, where the days lie apart',
      [work('a', 'Tide quiz', '2026-10-02')],
      [work('x', 'Quiz on tides')],
      [],
    ],
    [
      'once each, the better name first',
      [work('a', 'Reef survey'), work('b', 'Survey of the reef')],
      [work('x', 'Reef survey')],
      ['a=x'],
    ],
  ])('%s', (_name, own, theirs, pairs) => expect(sure(own, theirs)).toEqual(pairs));

  it('asks no more about what was said to be two', () => {
    expect(sure([work('a', 'Quiz 4')], [work('x', 'Quiz 4')], new Set(['a:x']))).toEqual([]);
  });

  const titles = fc.constantFrom('Quiz 1', 'Quiz 2', 'Reef survey', 'Survey', 'Essay on lamps', 'Lamps');
  const works = (side: string) =>
    fc
      .array(
        fc.tuple(
          titles,
          fc.constantFrom(null, '2026-10-14', '2026-10-16', '2026-12-01'),
          fc.constantFrom(10, 20),
        ),
      )
      .map((rows) =>
        rows.map(([title, dueOn, possible], at) => work(`${side}${at}`, title, dueOn, possible)),
      );
  it('pairs each at most once, and what is the same with itself', () =>
    fc.assert(
      fc.property(works('a'), works('x'), (own, theirs) => {
        const frozen = Object.freeze(own.map((each) => Object.freeze(each)));
        const pairs = pairWorks(frozen, theirs, none);
        expect(new Set(pairs.map(({ ownId }) => ownId)).size).toBe(pairs.length);
        expect(new Set(pairs.map(({ theirId }) => theirId)).size).toBe(pairs.length);
        expect(pairWorks(frozen, theirs, none)).toEqual(pairs);
        const [first] = own;
        if (first) expect(sure([first], [{ ...first, id: 'x' }])).toEqual([`${first.id}=x`]);
      }),
    ));

  it('finds courses by their names', () => {
    expect(
      pairCourses(['Chemistry (kelp)', 'Chess', 'Maths 8'], ['Kelp chemistry', 'World history', 'Maths 7']),
    ).toEqual([0, null, null]);
    expect(pairCourses(['History'], ['World history', 'Local history'])).toEqual([null]);
  });
});

describe('whose word holds', () => {
  const open = { status: 'open', earned: null } as const;
  const scored = (earned: number) => ({ status: 'scored', earned }) as const;
  const missing = { status: 'missing', earned: null } as const;
  const handedIn = { status: 'handed-in', earned: null } as const;
  it.each([
    ['a score the school has not entered', scored(17), open, true],
    ['a score of what the school has seen handed in', scored(17), handedIn, true],
    ['what was handed in and the school says nothing of', handedIn, open, true],
    ['what was handed in and the school calls missing', handedIn, missing, false],
    ['a score the school has another of', scored(17), scored(15), false],
    ['nothing', open, open, false],
  ] as const)('%s', (_name, own, theirs, stands) => {
    expect(ownStands({ lead: 'school', own, theirs })).toBe(stands);
    // Who goes first holds, as soon as they say anything.
    expect(ownStands({ lead: 'own', own, theirs })).toBe(own !== open);
  });

  const said = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 20 }), fc.constantFrom(...resultStatuses), fc.nat(20)), {
      maxLength: 6,
    })
    .map((rows) =>
      rows
        .map(([day, status, earned]) => ({ at: new Date(day), status, earned }))
        .sort((a, b) => a.at.getTime() - b.at.getTime()),
    );
  it('is at the end of the one history, in the order of time', () =>
    fc.assert(
      fc.property(said, said, fc.boolean(), (theirs, own, stands) => {
        const over = stands ? own : theirs;
        const laid = laidOver(theirs, own, stands);
        const times = laid.map(({ at }) => at.getTime());
        expect([...times].sort((a, b) => a - b)).toEqual(times);
        if (over.length > 0) expect(laid.at(-1)).toBe(over.at(-1));
        else expect(laid).toEqual(stands ? theirs : own);
      }),
    ));

  it('keeps what was known before the other said anything', () => {
    const at = (day: number) => new Date(Date.UTC(2026, 9, day));
    const own = [{ at: at(5), ...scored(17) }];
    const theirs = [
      { at: at(3), ...handedIn },
      { at: at(9), ...scored(15) },
    ];
    expect(laidOver(theirs.slice(1), own, false)).toEqual([own[0], theirs[1]]);
    expect(laidOver(theirs, own, true)).toEqual([theirs[0], own[0]]);
  });
});

describe('why two differ', () => {
  const asOf = Date.UTC(2026, 9, 21);
  const told = (change: Partial<Told>): Told => ({
    ...{
      status: 'scored',
      earned: 17,
      possible: 20,
      late: false,
      dueOn: '2026-10-16',
      atMs: asOf,
      ...change,
    },
  });
  it.each<[string, Partial<Told>, Partial<Told>]>([
    ['not-entered', { status: 'open', earned: null, atMs: null }, {}],
    ['other-points', { earned: 34, possible: 40 }, {}],
    ['rounded', { earned: 16.95 }, {}],
    ['late', { earned: 13.6, late: true }, {}],
    [
      'travelling',
      { status: 'missing', earned: null },
      { status: 'handed-in', earned: null, atMs: asOf - lagMs },
    ],
    [
      'not-seen',
      { status: 'missing', earned: null },
      { status: 'handed-in', earned: null, atMs: asOf - lagMs - 1 },
    ],
    ['newer-there', { earned: 15 }, { atMs: asOf - 3 * lagMs }],
    ['newer-here', { earned: 15, atMs: asOf - 3 * lagMs }, {}],
    ['still-missing', { status: 'missing', earned: null, atMs: asOf - 3 * lagMs }, {}],
    ['unclear', { earned: 15 }, {}],
  ])('%s', (reason, theirs, own) =>
    expect(differencesOf(told(theirs), told(own), asOf)).toEqual([{ what: 'score', reason }]),
  );

  it('says nothing where they agree, and names a day that was moved', () => {
    expect(differencesOf(told({}), told({}), asOf)).toEqual([]);
    expect(differencesOf(told({}), told({ status: 'open', earned: null }), asOf)).toEqual([]);
    expect(differencesOf(told({ dueOn: '2026-10-19' }), told({}), asOf)).toEqual([
      { what: 'day', reason: 'moved' },
    ]);
  });
});
