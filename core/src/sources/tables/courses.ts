import { isBlank } from './cells';
import { headingOf } from './columns';
import type { Grid } from './grid';
import { isSum, meansOf, plain } from './words';

/** A course as a list of them names it; empty is not said. */
export interface TableCourse {
  readonly row: number;
  readonly title: string;
  readonly teacher: string;
  readonly email: string;
}

const teacher = /\b(teachers?|instructors?|maestr[oa]s?|profesor(es|a|as)?|docentes?)\b/;
const email = /\b(e ?mail|correo)\b/;
/** A table with one of these is one of assignments. */
const ofWork = new Set(['title', 'due', 'assigned', 'category', 'possible', 'earned']);

/** Reads a list of courses, one in a row; null where it is none. */
export function readCourses(grid: Grid): TableCourse[] | null {
  const { at, from, headers } = headingOf(grid);
  if (at < 0) return null;
  const means = headers.map((header) => (teacher.test(plain(header)) ? null : meansOf(header)));
  const title = means.indexOf('course');
  if (title < 0 || means.some((each) => each !== null && ofWork.has(each))) return null;
  const place = (pattern: RegExp) => headers.findIndex((header) => pattern.test(plain(header)));
  const [by, written] = [place(teacher), place(email)];
  const cell = (row: readonly string[], column: number) =>
    isBlank(row[column] ?? '') ? '' : (row[column] ?? '').trim();
  const found = grid.slice(from).flatMap((row, index): TableCourse[] => {
    const name = cell(row, title).slice(0, 120);
    if (name === '' || isSum(name, false)) return [];
    const address = cell(row, written);
    return [
      {
        row: from - at + 1 + index,
        title: name,
        teacher: cell(row, by).slice(0, 120),
        email: /^\S+@\S+\.\S+$/.test(address) ? address : '',
      },
    ];
  });
  // One that is named again and again is what its work is of, or its lessons.
  const names = new Set(found.map((each) => plain(each.title)));
  if (names.size === 0 || names.size < 0.6 * found.length) return null;
  return found.filter(
    (each, index) => found.findIndex((other) => plain(other.title) === plain(each.title)) === index,
  );
}
