import { Slot, useGlobalSearchParams, usePathname } from 'expo-router';
import { Panes, useWide } from '../../../ui';
import { inCourses } from '../../../places';

const CourseList = inCourses((courses) => courses.CourseList);

/** On a wide screen the list of courses stays beside whatever is open. */
export default function Courses() {
  const { courseId } = useGlobalSearchParams<{ courseId?: string }>();
  const wide = useWide();
  const path = usePathname();
  // The comparison and the picture of a term need the whole width.
  if (path === '/courses/compare' || path.endsWith('/term') || !wide) return <Slot />;
  return <Panes list={<CourseList {...(courseId ? { selected: courseId } : {})} />} detail={<Slot />} />;
}
