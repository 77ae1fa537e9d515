import { answersWish, type Announcement, type Child, type NewAnswer } from '@cadro/contract';
import { answerLetter } from '@cadro/core/announced';
import { householdOf, requireChild } from '../household';
import { HttpProblem } from '../kit';
import { sendLetter } from '../messages';
import { announcementsOf } from '../records';
import * as store from './store';
import { announcementFor, type AnnouncementDeps } from './view';
import { isOpen, understood, type Understood } from './wishes';

/** What the school wants of this child, and can still be told. */
async function askOf({ db, clock }: AnnouncementDeps, child: Child, id: string): Promise<Understood> {
  const [row] = await announcementsOf(db, [child.id], { ids: [id] });
  if (!row) throw new HttpProblem('not-found');
  const ask = understood(row);
  if (!isOpen(ask, await clock.now())) throw new HttpProblem('too-late');
  return ask;
}

/** Whether an answer goes out as a letter: not where the school has a page for it, nor for what is handed in on paper. */
const goesByMail = ({ row, wish }: Understood): boolean =>
  row.href === null && wish.kind !== 'form' && row.receiver_id !== null;

/**
 * Answers for a child, or changes the answer; the letter goes out with it, both or neither.
 * @throws HttpProblem 404 where it is not for this child; 409 with both answers where somebody has answered since;
 *   409 `too-late` where it is over or taken back; 400 for an answer to something else.
 */
export async function giveAnswer(
  deps: AnnouncementDeps,
  guardianId: string,
  { announcementId, studentId }: { announcementId: string; studentId: string },
  { version, answer, note = null }: NewAnswer,
): Promise<Announcement> {
  const { db, clock } = deps;
  const child = await requireChild(db, guardianId, studentId, 'write-talk');
  const ask = await askOf(deps, child, announcementId);
  if (!answersWish(ask.wish, answer))
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/answer', message: 'must be an answer to what is asked' }],
    });
  const [now, { id: householdId, author }] = await Promise.all([clock.now(), householdOf(db, guardianId)]);
  const key = { household_id: householdId, student_id: studentId, announcement_id: announcementId };
  const kept = await db.transaction(async (trx) => {
    const given = { ...key, answer, note, author, guardian_id: guardianId, at: now };
    if (!(await store.keepAnswer(trx, given, version))) return false;
    const { receiver_id: teacherId, receiver_name: receiver } = ask.row;
    if (!goesByMail(ask) || teacherId === null) return true;
    const written = answerLetter(ask.said.lang, {
      ...{ title: ask.row.title, receiver: receiver ?? '', child: child.givenName, author },
      ...{ answer, note, changed: version > 0 },
    });
    const { messageId } = await sendLetter(trx, {
      ...{ child, guardianId, householdId, teacherId, followUpId: null, author, ...written, now },
    });
    if (messageId) await store.setLetter(trx, key, messageId);
    return true;
  });
  const after = await announcementFor(deps, guardianId, announcementId);
  if (kept) return after;
  const current = after.answers.find((each) => each.studentId === studentId);
  throw new HttpProblem('edited-meanwhile', { current, yours: { answer, note } });
}
