import type { CourseRecord, ResultRecord } from '@cadro/contract';
import { decidedSince } from '..';

const end = '2026-11-07T03:59:00Z';
const record = (results: ResultRecord[], asOf = '2026-11-12T19:40:00Z'): CourseRecord => ({
  id: 'c',
  asOf,
  policy: { method: 'points', termEnd: end },
  categories: [{ id: 'all' }],
  items: [
    { id: 'map', title: 'Map key', categoryId: 'all', possible: 20, dueAt: '2026-10-13T18:00:00Z' },
    { id: 'quiz', title: 'Quiz', categoryId: 'all', possible: 10, dueAt: '2026-10-14T18:00:00Z' },
  ],
  results,
});
const result = (
  itemId: string,
  at: string,
  status: ResultRecord['status'],
  earned: number | null = null,
) => ({
  ...{ itemId, at, status, earned },
});

it.each<[string, ResultRecord[], unknown[]]>([
  [
    'incomplete on the last day, scored since',
    [
      result('map', '2026-10-15T18:00:00Z', 'incomplete'),
      result('map', '2026-11-09T14:00:00Z', 'scored', 11),
    ],
    [{ itemId: 'map', title: 'Map key', was: 'incomplete', status: 'scored', earned: 11, possible: 20 }],
  ],
  [
    'missing on the last day, excused since',
    [result('map', '2026-10-15T18:00:00Z', 'missing'), result('map', '2026-11-09T14:00:00Z', 'excused')],
    [{ itemId: 'map', title: 'Map key', was: 'missing', status: 'excused', earned: null, possible: 20 }],
  ],
  ['left as it was', [result('map', '2026-10-15T18:00:00Z', 'incomplete')], []],
  ['scored before the end', [result('map', '2026-10-15T18:00:00Z', 'scored', 11)], []],
  [
    'a score that was put right afterwards',
    [
      result('map', '2026-10-15T18:00:00Z', 'scored', 11),
      result('map', '2026-11-09T14:00:00Z', 'scored', 12),
    ],
    [],
  ],
])('what was %s', (_name, results, decided) => {
  const quiz = result('quiz', '2026-10-16T18:00:00Z', 'scored', 9);
  expect(decidedSince(record([...results, quiz]), end)).toEqual(decided);
});
