import { markAnswered } from '../followups';
import { guardianById, requireChild } from '../household';
import { HttpProblem, type Deps } from '../kit';
import { inShort } from './answers';
import { filesOf, sayAddress } from './fileStore';
import * as store from './store';

/**
 * Somebody of the family says whether a letter that is held is from the teacher. One that is counts as an answer from now
 * on, and so does what comes from the same address; one that is not stays where it is, and says who said so.
 * @throws HttpProblem 404 for a letter that is not held in this thread.
 */
export async function saySender(
  { db, clock }: Deps,
  guardianId: string,
  { threadId, messageId }: { readonly threadId: string; readonly messageId: string },
  known: boolean,
): Promise<void> {
  const held = await store.heldIn(db, threadId, messageId);
  if (!held) throw new HttpProblem('not-found');
  await requireChild(db, guardianId, held.student_id, 'write-talk');
  const [guardian, now] = await Promise.all([guardianById(db, guardianId), clock.now()]);
  const by = guardian?.name ?? '';
  await db.transaction(async (trx) => {
    if (!known) return store.denySender(trx, messageId, by);
    await store.confirmSender(trx, messageId);
    const address = held.sender ?? '';
    if (address !== '' && held.doubt !== 'not-verified')
      await sayAddress(trx, {
        ...{ student_id: held.student_id, thread_id: threadId, address, said_by: by, said_at: now },
      });
    if (held.automatic) return;
    const text = inShort(held.text, await filesOf(trx, [messageId]));
    const asked = await store.followUpsOfThread(trx, threadId);
    await markAnswered(trx, asked, { author: held.author, text, now });
  });
}
