import type { Language } from '@cadro/contract';
import type { AccountLetter } from '@cadro/core';
import { addJobs, type Db, type Job, type Trx } from '../../kit';

export interface AccountMailRow {
  readonly id: string;
  readonly guardian_id: string | null;
  readonly address: string;
  readonly language: Language;
  readonly kind: AccountLetter['kind'];
  readonly params: Record<string, string>;
  readonly made_at: Date;
}

const mailJob = (mailId: string): Job => ({
  task: 'accountMail',
  payload: { mailId },
  key: `account-mail:${mailId}`,
});

/** Whom a mail about an account goes to. */
interface Addressee {
  readonly id: string | null;
  readonly email: string;
  readonly language: Language;
}

/** Puts a mail about an account down to be sent, in the transaction that gives the reason for it. @returns its id. */
export async function wantAccountMail(
  db: Db | Trx,
  to: Addressee,
  { kind, params = {} }: { kind: AccountLetter['kind']; params?: Record<string, string> },
  now: Date,
): Promise<string> {
  const [row] = await db('account_mails')
    .insert({
      ...{ guardian_id: to.id, address: to.email, language: to.language, kind },
      ...{ params: JSON.stringify(params), made_at: now },
    })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('a mail just written has no id');
  await addJobs(db, [mailJob(row.id)]);
  return row.id;
}

export const waitingMail = (db: Db, id: string): Promise<AccountMailRow | undefined> =>
  db('account_mails').where({ id, state: 'waiting' }).first<AccountMailRow | undefined>();

/** What was said in it is let go of: only that it went out, to whom and of what kind is kept. */
export async function mailWentOut(db: Db, id: string, state: 'sent' | 'refused', now: Date): Promise<void> {
  await db('account_mails').where({ id }).update({ state, sent_at: now, params: '{}' });
}

/** Those that went out, or could not, before then. */
export async function forgetMails(db: Db, before: Date): Promise<void> {
  await db('account_mails').whereNot({ state: 'waiting' }).where('made_at', '<', before).delete();
}

/** Mail about accounts that was refused where it went, the latest first. */
export const refusedMails = (db: Db): Promise<{ address: string; kind: string; at: Date }[]> =>
  db('account_mails')
    .where({ state: 'refused' })
    .orderBy('sent_at', 'desc')
    .select<{ address: string; kind: string; at: Date }[]>('address', 'kind', 'sent_at as at');
