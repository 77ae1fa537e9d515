import { dayMs } from '../../../dates';
import type { UpkeepFacts } from '../rule';

/** What is about the guardian and about no child. */
export const ofNobody = { kind: 'upkeep', studentId: null, courseId: null, courseTitle: null } as const;

/** Whole days since an instant. */
export const daysSince = ({ asOfMs }: UpkeepFacts, at: string): number =>
  Math.floor((asOfMs - Date.parse(at)) / dayMs);
