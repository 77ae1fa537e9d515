/** What is meant of a child's record: all of it, or some of its courses and, where it is said, its attendance. */
export interface PartOfRecord {
  readonly studentId: string;
  /** Null for all of the record. */
  readonly courses: readonly string[] | null;
  readonly attendance: boolean;
}

export const wholeOf = (studentIds: readonly string[]): PartOfRecord[] =>
  studentIds.map((studentId) => ({ studentId, courses: null, attendance: true }));

export const isWhole = ({ courses }: PartOfRecord): boolean => courses === null;
/** Whether any course is meant. */
export const hasCourses = ({ courses }: PartOfRecord): boolean => courses === null || courses.length > 0;
export const studentsIn = (parts: readonly PartOfRecord[]): string[] =>
  parts.map(({ studentId }) => studentId);

/** Of each child one part, in which all that is meant of it lies. */
export function joined(parts: readonly PartOfRecord[]): PartOfRecord[] {
  const found = new Map<string, PartOfRecord>();
  for (const part of parts) {
    const known = found.get(part.studentId);
    found.set(
      part.studentId,
      known
        ? {
            studentId: part.studentId,
            courses:
              known.courses && part.courses && [...new Set([...known.courses, ...part.courses])].sort(),
            attendance: known.attendance || part.attendance,
          }
        : part,
    );
  }
  return [...found.values()];
}
