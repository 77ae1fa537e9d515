import type { PartOfRecord } from './parts';

/** The courses that are meant, as a statement has them: `student_id` and `course_id`, which is null for all of a child's. */
export const coursesMeant = (
  parts: readonly PartOfRecord[],
): { readonly sql: string; readonly bindings: [string[], string[]] } => {
  const pairs = parts.flatMap(({ studentId, courses }) =>
    (courses ?? [null]).map((courseId): [string, string | null] => [studentId, courseId]),
  );
  return {
    sql: 'unnest(?::uuid[], ?::uuid[]) as meant(student_id, course_id)',
    // The driver takes null in a list, though its types do not say so.
    bindings: [pairs.map(([studentId]) => studentId), pairs.map(([, courseId]) => courseId) as string[]],
  };
};
/** Whether a row is of a course that is meant. @param row a table with `student_id` and `course_id`. */
export const isMeant = (row: string): string =>
  `meant.student_id = ${row}.student_id and (meant.course_id is null or meant.course_id = ${row}.course_id)`;

/** One course of a child, the same each time: by it, children of one class stand together. @param student a column. */
export const aCourseOf = (student: string): string =>
  `(select e.course_id from enrolments e where e.student_id = ${student} order by e.course_id limit 1)`;
