import { Uuid } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { dayMs } from '@cadro/core';
import { Type } from '@sinclair/typebox';
import type { TaskList } from 'graphile-worker';
import {
  deliver,
  forgetDeliveries,
  lookAtParts,
  lookAtGuardians,
  makeDigests,
  roundsJob,
  wantDeliveries,
} from '../alerts';
import { followedIds, readFollowed } from '../calendar';
import { computeWanted, figuresJob, heldAmong } from '../gradebook';
import {
  answerForgotten,
  endOverdueLinks,
  removeLeavers,
  removeLeft,
  sealTrail,
  sendAccountMail,
  sweepDoor,
} from '../household';
import { type MailCarrier, addJobs, forgetAnswers, forgetKept, pruneTries, type ServerDeps } from '../kit';
import { sendInvitations, slotBack } from '../meetings';
import { sendMail } from '../messages';
import {
  allSources,
  lookForBundles,
  mirror,
  readingJob,
  restingSources,
  SourceError,
  sweepBundles,
  sweepOwnSources,
  syncSource,
  wholeDue,
  wholeReadingJob,
} from '../sources';
import { followClock, onFigures, ownHooks, readingHooks } from './hooks';
import { joined, studentsIn, wholeOf } from '../records';

const SourceJob = Type.Object({ sourceId: Uuid, whole: Type.Optional(Type.Boolean()) });
const LooksJob = Type.Object({
  studentIds: Type.Array(Uuid),
  parts: Type.Optional(
    Type.Array(
      Type.Object({
        studentId: Uuid,
        courses: Type.Union([Type.Array(Uuid), Type.Null()]),
        attendance: Type.Boolean(),
      }),
    ),
  ),
});
/** An older version puts down one. */
const DeliveryJob = Type.Object({
  deliveryIds: Type.Optional(Type.Array(Uuid)),
  deliveryId: Type.Optional(Uuid),
});
const AccountMailJob = Type.Object({ mailId: Uuid });
const ForgottenJob = Type.Object({ email: Type.String() });
const CalendarJob = Type.Object({ importId: Uuid });
const MirrorJob = Type.Object({ studentId: Uuid, householdId: Uuid, otherId: Uuid });
const MessageJob = Type.Object({ messageId: Uuid });
const MeetingJob = Type.Object({ meetingId: Uuid });
const SlotJob = Type.Object({ slotId: Uuid, studentId: Uuid });

export interface JobDeps extends Pick<ServerDeps, 'db' | 'clock' | 'config'> {
  readonly transport: MailCarrier;
}

/** With what reads in threads of their own. */
interface TaskDeps extends JobDeps, Pick<ServerDeps, 'threads'> {}

/** Lets go of what is kept no longer: accounts, children who left, what was sent, tries that were counted. */
async function sweep(deps: JobDeps): Promise<void> {
  const { db, clock, config } = deps;
  await pruneTries(db);
  await forgetAnswers(db);
  await forgetKept(db);
  await removeLeavers(deps);
  await sweepDoor(deps);
  await removeLeft(deps);
  const now = await clock.now();
  await sweepBundles(db, new Date(now.getTime() - dayMs));
  await sweepOwnSources(db);
  await forgetDeliveries(db, new Date(now.getTime() - config.retention.mailDays * dayMs));
}

/** Jobs that read what comes from outside. */
const sourceTasks = (deps: TaskDeps): TaskList => {
  const { db } = deps;
  return {
    async syncAll() {
      await addJobs(
        db,
        (await allSources(db)).map(({ id }) => readingJob(id)),
      );
    },
    async readWhole() {
      const due = await wholeDue(db, await deps.clock.now());
      await addJobs(db, due.map(wholeReadingJob));
    },
    async syncSource(payload) {
      const { sourceId, whole = false } = parse('job syncSource', SourceJob, payload);
      await syncSource({ ...deps, reading: readingHooks }, sourceId, { whole }).catch((error: unknown) => {
        // Refused credentials do not mend by themselves: it is told, and the next round tries again.
        if (!(error instanceof SourceError) || error.retryable) throw error;
      });
    },
    async readCalendars() {
      await addJobs(
        db,
        (await followedIds(db)).map((importId) => ({
          ...{ task: 'readCalendar', payload: { importId }, key: `calendar:${importId}` },
        })),
      );
    },
    async readCalendar(payload) {
      const { importId } = parse('job readCalendar', CalendarJob, payload);
      await readFollowed({ ...deps, ...ownHooks }, importId);
    },
    async mirror(payload) {
      const place = parse('job mirror', MirrorJob, payload);
      await mirror({ ...deps, ...ownHooks }, place, { backlog: false });
    },
    async lookForBundles() {
      if (deps.config.bundleFolder) await lookForBundles(deps, deps.config.bundleFolder);
    },
  };
};

/** Jobs that compute and look. */
const lookTasks = (deps: TaskDeps): TaskList => {
  const { db } = deps;
  return {
    async computeFigures() {
      await computeWanted({ ...deps, onFigures });
    },
    async followClock() {
      const now = await deps.clock.now();
      await followClock(db, await restingSources(db, now), now);
      await addJobs(db, [figuresJob]);
    },
    async lookAtChildren(payload) {
      const { studentIds, parts = [] } = parse('job lookAtChildren', LooksJob, payload);
      const meant = joined([...wholeOf(studentIds), ...parts]);
      // Who is being read is looked at when all of it has been.
      const held = new Set(await heldAmong(db, studentsIn(meant), await deps.clock.now()));
      await lookAtParts(
        deps,
        meant.filter(({ studentId }) => !held.has(studentId)),
      );
      await addJobs(db, [roundsJob]);
    },
    async lookAtGuardians() {
      await lookAtGuardians(deps);
      await addJobs(db, [roundsJob]);
    },
  };
};

/** Every job by name. A job that throws is tried again by the queue, later each time. */
export function tasksOf(deps: TaskDeps): TaskList {
  const { db } = deps;
  return {
    ...sourceTasks(deps),
    ...lookTasks(deps),
    async accountMail(payload) {
      const { mailId } = parse('job accountMail', AccountMailJob, payload);
      await sendAccountMail(deps, mailId);
    },
    async answerForgotten(payload) {
      const { email } = parse('job answerForgotten', ForgottenJob, payload);
      await answerForgotten(deps, email);
    },
    async sweep() {
      await sweep(deps);
    },
    async sealTrail() {
      await sealTrail(db);
    },
    async alertRounds() {
      await endOverdueLinks(deps);
      // What waits to go out does not wait for digests.
      await wantDeliveries(deps);
      await makeDigests(deps);
      await wantDeliveries(deps);
    },
    async deliver(payload) {
      const { deliveryId, deliveryIds = [] } = parse('job deliver', DeliveryJob, payload);
      await deliver(deps, deliveryId ? [...deliveryIds, deliveryId] : deliveryIds);
    },
    async invitations(payload) {
      const { meetingId } = parse('job invitations', MeetingJob, payload);
      await sendInvitations(deps, meetingId);
    },
    async slotBack(payload) {
      await slotBack(deps, parse('job slotBack', SlotJob, payload));
    },
    async sendMail(payload, { job }) {
      const { messageId } = parse('job sendMail', MessageJob, payload);
      await sendMail(deps, messageId, job.attempts >= job.max_attempts);
    },
  };
}
