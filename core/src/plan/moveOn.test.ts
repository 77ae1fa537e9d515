import { isSettledPlan, missedGain, movedOn, placedGain } from '.';

const today = '2026-10-22';
const evenings = [22, 23, 24].map((day) => ({ date: `2026-10-${day}`, minutes: 60 }));
const task = (more: object = {}) => ({
  minutes: 40,
  gain: 2,
  evening: '2026-10-21' as string | null,
  deadline: null as string | null,
  doneAt: null as string | null,
  movedFrom: null as string | null,
  ...more,
});

describe('what was not done on its evening', () => {
  it('moves on to the first evening with room, and says where it came from', () => {
    expect(movedOn([task()], evenings, today)).toMatchObject([
      { evening: '2026-10-22', movedFrom: '2026-10-21' },
    ]);
  });

  it.each([
    ['what stands there already', [task(), task({ evening: '2026-10-22' })], '2026-10-23'],
    ['what has moved on before it', [task(), task()], '2026-10-22'],
    ['its last day', [task({ deadline: '2026-10-21' })], null],
    [
      'no room for what is done there',
      [task(), task({ evening: '2026-10-22', doneAt: today })],
      '2026-10-22',
    ],
    ['an evening that is just long enough', [task({ minutes: 60 })], '2026-10-22'],
    ['its last day, when that is the evening', [task({ deadline: '2026-10-22' })], '2026-10-22'],
    ['an evening before today only', [task({ evening: '2026-10-22', minutes: 90 })], '2026-10-22'],
    ['no evening that is long enough', [task({ minutes: 90 })], null],
  ])('heeds %s', (_, tasks, evening) => {
    expect(movedOn(tasks, evenings, today)[0]?.evening).toBe(evening);
  });

  it('fills no evening twice over', () => {
    const moved = movedOn([task(), task(), task(), task()], evenings, today);
    expect(moved.map(({ evening }) => evening)).toEqual(['2026-10-22', '2026-10-23', '2026-10-24', null]);
  });

  it('is left alone when it was done, stands ahead or stands nowhere', () => {
    const tasks = [
      task({ doneAt: '2026-10-21T20:00:00Z' }),
      task({ evening: '2026-10-24' }),
      task({ evening: null }),
    ];
    expect(movedOn(tasks, evenings, today)).toEqual(tasks);
  });
});

it('sums what stands on an evening and is still to be done', () => {
  expect(placedGain([task(), task({ evening: null }), task({ doneAt: today }), task({ gain: 0.5 })])).toBe(
    2.5,
  );
});

it.each([
  [4, 2],
  [2.006, 0.006],
  [2.005, 0],
  [2, 0],
  [1, 0],
])('of a best plan of %d misses %d', (best, missed) => {
  expect(missedGain(best, [task(), task({ evening: null })])).toBeCloseTo(missed, 9);
});

it.each<[string, Parameters<typeof isSettledPlan>, boolean]>([
  ['all of it, as well as can be', [{ gain: 2, proven: true }, [task()]], true],
  [
    'what is done, wherever it stood',
    [{ gain: 2, proven: true }, [task(), task({ evening: null, doneAt: today })]],
    true,
  ],
  ['not what waits for an evening', [{ gain: 2, proven: true }, [task(), task({ evening: null })]], false],
  ['not what could gain more', [{ gain: 3, proven: true }, [task()]], false],
  ['not what may not be the best', [{ gain: 2, proven: false }, [task()]], false],
  ['not what was never weighed', [null, [task()]], false],
])('settles %s', (_, plan, settled) => {
  expect(isSettledPlan(...plan)).toBe(settled);
});
