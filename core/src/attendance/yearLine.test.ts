import fc from 'fast-check';
import { yearLine } from './yearLine';

const there = { kind: 'present', excused: false } as const;
const absent = { kind: 'absent', excused: false } as const;
const excused = { kind: 'absent', excused: true } as const;

it('says of each school day how much of it was missed, the earliest first', () => {
  const line = yearLine([
    { on: '2026-10-21', marks: [there, absent, absent, there] },
    { on: '2026-10-20', marks: [excused, excused] },
    { on: '2026-10-19', marks: [there, { kind: 'tardy', excused: false }] },
    { on: '2026-10-12', marks: [{ kind: 'closed', excused: false }] },
  ]);
  expect(line).toEqual([
    { on: '2026-10-19', missed: 0, unexplained: false, late: true },
    { on: '2026-10-20', missed: 1, unexplained: false, late: false },
    { on: '2026-10-21', missed: 0.5, unexplained: true, late: false },
  ]);
});

it.each([
  ['a trip', 'activity'],
  ['a code nobody has explained', null],
] as const)('%s is no absence', (_name, kind) => {
  expect(yearLine([{ on: '2026-10-21', marks: [{ kind, excused: false }] }])[0]).toMatchObject({ missed: 0 });
});

it('never misses more than a whole day, and misses none without an absence', () => {
  const mark = fc.record({
    kind: fc.constantFrom('present', 'absent', 'tardy', 'activity', 'closed', null),
    excused: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(mark, { maxLength: 9 }), (marks) => {
      const [day] = yearLine([{ on: '2026-10-21', marks }]);
      const some = marks.some(({ kind }) => kind === 'absent');
      expect(day ? day.missed > 0 : false).toBe(some);
      expect(day?.missed ?? 0).toBeLessThanOrEqual(1);
    }),
  );
});
