import { dayMs } from '../../dates';

/** Whether a work is a test, by what its source calls it; null where it says nothing. */
export const isTest = (kind: string | null): boolean => /test|exam|quiz/i.test(kind ?? '');

/**
 * Whether a work is done in class, so that nothing is handed in: as its source says, else by what it calls it.
 * @param told null where the source does not say.
 */
export const isDoneInClass = (kind: string | null, told: boolean | null): boolean =>
  told ??
  (isTest(kind) || /\b(talk|presentation|recital|performance|audition|debate|oral)\b/i.test(kind ?? ''));

/**
 * Whether what stands among the work asks for nothing: an agenda or a notice by its kind, or without points and without
 * a day. It is never part of what is open, of its effort or of a count.
 */
export const isNotice = ({
  kind,
  possible,
  dated,
}: {
  readonly kind: string | null;
  readonly possible: number;
  readonly dated: boolean;
}): boolean => /^(agenda|notice|announcement)$/i.test(kind ?? '') || (possible === 0 && !dated);

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
