import type { Matter } from '@cadro/contract';
import { dayMs } from '../../dates';
import type { FamilyFacts } from './facts';

/** So long before its last day what a school asks comes to the Brief. */
const beforeMs = 3 * dayMs;
/** A minute's work somebody waits for weighs as much as four points of a hundred; who may lend a hand, as one. */
const askedStake = 0.04;
const helpersStake = 0.01;

/** What a school wants to hear and has not, in its last three days. */
export function asked({ asks, now }: FamilyFacts): Matter[] {
  return asks
    .filter(({ by }) => {
      const leftMs = Date.parse(by) - Date.parse(now);
      return leftMs >= 0 && leftMs <= beforeMs;
    })
    .map(({ announcementId, studentId, title, schoolName, courseTitle, wish, by, helpers }) => ({
      kind: 'asked',
      key: `asked:${announcementId}:${studentId}`,
      ...{ studentId, courseId: null, courseTitle, expiresAt: by, alertIds: [] },
      stake: helpers ? helpersStake : askedStake,
      ...{ announcementId, title, schoolName, wish, helpers },
    }));
}
