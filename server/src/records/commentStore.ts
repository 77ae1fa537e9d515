import type { Offer } from '@cadro/contract';
import type { Db, Trx } from '../kit';

export interface UnreadComment {
  readonly studentId: string;
  readonly id: string;
  readonly text: string;
  readonly writtenAt: Date;
  readonly timeZone: string;
}

/** Comments on children that nobody has looked through for offers, or whose text has changed since. */
export const unreadComments = (db: Db | Trx, studentIds: readonly string[]): Promise<UnreadComment[]> =>
  db('comments as m')
    .join('courses as c', 'c.id', 'm.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id')
    .whereIn('m.student_id', [...studentIds])
    .whereRaw('m.offers_of is distinct from m.text')
    .select<UnreadComment[]>(
      'm.student_id as studentId',
      'm.id',
      'm.text',
      'm.written_at as writtenAt',
      'sch.time_zone as timeZone',
    );

/** Keeps what was read out of comments beside them, with the very text it was read from: one statement. */
export async function keepOffers(
  db: Db | Trx,
  read: readonly { readonly comment: UnreadComment; readonly offers: readonly Offer[] }[],
): Promise<void> {
  if (read.length === 0) return;
  const rows = read.map(({ comment: { studentId, id, text }, offers }) => ({ studentId, id, text, offers }));
  await db.raw(
    `update comments m set offers = r.offers, offers_of = r.text
     from jsonb_to_recordset(?::jsonb) as r("studentId" uuid, id uuid, text text, offers jsonb)
     where m.student_id = r."studentId" and m.id = r.id`,
    [JSON.stringify(rows)],
  );
}
