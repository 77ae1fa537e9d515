import type { OfferAnswer, ReadOffer } from '@cadro/contract';
import { noteOffer } from '../followups';
import { commentsOf, computeFigures, offersOf, saveOfferAnswer, type FiguresHook } from '../gradebook';
import { householdOf } from '../household';
import type { Deps } from '../kit';

/**
 * Confirms or dismisses an offer read out of a comment. A confirmed one enters the household's figures, and the
 * follow-up that is open about its work, which comes back on the offer's last day at the latest.
 */
export async function answerOffer(
  deps: Deps & { readonly onFigures: FiguresHook },
  guardianId: string,
  { studentId, commentId }: { studentId: string; commentId: string },
  body: OfferAnswer,
): Promise<ReadOffer[]> {
  const { db, clock } = deps;
  const at = await clock.now();
  const { id: householdId, author } = await householdOf(db, guardianId);
  await db.transaction(async (trx) => {
    const by = { at, author };
    const { offer, itemId } = await saveOfferAnswer(trx, { studentId, commentId, householdId }, body, by);
    if (body.answer === 'confirmed' && itemId) {
      await noteOffer(trx, { studentId, householdId, itemId }, offer, by);
    }
  });
  await computeFigures(deps, [studentId]);
  const comments = await commentsOf(db, [studentId], { guardianId, commentId });
  return comments.flatMap((comment) => offersOf(comment, at));
}
