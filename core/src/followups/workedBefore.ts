import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { parseISO } from 'date-fns/parseISO';
import type { WorkedBefore } from '@cadro/contract';

/** A follow-up that is settled, as far as it teaches something. */
export interface PastFollowUp {
  readonly title: string;
  readonly courseId: string | null;
  readonly courseTitle: string | null;
  /** Whether the record itself showed that it had worked. */
  readonly byRecord: boolean;
  /** The day it was settled. */
  readonly settledOn: string;
  /** What was done about it, each with its day, the first first. */
  readonly done: readonly { readonly what: WorkedBefore['after']; readonly on: string }[];
}

/**
 * What worked before: of the same course where there is one, else of any; the latest, by what was done last before it
 * worked. Null where nothing has worked yet, or nobody did anything.
 */
export function workedBefore(
  past: readonly PastFollowUp[],
  { courseId }: { readonly courseId: string | null },
): WorkedBefore | null {
  const worked = past.filter(({ byRecord, done }) => byRecord && done.length > 0);
  const sorted = [...worked].sort((a, b) => b.settledOn.localeCompare(a.settledOn));
  const found = sorted.find((each) => courseId !== null && each.courseId === courseId) ?? sorted[0];
  const last = found?.done.findLast(({ on }) => on <= found.settledOn);
  if (!found || !last) return null;
  const { title, courseTitle, settledOn } = found;
  return {
    title,
    courseTitle,
    after: last.what,
    days: differenceInCalendarDays(parseISO(settledOn), parseISO(last.on)),
  };
}
