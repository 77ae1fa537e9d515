import type { AbsenceClaim, AbsenceLetter, Child } from '@cadro/contract';
import { dateIn, marksAbout } from '@cadro/core';
import { attendanceOf } from '../../attendance';
import { lookAgainAfter, openAbsence } from '../../followups';
import { householdOf } from '../../household';
import { HttpProblem, type Deps, type ServerDeps } from '../../kit';
import { filesOut, sendLetter } from '../../messages';
import { desksOf } from '../../records';
import { childDay } from './day';

/** Days a child is given to catch up before the matter comes back. */
const catchUpDays = 7;

/** The claim of a letter: the lessons it names, each with the mark it has now. */
async function claimOf(
  { db, clock }: Deps,
  guardianId: string,
  child: Child,
  { purpose, lessons }: AbsenceLetter,
): Promise<AbsenceClaim> {
  const now = await clock.now();
  const today = dateIn(child.timeZone, now);
  const dates = lessons.map(({ on }) => on).sort();
  const between = { from: dates[0] ?? today, to: dates.at(-1) ?? today };
  const [own] = await attendanceOf(db, { guardianId }, [child], now, between);
  const marks = (own?.marks ?? []).filter(({ mark }) => mark.by === 'school');
  const refuse = (message: string, index: number): never => {
    throw new HttpProblem('bad-request', { errors: [{ path: `/lessons/${index}`, message }] });
  };
  const claimed = lessons.map((lesson, index) => {
    const [found] = marksAbout([lesson], marks);
    if (purpose === 'ahead' && lesson.on < today) refuse('lies in the past: explain it instead', index);
    if (purpose !== 'ahead' && !found) refuse('has no mark of the school', index);
    return {
      ...lesson,
      code: purpose === 'ahead' ? null : (found?.mark.code ?? null),
      courseTitle: lesson.period === null ? null : (found?.mark.courseTitle ?? null),
    };
  });
  return { purpose, lessons: claimed, itemIds: [] };
}

/**
 * Writes to the attendance desk and takes the absence in hand, both or neither; it settles by the next register.
 * @throws HttpProblem 422 where the school has named nobody, or a file is none that is sent; 409 where the same has been written already.
 */
export async function writeToDesk(
  deps: Deps & Pick<ServerDeps, 'threads'>,
  guardianId: string,
  child: Child,
  letter: AbsenceLetter,
): Promise<{ followUpId: string }> {
  const { db, clock } = deps;
  const desk = (await desksOf(db, [child.id])).get(child.id);
  if (!desk?.email) throw new HttpProblem('teacher-without-contact');
  const claim = await claimOf(deps, guardianId, child, letter);
  const now = await clock.now();
  const { id: householdId, author } = await householdOf(db, guardianId);
  const [last = ''] = letter.lessons
    .map(({ on }) => on)
    .sort()
    .reverse();
  const today = dateIn(child.timeZone, now);
  // What is told ahead shows in the register of that day, everything else in that of the next days.
  const lookAgainOn = letter.purpose === 'ahead' ? lookAgainAfter(last, 1) : lookAgainAfter(today);
  const { subject, text } = letter;
  const files = await filesOut(deps, guardianId, letter.files ?? []);
  const followUpId = await db.transaction(async (trx) => {
    const id = await openAbsence(trx, {
      studentId: child.id,
      householdId,
      guardianId,
      author,
      claim,
      title: subject,
      lookAgainOn,
      now,
    });
    const about = { child, guardianId, householdId, author, subject, text, now, lookAgainOn, files };
    await sendLetter(trx, { ...about, teacherId: desk.id, followUpId: id });
    return id;
  });
  return { followUpId };
}

/**
 * Takes the open work that a day's absence touched in hand; it settles when all of it is in.
 * @throws HttpProblem 422 `nothing-open` when nothing of it is open.
 */
export async function catchUp(
  deps: Deps,
  guardianId: string,
  child: Child,
  on: string,
  title: string,
): Promise<{ followUpId: string }> {
  const day = await childDay(deps, { guardianId, child, on, mayTalk: false });
  const open = day.touched.filter((work) => work.open);
  if (open.length === 0) throw new HttpProblem('nothing-open');
  const now = await deps.clock.now();
  const { id: householdId, author } = await householdOf(deps.db, guardianId);
  const claim: AbsenceClaim = {
    purpose: 'catch-up',
    lessons: [{ on, period: null, code: null, courseTitle: null }],
    itemIds: open.map(({ itemId }) => itemId),
  };
  const lookAgainOn = lookAgainAfter(day.today, catchUpDays);
  const followUpId = await deps.db.transaction((trx) =>
    openAbsence(trx, {
      ...{ studentId: child.id, householdId, guardianId, author, claim, title, lookAgainOn, now },
    }),
  );
  return { followUpId };
}
