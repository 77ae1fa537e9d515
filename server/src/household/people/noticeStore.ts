import type { NoticeKind, Role } from '@cadro/contract';
import type { Db, Trx } from '../../kit';

export interface NoticeRow {
  readonly guardian_id: string;
  readonly id: string;
  readonly student_id: string | null;
  readonly kind: NoticeKind;
  readonly about_id: string | null;
  readonly about_name: string | null;
  readonly about_household: string | null;
  readonly about_shows: boolean | null;
  readonly params: { readonly role?: Role; readonly device?: string };
  readonly at: Date;
  readonly read_at: Date | null;
}

/** So many of the latest are shown. */
const most = 40;

export const noticesOf = (db: Db, guardianId: string): Promise<NoticeRow[]> =>
  db('people_notices as n')
    .leftJoin('guardians as g', 'g.id', 'n.about_id')
    .leftJoin('households as h', 'h.id', 'g.household_id')
    .where({ 'n.guardian_id': guardianId })
    .orderBy('n.seq', 'desc')
    .limit(most)
    .select<NoticeRow[]>(
      'n.*',
      'g.name as about_name',
      'g.household_id as about_household',
      'h.shows_itself as about_shows',
    );

export type NewNotice = Pick<NoticeRow, 'guardian_id' | 'student_id' | 'kind' | 'about_id' | 'at' | 'params'>;

export async function addNotices(trx: Db | Trx, notices: readonly NewNotice[]): Promise<void> {
  if (notices.length === 0) return;
  await trx('people_notices').insert(
    notices.map((notice) => ({ ...notice, params: JSON.stringify(notice.params) })),
  );
}

export async function noticesRead(db: Db, guardianId: string, at: Date): Promise<void> {
  await db('people_notices').where({ guardian_id: guardianId }).whereNull('read_at').update({ read_at: at });
}
