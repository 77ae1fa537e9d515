import fc from 'fast-check';
import { waysOf, type WayWork } from './ways';

const zone = { timeZone: 'America/Halifax', closed: new Set(['2026-10-12']) };
/** Due at the end of a Friday where the school is, which is Saturday in UTC. */
const friday = (day: string, more: Partial<WayWork> = {}): WayWork => ({
  ...{ dueAt: new Date(`2026-${day}T02:59:00Z`), place: 'Blue tray', gradedAt: null },
  ...more,
});
const graded = (at: string) => ({ gradedAt: new Date(at) });
const fridays = [
  friday('09-12', graded('2026-09-15T12:00:00Z')),
  friday('09-19', graded('2026-09-22T12:00:00Z')),
  friday('09-26', graded('2026-10-01T12:00:00Z')),
  friday('10-10', graded('2026-10-14T12:00:00Z')),
];

it('says on which weekday work falls due, where it lives, and how soon half of it is graded', () => {
  expect(waysOf({ works: fridays, letters: [] }, zone)).toEqual({
    ...{ assignments: 4, dueWeekday: { weekday: 5, count: 4 }, place: { name: 'Blue tray', count: 4 } },
    // 2, 2, 4 school days, and 2 over a holiday.
    ...{ gradedDays: 2, answeredDays: null, letters: 0 },
  });
});

it.each([
  ['three of them', fridays.slice(0, 3)],
  [
    'half of them elsewhere',
    [...fridays, ...fridays.map((work) => ({ ...work, place: `${work.dueAt?.getTime()}` }))],
  ],
])('takes nothing for a way that %s show', (_name, works) =>
  expect(waysOf({ works, letters: [] }, zone).place).toBeNull(),
);

it('counts the school days until letters were answered, and those that were not', () => {
  const letter = (at: string, answeredAt: string | null) => ({
    ...{ at: new Date(at), answeredAt: answeredAt === null ? null : new Date(answeredAt) },
  });
  const letters = [
    letter('2026-10-09T20:00:00Z', '2026-10-13T12:00:00Z'),
    letter('2026-10-19T20:00:00Z', '2026-10-22T12:00:00Z'),
    letter('2026-10-20T20:00:00Z', null),
  ];
  expect(waysOf({ works: [], letters }, zone)).toMatchObject({ answeredDays: 1, letters: 3 });
});

it('names nothing that most assignments do not show', () =>
  void fc.assert(
    fc.property(fc.array(fc.constantFrom('shed', 'folder', 'tray', null), { maxLength: 30 }), (places) => {
      const works = places.map((place) => ({ dueAt: null, place, gradedAt: null }));
      const { place } = waysOf({ works, letters: [] }, zone);
      const named = places.filter((each) => each !== null);
      if (place) expect(named.filter((each) => each === place.name).length).toBeGreaterThan(named.length / 2);
    }),
  ));
