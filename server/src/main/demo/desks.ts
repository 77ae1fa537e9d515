import { keepPiece, openDesk, say } from '../../desk';
import type { Deps } from '../../kit';

/** What the children have put on their desks when the demo opens, by their own names and the schools' ids. */
const wish = {
  child: 'Isolde',
  item: 'kelp-reef-survey',
  text: 'I missed the second dive. What do I write?',
};
const pieces = [
  { child: 'Isolde', item: 'spanish-quiz-6', why: 'My best one so far, accents and all', shown: true },
  { child: 'Caspian', item: 'ferries-check-6', why: 'I found the faster ferry by myself', shown: true },
];

/** @param childs the children's own accounts, by their given names. */
export async function addDesks(deps: Deps, childs: ReadonlyMap<string, string>): Promise<void> {
  const { db } = deps;
  const deskWith = async (child: string, item: string) => {
    const row = await db('student_items as i')
      .join('student_profiles as p', 'p.student_id', 'i.student_id')
      .where({ 'p.given_name': child, 'p.family_name': 'Aldervane', 'i.external_id': item })
      .first<{ student_id: string; item_id: string }>('i.student_id', 'i.item_id');
    const open = await openDesk(db, childs.get(child) ?? '', row.student_id, 'keep-desk');
    return { open, itemId: row.item_id };
  };
  const { open, itemId } = await deskWith(wish.child, wish.item);
  await say(deps, open, { wish: 'talk', itemId, text: wish.text });
  for (const { child, item, ...piece } of pieces) {
    const place = await deskWith(child, item);
    await keepPiece(deps, place.open, { itemId: place.itemId, ...piece });
  }
}
