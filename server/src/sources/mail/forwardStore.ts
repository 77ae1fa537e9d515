import type { MailProposal } from '@cadro/contract';
import type { Db } from '../../kit';

export interface MailRow {
  readonly id: string;
  readonly household_id: string;
  readonly came_at: Date;
  readonly sender: string;
  readonly subject: string;
  readonly text: string;
  readonly proposals: readonly MailProposal[];
  readonly state: 'new' | 'placed' | 'dropped';
  readonly student_id: string | null;
  readonly course_id: string | null;
}

export async function addMail(db: Db, mail: Omit<MailRow, 'id' | 'state'>): Promise<void> {
  await db('forwarded_mails').insert({ ...mail, proposals: JSON.stringify(mail.proposals) });
}

/** So many are shown and kept. */
const most = 100;

export const mailsOf = (db: Db, householdId: string): Promise<MailRow[]> =>
  db<MailRow>('forwarded_mails')
    .where({ household_id: householdId })
    .whereNot({ state: 'dropped' })
    .orderByRaw(`state = 'placed', seq desc`)
    .limit(most);

export const mailById = (db: Db, householdId: string, id: string): Promise<MailRow | undefined> =>
  db<MailRow>('forwarded_mails')
    .where({ id, household_id: householdId })
    .whereNot({ state: 'dropped' })
    .first();

export async function placeMail(
  db: Db,
  id: string,
  { studentId, courseId }: { readonly studentId: string; readonly courseId: string | null },
): Promise<void> {
  await db('forwarded_mails')
    .where({ id })
    .update({ state: 'placed', student_id: studentId, course_id: courseId });
}

export const dropMail = async (db: Db, householdId: string, id: string): Promise<boolean> =>
  (await db('forwarded_mails').where({ id, household_id: householdId }).delete()) > 0;

/** Whose the last mail of a sender was, where somebody has said it. */
export const lastPlaceOf = (
  db: Db,
  householdId: string,
  sender: string,
): Promise<{ student_id: string; course_id: string | null } | undefined> =>
  db('forwarded_mails')
    .where({ household_id: householdId, sender, state: 'placed' })
    .whereNotNull('student_id')
    .orderBy('seq', 'desc')
    .first('student_id', 'course_id');
