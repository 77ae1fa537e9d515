import type { Child } from '@cadro/contract';
import type { AskFacts } from '@cadro/core';
import { householdOf } from '../household';
import type { Db } from '../kit';
import { announcementsOf } from '../records';
import * as store from './store';
import { isOpen, understood } from './wishes';

/** What the schools want to hear of some children, with a last day, and have not: of what this guardian has not put away. */
export async function openAsks(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  now: Date,
): Promise<AskFacts[]> {
  if (children.length === 0) return [];
  const ids = children.map(({ id }) => id);
  const asks = (await announcementsOf(db, ids))
    .map(understood)
    .filter((ask) => ask.by !== null && isOpen(ask, now));
  const asked = asks.map(({ row }) => row.id);
  if (asked.length === 0) return [];
  const { id: householdId } = await householdOf(db, guardianId);
  const [answers, states] = await Promise.all([
    store.answersOf(db, householdId, asked),
    store.statesOf(db, guardianId, asked),
  ]);
  const away = new Set(states.flatMap((each) => (each.archived ? [each.announcement_id] : [])));
  const answered = new Set(answers.map((each) => `${each.announcement_id}:${each.student_id}`));
  return asks.flatMap(({ row, wish, by, helpers }): AskFacts[] =>
    away.has(row.id) || by === null
      ? []
      : row.student_ids
          .filter((studentId) => !answered.has(`${row.id}:${studentId}`))
          .map((studentId) => ({
            ...{ announcementId: row.id, studentId, title: row.title, schoolName: row.school_name },
            ...{ courseTitle: row.course_title, wish: wish.kind, by: by.toISOString(), helpers },
          })),
  );
}
