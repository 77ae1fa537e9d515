import type { CourseSpec } from './schools/specs';
import type { SpecialResult } from './specialItem';

/* Parts of a school's records that are written alike in more than one place. */

export const mailOf = ({ teacher }: CourseSpec): string =>
  `${teacher.givenName[0]}.${teacher.familyName}@quay-schools.example`.toLowerCase();
export const teacherId = ({ teacher }: CourseSpec): string => `t-${teacher.familyName.toLowerCase()}`;
export const itemId = (course: CourseSpec, key: string): string => `${course.id}-${key}`;

export const resultRow = (result: Omit<SpecialResult, 'at'>): Record<string, unknown> => ({
  scoreStatus: result.status,
  ...(result.score === undefined ? {} : { score: result.score }),
  ...(result.text ? { textScore: result.text } : {}),
  ...(result.missing ? { missing: 'true' } : {}),
  ...(result.incomplete ? { incomplete: 'true' } : {}),
  ...(result.late ? { late: 'true' } : {}),
});

/** How the standard names another record. */
export const ref = (sourcedId: string, type: string) => ({ sourcedId, type, href: `${type}s/${sourcedId}` });
