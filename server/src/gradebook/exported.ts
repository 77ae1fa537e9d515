import type { CourseRecord } from '@cadro/contract';
import type { Deps } from '../kit';
import { courseSummaries } from './course/views';
import { openCourse } from './course/openCourse';

/** The whole records of a child's courses of this year, as the household reads them. */
export async function exportedCourses(
  { db, clock }: Deps,
  guardianId: string,
  studentId: string,
): Promise<{ title: string; record: CourseRecord }[]> {
  const now = await clock.now();
  const courses = await courseSummaries(db, { studentIds: [studentId], guardianId, now });
  const found: { title: string; record: CourseRecord }[] = [];
  for (const { id: courseId, title } of courses) {
    const { record } = await openCourse(db, now, { guardianId, studentId, courseId });
    found.push({ title, record });
  }
  return found;
}
