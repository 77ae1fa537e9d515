import { rolesAllowed, type Brief, type Child } from '@cadro/contract';
import { closedDoors, dateIn, dayMs, type FamilyFacts, type FollowUpFacts, triage } from '@cadro/core';
import { raisedAlerts } from '../alerts';
import { openAsks } from '../announcements';
import { attendanceOf } from '../attendance';
import { askedOf, isAskedOf, openFollowUps, ownerOf, type OpenFollowUp } from '../followups';
import { commentFacts, commentsOf } from '../gradebook';
import type { Db, Deps } from '../kit';
import { meetingsSeen } from '../meetings';
import { unreadReplies } from '../messages';
import { goodNewsOf } from '../outlook';
import { resultChanges } from '../records';
import { sourcesOfStudents } from '../sources';
import { absenceFacts, comingDays, namedCourses } from './family';
import { freshCounts } from './news';

/** A comment is news for this long, good news a little longer. */
const commentNewsMs = 4 * dayMs;
const goodNewsMs = 5 * dayMs;
const comingDaysAhead = 6;

const followUpFacts = (row: OpenFollowUp, guardianId: string, today: string): FollowUpFacts => ({
  id: row.id,
  studentId: row.student_id,
  courseId: row.course_id,
  courseTitle: row.course_title,
  itemId: row.item_id,
  itemIds: [...(row.item_id ? [row.item_id] : []), ...row.works.map(({ itemId }) => itemId)],
  takenAt: (row.taken_at ?? row.updated_at).toISOString(),
  topic: row.topic,
  absence: row.absence && {
    purpose: row.absence.purpose,
    on: row.absence.lessons.map(({ on }) => on),
  },
  title: row.title,
  lookAgainOn: row.look_again_on,
  due: row.look_again_on !== null && row.look_again_on <= today,
  written: row.written,
  askedOfMe: isAskedOf(row, guardianId) ? { by: row.asked_name ?? '', word: row.asked_word } : null,
});

async function freshnessOf(db: Db, studentIds: readonly string[]): Promise<Brief['freshness']> {
  return (await sourcesOfStudents(db, studentIds)).map((source) => ({
    sourceName: source.name,
    byHand: source.kind === 'own',
    readAt: source.read_at?.toISOString() ?? null,
    failingSince: source.failing_since?.toISOString() ?? null,
    studentIds: source.student_ids,
  }));
}

/** All that the Brief is made of, asked for at once: a bounded number of queries, however many courses and children. */
async function asked(db: Db, guardianId: string, children: readonly Child[], now: Date) {
  const ids = children.map(({ id }) => id);
  const talkIds = children.filter(({ role }) => rolesAllowed('read-talk').includes(role)).map(({ id }) => id);
  const writable = children.filter(({ role }) => rolesAllowed('write-talk').includes(role));
  const [courses, comments, attendance, followUps, replies, changes, coming, freshness, alerts, ...talk] =
    await Promise.all([
      namedCourses(db, guardianId, children, now),
      commentsOf(db, ids, { since: new Date(now.getTime() - commentNewsMs) }),
      attendanceOf(db, { guardianId }, children, now),
      openFollowUps(db, guardianId, talkIds),
      unreadReplies(db, guardianId, talkIds),
      resultChanges(db, ids, new Date(now.getTime() - goodNewsMs)),
      comingDays(db, guardianId, children, now, comingDaysAhead),
      freshnessOf(db, ids),
      raisedAlerts(db, guardianId, talkIds, now),
      openAsks(db, guardianId, writable, now),
      meetingsSeen(db, guardianId, talkIds, now),
    ]);
  const [asks, meetings] = talk;
  return {
    ...{ courses, comments, attendance, followUps, replies, changes, coming, freshness, alerts },
    ...{ asks, meetings },
  };
}

/** The Brief of one guardian. */
export async function briefOf(
  { db, clock }: Deps,
  guardianId: string,
  children: readonly Child[],
): Promise<Brief> {
  const now = await clock.now();
  const zones = new Map(children.map(({ id, timeZone }) => [id, timeZone]));
  const known = await asked(db, guardianId, children, now);
  const { attendance, followUps, alerts, changes, coming, freshness } = known;
  const fresh = await freshCounts(db, guardianId, children, { attendance, now });
  const facts = followUps.map((row) =>
    followUpFacts(row, guardianId, dateIn(zones.get(row.student_id) ?? 'UTC', now)),
  );
  const family: FamilyFacts = {
    now: now.toISOString(),
    courses: known.courses,
    comments: known.comments.map(commentFacts),
    absences: attendance.map(absenceFacts),
    followUps: facts,
    replies: known.replies,
    asks: known.asks,
    meetings: known.meetings,
    alerts: alerts.flatMap(({ told, studentId, state, overAt, ...alert }) =>
      studentId !== null && state !== 'done' && overAt === null
        ? [{ ...alert, studentId, leading: told }]
        : [],
    ),
  };
  return {
    asOf: now.toISOString(),
    today: dateIn(children[0]?.timeZone ?? 'UTC', now),
    matters: triage(family),
    closed: closedDoors(family),
    inHand: facts
      .filter(({ due, askedOfMe }) => !due && askedOfMe === null)
      .flatMap(({ id, studentId, title, lookAgainOn }) => {
        const row = followUps.find((each) => each.id === id);
        if (!row) return [];
        const has = { owner: ownerOf(row), asked: askedOf(row) };
        return [{ followUpId: id, studentId, title, lookAgainOn, ...has }];
      }),
    goodNews: goodNewsOf(changes),
    fresh,
    coming,
    freshness,
  };
}
