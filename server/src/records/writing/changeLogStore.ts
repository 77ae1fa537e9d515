import type { Trx } from '../../kit';

/** What kind of record differed from what was known. */
export const changeKinds = ['result', 'work', 'course', 'comment', 'mark', 'grade'] as const;
export type ChangeKind = (typeof changeKinds)[number];

export interface Change {
  readonly kind: ChangeKind;
  /** Null for what concerns everyone in the course. */
  readonly studentId: string | null;
  readonly courseId: string | null;
  readonly itemId: string | null;
  /** When the source changed it, where it says so; else the instant of the sync stands for it. */
  readonly at: string | null;
  /** The columns that differed; null for a new record. */
  readonly before: Record<string, unknown> | null;
  /** Null for a record that was taken back. */
  readonly after: Record<string, unknown> | null;
}

/**
 * Writes what differed into the log of each child it concerns.
 * @param householdId whose it is, where a household has written it itself.
 */
export async function logChanges(
  trx: Trx,
  changes: readonly Change[],
  now: Date,
  householdId: string | null = null,
): Promise<void> {
  if (changes.length === 0) return;
  await trx.raw(
    `insert into change_log (student_id, at, kind, course_id, item_id, before, after, household_id)
     select coalesce(c."studentId", e.student_id), coalesce(c.at, :now), c.kind, c."courseId", c."itemId", c.before, c.after,
       :householdId::uuid
     from jsonb_to_recordset(:changes::jsonb) as c(
       kind text, "studentId" uuid, "courseId" uuid, "itemId" uuid, at timestamptz, before jsonb, after jsonb)
     left join enrolments e on c."studentId" is null and e.course_id = c."courseId" and e.active
     where coalesce(c."studentId", e.student_id) is not null`,
    { changes: JSON.stringify(changes), now, householdId },
  );
}
