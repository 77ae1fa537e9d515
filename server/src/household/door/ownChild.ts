import type { Child } from '@cadro/contract';
import type { Db, Trx } from '../../kit';
import { linkedChildren, neverLinked, putLink } from '../store';

/** What is to happen in the rooms below when a child has been linked, in the same transaction. */
export interface OwnLinkHooks {
  readonly onLinked: (trx: Trx, studentId: string) => Promise<void>;
}

/**
 * Links the children of a source that somebody's household brings in itself: nobody else has to say that they may see
 * them. A link that has ended stays so.
 * @returns those that are new.
 */
export async function linkOwnChildren(
  db: Db,
  {
    sourceId,
    guardianId,
    now,
  }: { readonly sourceId: string; readonly guardianId: string; readonly now: Date },
  hooks: OwnLinkHooks,
): Promise<Child[]> {
  return db.transaction(async (trx) => {
    const fresh = await neverLinked(trx, sourceId, guardianId);
    for (const studentId of fresh) {
      const link = { studentId, guardianId, role: 'guardian', now } as const;
      await putLink(trx, { ...link, issuer: 'guardian', invitedBy: guardianId });
      await hooks.onLinked(trx, studentId);
    }
    const linked = await linkedChildren(trx, guardianId, ['guardian']);
    return linked.filter(({ id }) => fresh.includes(id));
  });
}
