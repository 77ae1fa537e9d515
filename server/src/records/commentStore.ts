import type { LetterGrade, Offer } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface UnreadComment {
  readonly studentId: string;
  readonly id: string;
  readonly text: string;
  /** What an earlier edition of the readers has read in this very text; null where nobody has read it. */
  readonly readBefore: readonly Offer[] | null;
  readonly writtenAt: Date;
  readonly timeZone: string;
  /** The course's own letters; null where it tells none. */
  readonly letters: readonly LetterGrade[] | null;
  /** The last day of the term it was written in, and the last day on which work of its unit is due. */
  readonly termEndsOn: string | null;
  readonly unitEndsOn: string | null;
}

/**
 * Comments on children that these readers have not looked through for offers, or whose text has changed since.
 * @param edition of the readers.
 */
export const unreadComments = (
  db: Db | Trx,
  studentIds: readonly string[],
  edition: number,
): Promise<UnreadComment[]> =>
  db('comments as m')
    .join('courses as c', 'c.id', 'm.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .whereIn('m.student_id', [...studentIds])
    .whereRaw('(m.offers_of is distinct from m.text or m.offers_edition < ?)', [edition])
    .select<UnreadComment[]>(
      'm.student_id as studentId',
      'm.id',
      'm.text',
      db.raw('case when m.offers_of = m.text then m.offers end as "readBefore"'),
      'm.written_at as writtenAt',
      'sch.time_zone as timeZone',
      db.raw(`c.policy->'letters' as letters`),
      db.raw(
        `(select min(t.ends_on) from course_terms t where t.course_id = m.course_id
          and (m.written_at at time zone sch.time_zone)::date between t.starts_on and t.ends_on) as "termEndsOn"`,
      ),
      db.raw(
        `(select max((u.due_at at time zone sch.time_zone)::date) from items i
          join items u on u.course_id = i.course_id and u.unit = i.unit and not u.removed
          where i.id = m.item_id and u.due_at >= m.written_at) as "unitEndsOn"`,
      ),
    );

/** Keeps what was read out of comments beside them, with the very text it was read from and by which edition. */
export async function keepOffers(
  db: Db | Trx,
  read: readonly { readonly comment: UnreadComment; readonly offers: readonly Offer[] }[],
  edition: number,
): Promise<void> {
  if (read.length === 0) return;
  const rows = read.map(({ comment: { studentId, id, text }, offers }) => ({ studentId, id, text, offers }));
  await db.raw(
    `update comments m set offers = r.offers, offers_of = r.text, offers_edition = ?
     from jsonb_to_recordset(?::jsonb) as r("studentId" uuid, id uuid, text text, offers jsonb)
     where m.student_id = r."studentId" and m.id = r.id`,
    [edition, JSON.stringify(rows)],
  );
}
