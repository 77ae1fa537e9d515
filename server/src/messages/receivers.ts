import { rolesAllowed, type AnswerOf, type Child, type messageRoutes } from '@cadro/contract';
import { contactsFor } from '../contacts';
import type { Deps } from '../kit';
import { threadsAbout } from './store';
import { latelyWritten } from './threads';

type Receiver = AnswerOf<typeof messageRoutes.teachers>['teachers'][number];

/** Whom the family of a child can write to, and what it has written to them lately. */
export async function receiversFor(
  { db, clock }: Deps,
  guardianId: string,
  child: Pick<Child, 'id' | 'role'>,
): Promise<Receiver[]> {
  const now = await clock.now();
  const mayTalk = rolesAllowed('read-talk').includes(child.role);
  const [contacts, threads, lately] = await Promise.all([
    contactsFor(db, child.id, now),
    mayTalk ? threadsAbout(db, guardianId, child.id) : new Map<string, string>(),
    mayTalk ? latelyWritten(db, guardianId, now) : [],
  ]);
  return contacts.map(({ id, kind, name, email, answers_for: answersFor, language, courses }) => ({
    ...{ id, kind, name, contactable: email !== null, answersFor, language },
    courseTitles: courses.map(({ title }) => title),
    threadId: threads.get(id) ?? null,
    lately: lately
      .filter(({ teacher_id }) => teacher_id === id)
      .map(({ student_id, author, subject, at, answered }) => ({
        ...{ studentId: student_id, author, subject, at: at.toISOString(), answered },
      })),
  }));
}
