import type { ResultStatus } from '@cadro/contract';
import { lagMs } from '../../lag';

/** What one source says of a work, and since when. */
export interface Said {
  readonly status: ResultStatus;
  readonly earned: number | null;
  /** Milliseconds since 1970; null when it has never said anything. */
  readonly atMs: number | null;
}

/** Two sources tell a work differently: while marks may still be on their way it is doubtful, later they stand apart. */
export type Doubt = 'doubtful' | 'apart';

const isBlank = ({ status, earned }: Said): boolean =>
  status === 'missing' ||
  status === 'open' ||
  status === 'incomplete' ||
  (status === 'scored' && earned === 0);

/**
 * Whether the classroom knows of work that the gradebook does not: handed in or marked there, blank or missing here.
 * Null where both agree, and where the gradebook has spoken after the classroom, which it has the last word over.
 */
export function doubtOf(gradebook: Said, classroom: Said | null, asOfMs: number): Doubt | null {
  if (!classroom || classroom.atMs === null || !isBlank(gradebook)) return null;
  const knows =
    classroom.status === 'handed-in' || (classroom.status === 'scored' && (classroom.earned ?? 0) > 0);
  if (!knows) return null;
  const spokenSince = gradebook.atMs !== null && gradebook.atMs - classroom.atMs > lagMs;
  if (spokenSince) return 'apart';
  return asOfMs - classroom.atMs <= lagMs ? 'doubtful' : 'apart';
}
