import { Slot, useGlobalSearchParams } from 'expo-router';
import { CourseList } from '../../../gradebook';
import { Loading, Panes, useWide } from '../../../ui';

/** On a wide screen the list of courses stays beside whatever is open. */
export default function Courses() {
  const { courseId } = useGlobalSearchParams<{ courseId?: string }>();
  if (!useWide()) return <Slot />;
  return <Panes list={<CourseList {...(courseId ? { selected: courseId } : {})} />} detail={<Slot />} />;
}

/** While a screen's code is on its way. */
export const SuspenseFallback = () => <Loading />;
