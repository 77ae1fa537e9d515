import type { DifferenceReason } from '@cadro/contract';
import { dayMs } from '../../dates';
import { lagMs } from '../../lag';
import type { Account } from './account';

/** What one source says of a work that two tell of. */
export interface Told extends Account {
  readonly atMs: number | null;
  readonly late: boolean;
  readonly possible: number;
  readonly dueOn: string | null;
}

export interface Difference {
  readonly what: 'score' | 'day';
  readonly reason: DifferenceReason;
}

/** So far apart as a share of the work, two scores are one that was rounded. */
const roundingFraction = 0.005;
const sameFraction = 1e-9;

const fractionOf = ({ earned, possible }: Told): number | null =>
  earned === null || possible === 0 ? null : earned / possible;

function reasonOfScore(theirs: Told, own: Told, asOfMs: number): DifferenceReason | null {
  const [mine, their] = [fractionOf(own), fractionOf(theirs)];
  if (own.status === 'open') return null;
  if (theirs.status === 'open') return 'not-entered';
  if (own.status === theirs.status && (mine === null || their === null)) return null;
  if (mine !== null && their !== null) {
    const apart = Math.abs(mine - their);
    if (apart <= sameFraction) return own.possible === theirs.possible ? null : 'other-points';
    if (apart <= roundingFraction) return 'rounded';
    if (theirs.late && their < mine) return 'late';
  }
  if (own.status === 'handed-in' && theirs.status !== 'scored') {
    const agoMs = asOfMs - (own.atMs ?? asOfMs);
    return agoMs <= lagMs ? 'travelling' : 'not-seen';
  }
  if (theirs.status === 'missing') return 'still-missing';
  if (own.atMs !== null && theirs.atMs !== null) {
    if (theirs.atMs - own.atMs > dayMs) return 'newer-there';
    if (own.atMs - theirs.atMs > dayMs) return 'newer-here';
  }
  return 'unclear';
}

/**
 * What two sources say differently of one work, each with its likely reason.
 * @param own what the household has, @param theirs what the school says.
 * @example differencesOf(school 15/20 late, own 17/20) // [{ what: 'score', reason: 'late' }]
 */
export function differencesOf(theirs: Told, own: Told, asOfMs: number): Difference[] {
  const score = reasonOfScore(theirs, own, asOfMs);
  const moved = own.dueOn !== null && theirs.dueOn !== null && own.dueOn !== theirs.dueOn;
  return [
    ...(score === null ? [] : [{ what: 'score', reason: score } as const]),
    ...(moved ? [{ what: 'day', reason: 'moved' } as const] : []),
  ];
}
