import type { CourseRecord } from '@cadro/contract';
import {
  exists,
  normaliseCourse,
  replay,
  standingsOf,
  SumTally,
  type Course,
  type Standing,
} from '../../gradebook';

/** A course of points or weights, opened for questions: its sums stand at the posted figure. */
export interface OpenedCourse {
  readonly course: Course;
  readonly tally: SumTally;
  /** Of every item of the record. */
  readonly all: readonly Standing[];
  /** Of the items that exist now. */
  readonly standings: readonly Standing[];
  /** On the course's scale; null while there is nothing to sum. */
  readonly figure: () => number | null;
}

/** Null in standards courses, which have no sums. */
export function openSums(record: CourseRecord): OpenedCourse | null {
  const course = normaliseCourse(record);
  if (course.policy.method === 'standards') return null;
  const tally = new SumTally(course);
  const { last } = replay(course, tally, { instantsMs: [], sinceMs: Infinity });
  const all = standingsOf(course, last);
  return {
    course,
    tally,
    all,
    standings: all.filter((standing) => exists(standing, course.asOfMs)),
    figure: () => {
      const fraction = tally.fraction();
      return fraction === null ? null : fraction * course.policy.outOf;
    },
  };
}
