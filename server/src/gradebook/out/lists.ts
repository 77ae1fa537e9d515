import { scaleOf } from '@cadro/core';
import type { OutChild, OutCourse } from '@cadro/core/out';

/** A list as its rows, the heading first; an amount is a number, and what is not said is null. */
export interface OutList {
  readonly name: string;
  readonly rows: readonly (readonly (string | number | null)[])[];
}

const heading = ['assignment', 'category', 'due', 'status', 'earned', 'possible', 'late', 'comment'] as const;

/** The assignments of a course, one a row. */
function assignments({ record, remarks }: OutCourse): (string | number | null)[][] {
  const last = new Map((record.results ?? []).map((result) => [result.itemId, result]));
  const titles = new Map((record.categories ?? []).map(({ id, title }) => [id, title ?? '']));
  return (record.items ?? []).map((item) => {
    const result = last.get(item.id);
    return [
      ...[item.title ?? '', titles.get(item.categoryId) ?? '', item.dueAt ?? null, result?.status ?? 'open'],
      ...[
        result?.earned ?? null,
        item.possible,
        result?.late === true ? 'yes' : 'no',
        remarks.get(item.id) ?? null,
      ],
    ];
  });
}

/** Every course with its assignments, as a list of its own. */
export const courseLists = (children: readonly OutChild[]): OutList[] =>
  children.flatMap(({ givenName, courses }) =>
    courses.map((course) => ({
      name: `${givenName} ${course.title}`,
      rows: [[...heading], ...assignments(course)],
    })),
  );

/** The courses of all children, with how they are graded. */
export const courseList = (children: readonly OutChild[]): OutList => ({
  name: 'courses',
  rows: [
    ['child', 'school', 'course', 'teacher', 'period', 'room', 'method', 'out of', 'assignments'],
    ...children.flatMap(({ givenName, school, courses }) =>
      courses.map(({ title, teacher, period, room, record }) => [
        ...[givenName, school.name, title, teacher?.name ?? null, period, room, record.policy.method],
        ...[scaleOf(record.policy).outOf, (record.items ?? []).length],
      ]),
    ),
  ],
});

/** The assignments of all children in one list. */
export const workList = (children: readonly OutChild[]): OutList => ({
  name: 'assignments',
  rows: [
    ['child', 'course', ...heading],
    ...children.flatMap(({ givenName, courses }) =>
      courses.flatMap((course) => assignments(course).map((row) => [givenName, course.title, ...row])),
    ),
  ],
});
