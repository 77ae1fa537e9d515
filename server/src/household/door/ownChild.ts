import type { Child } from '@cadro/contract';
import type { Db, Trx } from '../../kit';
import { linkedChildren, putLink, studentOfSource } from '../store';

/** What is to happen in the rooms below when a child has been linked, in the same transaction. */
export interface OwnLinkHooks {
  readonly onLinked: (trx: Trx, studentId: string) => Promise<void>;
}

/** Links the child of a source that somebody writes themselves: nobody else has to say that they may see it. */
export async function linkOwnChild(
  db: Db,
  {
    sourceId,
    guardianId,
    now,
  }: { readonly sourceId: string; readonly guardianId: string; readonly now: Date },
  hooks: OwnLinkHooks,
): Promise<Child> {
  return db.transaction(async (trx) => {
    const studentId = await studentOfSource(trx, sourceId);
    await putLink(trx, {
      studentId,
      guardianId,
      role: 'guardian',
      now,
      issuer: 'guardian',
      invitedBy: guardianId,
    });
    await hooks.onLinked(trx, studentId);
    const child = (await linkedChildren(trx, guardianId, ['guardian'])).find(({ id }) => id === studentId);
    if (!child) throw new Error('the link just written cannot be read');
    return child;
  });
}
