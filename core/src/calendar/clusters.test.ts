import { clustersOf, type DueThing } from '.';

const thing = (layer: string, more: Partial<DueThing> = {}): DueThing => ({
  ...{ layer, studentIds: ['c'], on: '2026-10-22', settled: false },
  ...more,
});
it.each<[string, DueThing[], object[]]>([
  ['four works are none', [1, 2, 3, 4].map(() => thing('due')), []],
  [
    'five works are',
    [1, 2, 3, 4, 5].map(() => thing('due')),
    [{ studentId: 'c', on: '2026-10-22', count: 5, tests: 0 }],
  ],
  [
    'two tests are',
    [thing('test'), thing('test')],
    [{ studentId: 'c', on: '2026-10-22', count: 2, tests: 2 }],
  ],
  ['what is settled is not counted', [thing('test'), thing('test', { settled: true })], []],
  ['events are not counted', [thing('test'), thing('school'), thing('own')], []],
  ['each child by itself', [thing('test'), thing('test', { studentIds: ['d'] })], []],
  [
    'in the order of days',
    [
      ...[1, 2].map(() => thing('test', { on: '2026-10-30' })),
      ...[1, 2].map(() => thing('test', { on: '2026-10-23', studentIds: ['c', 'd'] })),
    ],
    [
      { studentId: 'c', on: '2026-10-23', count: 2, tests: 2 },
      { studentId: 'd', on: '2026-10-23', count: 2, tests: 2 },
      { studentId: 'c', on: '2026-10-30', count: 2, tests: 2 },
    ],
  ],
])('%s', (_name, events, expected) => expect(clustersOf(events)).toEqual(expected));
