import type { CourseAnswer, CourseRecord } from '@cadro/contract';
import { courseAnswer } from '../courseAnswer';

/** A score somebody tries out, in points of the work; whatever stands there now is as if it were not. */
export interface TriedScore {
  readonly itemId: string;
  readonly earned: number;
}

/** The record as it would be with these scores, marked at its instant. */
export const withScores = (record: CourseRecord, scores: readonly TriedScore[]): CourseRecord => ({
  ...record,
  results: [
    ...(record.results ?? []),
    ...scores.map(({ itemId, earned }) => ({ itemId, at: record.asOf, status: 'scored' as const, earned })),
  ],
});

/** What the course would say with these scores, and what the targets would then ask for. */
export const tryOut = (
  record: CourseRecord,
  scores: readonly TriedScore[],
  targets: readonly number[],
): CourseAnswer => courseAnswer(withScores(record, scores), { targets });
