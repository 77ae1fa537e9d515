import type { AlertReason, AlertSubject } from './alerts';

/** The screen of the app where an alert's next step is taken: in the app, and at the end of a link in mail. */
export function placeOfAlert(
  { studentId, courseId }: Pick<AlertSubject, 'studentId' | 'courseId'>,
  reasons: readonly AlertReason[],
): string {
  const [first] = reasons;
  // Of no child: what is about a source leads to where sources stand.
  if (!studentId) return first?.sourceName ? '/settings' : '/brief';
  if (first?.about === 'attendance') return `/days/attendance/${studentId}`;
  if (first?.about === 'term') return `/courses/${studentId}/terms`;
  if (first?.about === 'balance') return '/talk/around';
  if (first?.about === 'school') return `/talk/school/${first.announcementId}`;
  const itemId =
    first?.about === 'work' ? first.work.itemId : first?.about === 'comment' ? first.itemId : null;
  if (courseId && itemId) return `/courses/${studentId}/${courseId}/${itemId}`;
  return courseId ? `/courses/${studentId}/${courseId}` : '/brief';
}
