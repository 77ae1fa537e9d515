import { CourseList, CourseView, useMostAtStake } from '../../../gradebook';
import { Loading, useWide } from '../../../ui';

export default function CoursesStart() {
  const wide = useWide();
  const course = useMostAtStake();
  if (!wide) return <CourseList />;
  return course ? <CourseView studentId={course.studentId} courseId={course.id} /> : <Loading />;
}
