import type { AnswerOf, BodyOf, mailRoutes } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { namedIn } from '@cadro/core/forwarded';
import { HttpProblem, houseOf, mailAddress, takeTry, type Db, type Deps, type ServerDeps } from '../../kit';
import { childrenFor, householdReader, requireChild, requireGuardian } from '../../household';
import { wholeCourses } from '../../records';
import { requireOwnCourse } from '../own/ownCourse';
import { putOwnWork } from '../own/ownWork';
import { writeOwn, type OwnDeps } from '../own/writeOwn';
import * as store from './forwardStore';
import { readMail } from './mailReader';

/** A family forwards a few mails a day, and a filter some more; a flood is somebody else's. */
const forwardPatience = {
  free: 150,
  firstWaitSeconds: 600,
  longestWaitSeconds: 12 * 3600,
  forgetSeconds: 24 * 3600,
};

/** Whose and which course a mail seems to be about: as the last of its sender was, else by the names in it. */
async function placeOf(
  db: Db,
  householdId: string,
  children: readonly { readonly id: string; readonly givenName: string }[],
  { from, subject, text }: { readonly from: string; readonly subject: string; readonly text: string },
): Promise<{ student_id: string | null; course_id: string | null }> {
  const before = await store.lastPlaceOf(db, householdId, from);
  if (before) return before;
  const named = namedIn(
    `${subject} ${text}`,
    children.map(({ givenName }) => givenName),
  );
  const child = children[named ?? (children.length === 1 ? 0 : -1)];
  if (!child) return { student_id: null, course_id: null };
  const courses = await wholeCourses(db, child.id);
  const byTitle = namedIn(
    `${subject} ${text}`,
    courses.map(({ title }) => title),
  );
  const byTeacher = namedIn(
    from,
    courses.map(({ teacher }) => teacher?.name.split(/\s+/).at(-1) ?? ''),
  );
  return { student_id: child.id, course_id: courses[byTitle ?? byTeacher ?? -1]?.id ?? null };
}

/** Takes in what a family forwards. @returns whether there is such a household. */
export async function receiveForwarded(
  deps: Pick<ServerDeps, 'db' | 'clock' | 'threads'>,
  householdId: string,
  raw: Buffer,
): Promise<boolean> {
  const { db, clock } = deps;
  const household = await householdReader(db, householdId);
  if (!household) return false;
  await takeTry(db, [{ kind: 'forward', of: householdId, patience: forwardPatience }]);
  const now = await clock.now();
  const { language: lang, timeZone, children } = household;
  const mail = await readMail(deps, householdId, { raw, lang, today: dateIn(timeZone, now) });
  if (!mail) throw new HttpProblem('unreadable-file');
  const { from, subject, text, proposals } = mail;
  const place = await placeOf(db, householdId, children, { from, subject, text });
  await store.addMail(db, {
    household_id: householdId,
    came_at: now,
    sender: from,
    subject,
    text,
    proposals,
    ...place,
  });
  return true;
}

/** A guardian of a household, or somebody to whom nobody is linked yet. @returns the household's id. */
async function requireReader(deps: Deps, guardianId: string): Promise<string> {
  const { household_id } = await requireGuardian(deps, guardianId);
  const linked = await childrenFor(deps.db, guardianId, 'read-record');
  if (linked.length > 0 && !linked.some(({ role }) => role === 'guardian'))
    throw new HttpProblem('forbidden');
  return household_id;
}

export async function forwardedMails(
  deps: ServerDeps,
  guardianId: string,
): Promise<AnswerOf<typeof mailRoutes.mails>> {
  const householdId = await requireReader(deps, guardianId);
  const mine = new Set((await childrenFor(deps.db, guardianId, 'read-talk')).map(({ id }) => id));
  const mails = await store.mailsOf(houseOf(deps.db), householdId);
  return {
    address: mailAddress(deps.config, 'family', householdId),
    mails: mails
      // What is about a child is for those of the household who talk about that child.
      .filter(({ student_id }) => student_id === null || mine.has(student_id))
      .map(({ id, came_at, sender, subject, text, proposals, state, student_id, course_id }) => ({
        ...{ id, cameAt: came_at.toISOString(), from: sender, subject, text, proposals: [...proposals] },
        state: state === 'placed' ? 'placed' : 'new',
        ...{ studentId: student_id, courseId: course_id },
      })),
  };
}

async function requireMail(deps: Deps, guardianId: string, mailId: string): Promise<store.MailRow> {
  const householdId = await requireReader(deps, guardianId);
  const mail = await store.mailById(houseOf(deps.db), householdId, mailId);
  if (!mail) throw new HttpProblem('not-found');
  if (mail.student_id !== null) await requireChild(deps.db, guardianId, mail.student_id, 'write-talk');
  return mail;
}

/** Puts a mail where it belongs: what of it is so goes into the record that its family writes. */
export async function placeForwarded(
  deps: OwnDeps,
  guardianId: string,
  mailId: string,
  { studentId, courseId, take, remark }: BodyOf<typeof mailRoutes.placeMail>,
): Promise<AnswerOf<typeof mailRoutes.placeMail>> {
  const mail = await requireMail(deps, guardianId, mailId);
  await requireChild(deps.db, guardianId, studentId, 'write-talk');
  const rows = take.map((at) => {
    const proposal = mail.proposals[at];
    if (!proposal) throw new HttpProblem('not-found');
    const { words: _words, course: _course, ...said } = proposal;
    return { ...said, title: said.title.slice(0, 300), itemId: null };
  });
  if (courseId === null && (rows.length > 0 || remark)) throw new HttpProblem('bad-request');
  const of = { studentId, courseId: courseId ?? '' };
  const taken = rows.length > 0 ? await putOwnWork(deps, guardianId, of, rows) : null;
  if (remark) {
    const { own, course } = await requireOwnCourse(deps, guardianId, of);
    await writeOwn(own, {
      comments: [
        {
          ...{ id: `mail:${mail.id}`, student_id: own.child.externalId, course_id: course.externalId },
          ...{ item_id: null, author_id: course.teacher?.externalId ?? null, subject: 'course' },
          ...{ text: [mail.subject, mail.text].filter(Boolean).join('\n').slice(0, 10_000) },
          ...{ term_external_id: null, written_at: mail.came_at.toISOString() },
          ...{ about: null, recording: null, elsewhere: null },
        },
      ],
    });
  }
  await store.placeMail(houseOf(deps.db), mail.id, { studentId, courseId });
  return { taken };
}

export async function dropForwarded(deps: ServerDeps, guardianId: string, mailId: string): Promise<void> {
  const { household_id, id } = await requireMail(deps, guardianId, mailId);
  await store.dropMail(houseOf(deps.db), household_id, id);
}
