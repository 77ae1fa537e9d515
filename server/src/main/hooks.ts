import { dropWaitingDigests, mailMovedOn, wantLooks, wantOldLooks } from '../alerts';
import { mirrorMarks } from '../attendance';
import { moveDates } from '../calendar';
import { moveDesk } from '../desk';
import { openFollowUpAbout, settleByRecord } from '../followups';
import {
  computeFigures,
  figuresJob,
  releaseWanted,
  wantFigures,
  wantFallenFigures,
  type FiguresHook,
  type GradebookHooks,
} from '../gradebook';
import { followSchool, type HouseholdHooks, type RestrictingHooks } from '../household';
import { addJobs, type Db, type Deps, type Job } from '../kit';
import { followSlots } from '../meetings';
import { moveEfforts } from '../outlook';
import { studentsIn, wholeOf } from '../records';
import { moveTasks } from '../plan';
import { wantMirrors, type ReadingHooks } from '../sources';

/*
 * What must run in a room when something happens in one above it. No room knows those below; here they are introduced:
 * a changed record asks for figures, new figures settle follow-ups and let the alerts look, a new link lets them look.
 */

/** What rooms keep about a household's own work, which goes along when that becomes the school's. */
const keptAboutWork = [moveEfforts, moveTasks, moveDesk, moveDates];

/** Follow-ups settle in the figures' own transaction; the alerts look when it is through. */
export const onFigures: FiguresHook = async (trx, about) => {
  await settleByRecord(trx, about);
  for (const each of about.dissolved) for (const move of keptAboutWork) await move(trx, each);
  await wantLooks(trx, about.parts);
};

export const gradebookHooks = ({ db }: Deps): GradebookHooks => ({
  onFigures,
  followUpAbout: (guardianId, about) => openFollowUpAbout(db, guardianId, { ...about, topic: 'work' }),
});

export const restrictingHooks: RestrictingHooks = { onRestricted: dropWaitingDigests };

/** So long the rest of what was read by half is waited for. */
const longestHalfMs = 3_600_000;

/** The queue's wish that what the clock alone has changed is computed and looked at. */
export const followClockJob: Job = { task: 'followClock', payload: {}, key: 'clock' };

/** What the clock has changed since of some sources' children: figures that do not stand any more, looks that are due. */
export async function followClock(db: Db, sourceIds: readonly string[], now: Date): Promise<void> {
  // Whose figures are computed are looked at afterwards.
  const waiting = await wantFallenFigures(db, sourceIds, now);
  await wantOldLooks(db, sourceIds, { now, but: new Set(waiting) });
}

/** Children are put down as their pages are written; the job that takes them runs once, when the reading is over. */
export const readingHooks: ReadingHooks = {
  onRecords: async (trx, parts, { now, half }) => {
    await wantFigures(trx, parts, now, half ? new Date(now.getTime() + longestHalfMs) : null);
    await wantMirrors(trx, studentsIn(parts));
  },
  onLinked: (trx, studentId) => wantLooks(trx, wholeOf([studentId])),
  onMirrored: mirrorMarks,
  onReading: async (db, sourceId, { whole, now }) => {
    if (whole) {
      await releaseWanted(db, sourceId);
      await followClock(db, [sourceId], now);
    }
    await addJobs(db, [figuresJob]);
    if (!whole) return;
    await followSlots(db, sourceId, now);
    const deps = { db, clock: { now: async () => now } };
    await followSchool(deps, sourceId, restrictingHooks);
  },
};

export const householdHooks: HouseholdHooks = {
  // From here on what is new about a child is told; what is there already is not.
  onLinked: (trx, studentId) => wantLooks(trx, wholeOf([studentId])),
  onAddress: mailMovedOn,
  ...restrictingHooks,
};

/** What a family writes itself is reckoned before it is told that it is written. */
export const ownHooks = {
  onLinked: householdHooks.onLinked,
  reading: readingHooks,
  onWritten: (deps: Deps, studentId: string) => computeFigures({ ...deps, onFigures }, [studentId]),
};
