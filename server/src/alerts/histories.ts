import { dateIn, type ChildHistory } from '@cadro/core';
import { registersOf } from '../attendance';
import type { Db } from '../db';
import {
  commentsSeen,
  finalGrades,
  historyOfCourse,
  householdViews,
  itemChanges,
  type ItemChange,
  loadCourses,
} from '../gradebook';
import type { Watch } from './watchers';

const dayMs = 24 * 60 * 60 * 1000;
/** No rehearsal begins earlier, and no rule asks of older words. */
const commentDays = 150;

/** The histories of several children as their households read them: fifteen queries, however many children. */
export async function historiesOf(
  db: Db,
  studentIds: readonly string[],
  now: Date,
): Promise<(watch: Watch) => ChildHistory> {
  const [courses, changes, views, comments, grades, registers] = await Promise.all([
    loadCourses(db, studentIds, { removed: true }),
    itemChanges(db, studentIds),
    householdViews(db, studentIds),
    commentsSeen(db, studentIds, new Date(now.getTime() - commentDays * dayMs)),
    finalGrades(db, studentIds),
    registersOf(db, studentIds, dateIn('UTC', now)),
  ]);
  const known = new Map<string, ChildHistory>();
  const changesOf = (studentId: string) => {
    const byItem = new Map<string, ItemChange[]>();
    for (const change of changes) {
      if (change.studentId !== studentId) continue;
      byItem.set(change.itemId, [...(byItem.get(change.itemId) ?? []), change]);
    }
    return byItem;
  };
  return ({ studentId, timeZone, sourceName, settings: { householdId } }) => {
    const key = `${studentId}:${householdId}`;
    const history = known.get(key) ?? {
      studentId,
      timeZone,
      attendanceSource: sourceName,
      courses: courses
        .filter(({ course }) => course.student_id === studentId)
        .map((course) => historyOfCourse(course, views, householdId, changesOf(studentId))),
      comments: comments(studentId, householdId),
      grades: grades(studentId),
      ...registers(studentId, householdId),
    };
    known.set(key, history);
    return history;
  };
}
