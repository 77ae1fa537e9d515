import type { Child } from '@cadro/contract';
import { plainTitle } from '@cadro/core/own';
import type { TableRow } from '@cadro/core/tables';

/** The rows of a table that go into one course. */
export interface Group {
  /** As the table calls it; null where it names none. */
  readonly course: string | null;
  readonly rows: readonly TableRow[];
}

/**
 * The rows of a child, course by course. A table that names several children has rows of others: those whose name is not
 * the child's are left out; where none of its names is the child's, it is taken to be of this child alone.
 */
export function groupsOf(
  rows: readonly TableRow[],
  child: Pick<Child, 'givenName' | 'familyName'>,
): { readonly groups: readonly Group[]; readonly others: number } {
  const own = plainTitle(child.givenName);
  const isOwn = ({ student }: TableRow) => student === null || plainTitle(student).split(' ').includes(own);
  const named = rows.filter(({ student }) => student !== null);
  const kept = named.some(isOwn)
    ? rows.filter(isOwn)
    : new Set(named.map(({ student }) => student)).size > 1
      ? []
      : rows;
  const courses = [...new Set(kept.map(({ course }) => course))];
  return {
    groups: courses.map((course) => ({ course, rows: kept.filter((row) => row.course === course) })),
    others: rows.length - kept.length,
  };
}

/** The course that a table's name for one is most likely about; null for none that is known. */
export function likelyCourse(
  name: string | null,
  courses: readonly { readonly id: string; readonly title: string }[],
): string | null {
  if (name === null) return null;
  const plain = plainTitle(name);
  const exact = courses.find(({ title }) => plainTitle(title) === plain);
  const near = courses.filter(({ title }) => {
    const own = plainTitle(title);
    return own.startsWith(plain) || plain.startsWith(own);
  });
  return exact?.id ?? (near.length === 1 ? (near[0]?.id ?? null) : null);
}
