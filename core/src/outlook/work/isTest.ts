import { dayMs } from '../../dates';

/** Whether a work is a test, by what its source calls it; null where it says nothing. */
export const isTest = (kind: string | null): boolean => /test|exam|quiz/i.test(kind ?? '');

/** Whether a work is to be seen weeks ahead: a test, a project, or what was given more than a week. */
export const isSeenEarly = ({
  kind,
  assignedAtMs,
  dueAtMs,
}: {
  readonly kind: string | null;
  readonly assignedAtMs: number;
  readonly dueAtMs: number | null;
}): boolean =>
  isTest(kind) || /project/i.test(kind ?? '') || (dueAtMs !== null && dueAtMs - assignedAtMs > 7 * dayMs);
