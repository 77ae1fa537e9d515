import type { AlertReason, AlertSubject } from '@cadro/contract';

/** The screen of the app where an alert's next step is taken. */
export function placeOf({ studentId, courseId }: AlertSubject, reasons: readonly AlertReason[]): string {
  const [first] = reasons;
  if (!studentId) return '/settings';
  if (first?.about === 'attendance') return `/days/attendance/${studentId}`;
  if (first?.about === 'term') return `/courses/${studentId}/terms`;
  const itemId =
    first?.about === 'work' ? first.work.itemId : first?.about === 'comment' ? first.itemId : null;
  if (courseId && itemId) return `/courses/${studentId}/${courseId}/${itemId}`;
  return courseId ? `/courses/${studentId}/${courseId}` : '/brief';
}
