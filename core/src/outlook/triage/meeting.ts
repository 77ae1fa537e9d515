import type { Matter, MatterOf } from '@cadro/contract';
import { dayMs } from '../../dates';
import type { FamilyFacts, MeetingSeen } from './facts';

/** So long before it begins a meeting comes to the Brief, and so long after its end what came of it is asked. */
const aheadMs = 2 * dayMs;
const afterMs = 3 * dayMs;
/** What would be missed altogether weighs as much as six points of a hundred; what is only to be written down, as two. */
const stakes: Readonly<Record<MatterOf<'meeting'>['what'], number>> = {
  ...{ ahead: 0.06, 'called-off': 0.05, after: 0.02 },
};

/** What a meeting asks for at an instant; null for nothing. */
function whatOf(
  { startsAt, endsAt, state, written }: MeetingSeen,
  nowMs: number,
): MatterOf<'meeting'>['what'] | null {
  const [startMs, endMs] = [Date.parse(startsAt), Date.parse(endsAt)];
  if (state === 'called-off') return startMs > nowMs ? 'called-off' : null;
  if (state !== 'stands') return null;
  if (endMs >= nowMs) return startMs - nowMs <= aheadMs ? 'ahead' : null;
  return !written && nowMs - endMs <= afterMs ? 'after' : null;
}

/** Meetings that are about to be, that the school has called off, and those of which nothing is written down. */
export const meeting = ({ meetings, now }: FamilyFacts): Matter[] =>
  meetings.flatMap((each): Matter[] => {
    const what = whatOf(each, Date.parse(now));
    if (what === null) return [];
    const { id, studentId, teacherName, startsAt, endsAt, way, place } = each;
    const expiresAt = what === 'after' ? new Date(Date.parse(endsAt) + afterMs).toISOString() : startsAt;
    return [
      {
        ...{ kind: 'meeting', key: `meeting:${id}:${what}`, studentId, courseId: null, courseTitle: null },
        ...{ stake: stakes[what], expiresAt, alertIds: [] },
        ...{ meetingId: id, teacherName, startsAt, way, place, what },
      },
    ];
  });
