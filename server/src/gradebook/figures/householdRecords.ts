import type { CourseRecord } from '@cadro/contract';
import { householdRecord, type HouseholdView } from '@cadro/core';
import { together, type Db } from '../../kit';
import { loadCourses } from '../../records';
import { asHouseholdHas, householdsIn } from './accounts';
import { householdViews } from './householdStore';
import { termRecordsOf, type TermRecord } from './termRecords';

/** A course of a child in one of its terms, as a household reads it. */
export interface HouseholdTerm extends TermRecord {
  readonly studentId: string;
  /** As the sources say, the household's own among them; `record` is as the household reads it. */
  readonly published: CourseRecord;
  readonly view: HouseholdView;
  /** As the source alone says, without what the household has of its own; null where it has nothing in the course. */
  readonly alone: CourseRecord | null;
}

/**
 * The courses of several children as one household reads them, as of an instant: seven queries, however many children
 * and courses. Courses whose policy the source has not told yet are left out. Every page that shows a figure that is not
 * stored starts here.
 * @param ask.everyTerm one record for each term of a course, by date; by default only the one it stands in.
 */
export async function householdRecords(
  db: Db,
  ask: {
    readonly studentIds: readonly string[];
    readonly householdId: string;
    readonly asOf: Date;
    readonly courseId?: string;
    readonly everyTerm?: true;
  },
): Promise<HouseholdTerm[]> {
  const { studentIds, householdId, asOf, courseId, everyTerm } = ask;
  const [courses, views] = await together(db, [
    () =>
      loadCourses(
        db,
        studentIds.map((studentId) => ({
          ...{ studentId, courses: courseId === undefined ? null : [courseId], attendance: false },
        })),
      ),
    () => householdViews(db, studentIds),
  ]);
  return courses.flatMap((loaded) => {
    const { id, student_id } = loaded.course;
    const view = views.of(householdId, student_id, id);
    const alone = householdsIn(loaded).includes(householdId)
      ? termRecordsOf(asHouseholdHas(loaded, null), asOf, everyTerm ?? false)
      : [];
    return termRecordsOf(asHouseholdHas(loaded, householdId), asOf, everyTerm ?? false).map((term) => ({
      ...term,
      studentId: student_id,
      published: term.record,
      view,
      record: householdRecord(term.record, view),
      alone: alone.find((each) => each.term.id === term.term.id)?.record ?? null,
    }));
  });
}
