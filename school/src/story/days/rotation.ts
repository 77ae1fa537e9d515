import { schoolDaysBefore } from './calendar';
import type { CourseSpec, SchoolSpec } from '../schools/specs';

/** Which day of its rotation a date is at a school; a day without school keeps the next one's. */
export function rotationDayOf({ rotation }: SchoolSpec, date: string): string {
  return rotation[schoolDaysBefore(date) % rotation.length] ?? '';
}

/** When a course meets on a day of the rotation; null when it does not. */
export function periodOn({ period, periodOn: other }: CourseSpec, rotationDay: string): string | null {
  const own = other?.[rotationDay];
  return own === undefined ? period : own;
}
