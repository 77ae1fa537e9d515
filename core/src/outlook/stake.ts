import type { AlertReason } from '@cadro/contract';

/** What cannot be measured, or moves next to nothing, weighs as much as two points of a hundred. */
const plainStake = 0.02;

/** The share of its course's scale that a reason is about: what a work moves, how far a figure fell. */
function shareOf(reason: AlertReason): number {
  switch (reason.about) {
    case 'work':
      return (reason.work.impact ?? 0) / reason.outOf;
    case 'figure':
      return ((reason.before ?? reason.now) - reason.now) / reason.outOf;
    default:
      return 0;
  }
}

/**
 * How much weighs what an alert says: as much as the heaviest of its reasons; nothing without any. The Brief and the
 * digest put first what weighs most.
 */
export const stakeOf = (reasons: readonly AlertReason[]): number =>
  reasons.length === 0 ? 0 : Math.max(plainStake, ...reasons.map(shareOf));
