import { OwnWords } from '../desk';
import { CourseList, CourseView, ItemView, useMostAtStake } from '../gradebook';
import { Loading, useWide } from '../ui';

export { TermScreen } from '../outlook';

export { CourseList, CourseView, PolicyView, ReportCards, SideBySide, TermsView } from '../gradebook';

/** On a wide screen, beside the list, the course with the most at stake. */
export function CoursesStart() {
  const wide = useWide();
  const course = useMostAtStake();
  if (!wide) return <CourseList />;
  return course ? <CourseView studentId={course.studentId} courseId={course.id} /> : <Loading />;
}

/** An assignment, with what its child has said of it. */
export const Assignment = (asked: { studentId: string; courseId: string; itemId: string }) => (
  <ItemView key={asked.itemId} {...asked} own={<OwnWords itemId={asked.itemId} />} />
);
