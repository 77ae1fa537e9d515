import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { Panes, useWide } from '../../../ui';
import { inCourses } from '../../../places';

const CourseList = inCourses((courses) => courses.CourseList);

/** On a wide screen the list of courses stays beside whatever is open. */
export default function Courses() {
  const { courseId } = useGlobalSearchParams<{ courseId?: string }>();
  const wide = useWide();
  // The comparison needs the whole width.
  if (usePathname() === '/courses/compare' || !wide) return <Slot />;
  return <Panes list={<CourseList {...(courseId ? { selected: courseId } : {})} />} detail={<Slot />} />;
}
