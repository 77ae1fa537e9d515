import type { CourseRecord, LooseEndKind, Outcome } from '@cadro/contract';
import { normaliseCourse, standingsAt } from '../gradebook';
import { kindOf } from '../outlook';

export interface Verdict {
  /** Set when the record itself says that the matter is over. */
  readonly outcome: Outcome | null;
  /** What the work is still open as; null when it is no loose end (it may be handed in and waiting). */
  readonly stillKind: LooseEndKind | null;
}

/**
 * Did it work? Compares what a follow-up was taken up for with how the work stands at the record's instant.
 * Settled means scored or excused and no longer a loose end. Example: was overdue, now 17 of 20.
 * @param was the loose end it was taken up for.
 */
export function followUpVerdict(record: CourseRecord, itemId: string, was: LooseEndKind): Verdict {
  const course = normaliseCourse(record);
  const standing = standingsAt(course, course.asOfMs).find(({ item }) => item.id === itemId);
  if (!standing) return { outcome: null, stillKind: null };
  const stillKind = kindOf(standing, course);
  const { status, earned, item } = standing;
  const over = stillKind === null && (status === 'excused' || (status === 'scored' && earned !== null));
  return {
    stillKind,
    outcome: over ? { by: 'record', was, status, earned, possible: item.possible } : null,
  };
}

/** Whether a work has a score at the record's instant. */
export function isGraded(record: CourseRecord, itemId: string): boolean {
  const course = normaliseCourse(record);
  const standing = standingsAt(course, course.asOfMs).find(({ item }) => item.id === itemId);
  return standing?.status === 'scored' && standing.earned !== null;
}
