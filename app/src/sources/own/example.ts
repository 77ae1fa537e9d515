import type { CourseRecord, OwnRules } from '@cadro/contract';
import { courseAnswer } from '@cadro/core';
import { ownPolicy } from '@cadro/core/own';

const at = '2026-10-05T12:00:00Z';
/** Two assignments that have their scores, and one that was not turned in. */
export const works = [
  { id: 'quiz', categoryId: 'small', possible: 20, earned: 18 },
  { id: 'project', categoryId: 'large', possible: 50, earned: 40 },
  { id: 'page', categoryId: 'small', possible: 10, earned: null },
] as const;

/** The example, reckoned as the course itself will be. */
export function exampleOf(rules: OwnRules) {
  const record: CourseRecord = {
    ...{ id: 'example', asOf: '2026-10-20T12:00:00Z' },
    policy: ownPolicy({ ...rules, termEnd: '2026-12-18T23:59:00Z' }),
    categories: [
      { id: 'small', weight: 40 },
      { id: 'large', weight: 60 },
    ],
    items: works.map(({ id, categoryId, possible }) => ({
      id,
      categoryId,
      possible,
      assignedAt: at,
      dueAt: at,
    })),
    results: works.map(({ id, earned }) =>
      earned === null
        ? { itemId: id, at, status: 'missing' as const }
        : { itemId: id, at, status: 'scored' as const, earned },
    ),
  };
  const { posted, letter } = courseAnswer(record, { targets: [] });
  return { posted, letter, outOf: record.policy.outOf ?? 100 };
}
