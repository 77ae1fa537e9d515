import { namedIn } from '@cadro/core/forwarded';
import type { ServerDeps } from '../kit';
import { contactsFor } from '../contacts';
import { householdReader } from '../household';
import type { Incoming } from '../sources';
import { receiveAnswer } from './answers';
import { lastThreadsWith, threadFor } from './store';

/**
 * Whose child a mail is about that somebody at a school writes to the family's own address: the only one they have to do
 * with, the one it names, or the one they wrote about last.
 */
async function aboutWhom(
  { db, clock }: Pick<ServerDeps, 'db' | 'clock'>,
  householdId: string,
  { sender, subject, said }: Pick<Incoming, 'sender' | 'subject' | 'said'>,
): Promise<{ studentId: string; teacherId: string } | null> {
  const household = await householdReader(db, householdId);
  const now = await clock.now();
  const found = await Promise.all(
    (household?.children ?? []).map(async ({ id, givenName }) => {
      const contacts = await contactsFor(db, id, now);
      const contact = contacts.find(({ email }) => email?.toLowerCase() === sender);
      return contact ? [{ studentId: id, givenName, teacherId: contact.id }] : [];
    }),
  );
  const theirs = found.flat();
  if (theirs.length < 2) return theirs[0] ?? null;
  const named = namedIn(
    `${subject} ${said}`,
    theirs.map(({ givenName }) => givenName),
  );
  if (named !== null) return theirs[named] ?? null;
  const written = await lastThreadsWith(
    db,
    householdId,
    theirs.map(({ teacherId }) => teacherId),
  );
  return theirs.find(({ studentId }) => studentId === written[0]) ?? theirs[0] ?? null;
}

/**
 * Takes in what a teacher or an office writes to the family's address: it begins a thread, or goes on with the one there is.
 * Of a sender whom the provider does not vouch for nothing is taken for a teacher's.
 * @returns whether it is from somebody at a school of the family's children.
 */
export async function receiveFirst(
  deps: Pick<ServerDeps, 'db' | 'clock'>,
  householdId: string,
  mail: Incoming,
): Promise<boolean> {
  if (mail.verdict !== 'passed' || mail.sender === '') return false;
  const about = await aboutWhom(deps, householdId, mail);
  if (!about) return false;
  const threadId = await deps.db.transaction((trx) => threadFor(trx, { householdId, ...about }));
  return receiveAnswer(deps, threadId, { ...mail, addressed: true });
}
