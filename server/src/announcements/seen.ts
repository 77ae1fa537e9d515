import { wantsAnswer } from '@cadro/contract';
import type { AnnouncementSeen, Known } from '@cadro/core';
import { together, type Db } from '../kit';
import { announcementsSince } from '../records';
import * as store from './store';
import { understood } from './wishes';

/** What was announced for several children since an instant, as their households have answered it: two queries. */
export async function announcementsSeen(
  db: Db,
  studentIds: readonly string[],
  since: Date,
): Promise<(studentId: string, householdId: string) => Known<AnnouncementSeen>[]> {
  const [rows, answers] = await together(db, [
    () => announcementsSince(db, studentIds, since),
    () => store.answersAbout(db, studentIds),
  ]);
  const asked = rows.map(understood);
  const answeredAt = new Map(
    answers.map((each) => [`${each.household_id}:${each.student_id}:${each.announcement_id}`, each.at]),
  );
  return (studentId, householdId) =>
    asked.flatMap(({ row, wish, by, helpers }): Known<AnnouncementSeen>[] => {
      if (!row.student_ids.includes(studentId)) return [];
      const at = answeredAt.get(`${householdId}:${studentId}:${row.id}`);
      return [
        {
          knownAtMs: row.known_at.getTime(),
          value: {
            ...{ id: row.id, title: row.title, text: row.text, schoolName: row.school_name },
            ...{ courseId: row.course_id, courseTitle: row.course_title, wish: wish.kind, helpers },
            ...{ wantsAnswer: wantsAnswer(wish), by: by?.toISOString() ?? null, gone: row.gone },
            answeredAtMs: at?.getTime() ?? null,
          },
        },
      ];
    });
}
