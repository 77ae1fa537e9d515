import type { LooseEndKind } from '@cadro/contract';
import { isOrdinary, type Course, type Item, type Policy, type Standing } from '../../gradebook';
import { dayMs } from '../../dates';

/** A teacher's usual time to mark; after it a handed-in work deserves a look. */
export const markingMs = 10 * dayMs;

/** Work whose effect on the grade is not settled. */
export interface LooseEnd {
  readonly standing: Standing;
  readonly kind: LooseEndKind;
  readonly recoverable: boolean;
  /** Share of the score still to be had; 0 when too late, null while it waits on the teacher. */
  readonly credit: number | null;
  /** Last instant at which something can be done; null while it waits on the teacher. */
  readonly deadlineMs: number | null;
}

/** What of a course decides the kind. */
export type Deciding = Pick<Course, 'asOfMs' | 'policy'>;
type Rule = (standing: Standing, course: Deciding) => boolean;

const scoreShare = ({ earned, item }: Standing): number => (earned ?? 0) / item.possible;

/** Since when a work has waited for its score: handed in, or done in class on its day; null when it does not wait. */
export function waitsSinceMs(
  {
    status,
    atMs,
    item,
  }: Pick<Standing, 'status' | 'atMs'> & { readonly item: Pick<Item, 'inClass' | 'dueAtMs'> },
  asOfMs: number,
): number | null {
  if (status === 'handed-in') return atMs;
  const passed = item.dueAtMs !== null && item.dueAtMs < asOfMs;
  return status === 'open' && item.inClass && passed ? item.dueAtMs : null;
}

/** The kinds are exclusive, so their order only decides how fast one is found. */
const rules: readonly (readonly [LooseEndKind, Rule])[] = [
  ['missing', ({ status }) => status === 'missing'],
  ['incomplete', ({ status }) => status === 'incomplete'],
  [
    'overdue',
    ({ status, item }, { asOfMs }) =>
      status === 'open' && !item.inClass && item.dueAtMs !== null && item.dueAtMs < asOfMs,
  ],
  ['zero', ({ status, earned }) => status === 'scored' && earned === 0],
  [
    'at-floor',
    (standing, { policy }) =>
      policy.floor > 0 &&
      standing.status === 'scored' &&
      scoreShare(standing) > 0 &&
      scoreShare(standing) <= policy.floor + 1e-9,
  ],
  [
    'unmarked',
    (standing, { asOfMs }) => {
      const sinceMs = waitsSinceMs(standing, asOfMs);
      return sinceMs !== null && asOfMs - sinceMs > markingMs;
    },
  ],
];

export const lastAcceptedMs = (item: Item, policy: Policy): number =>
  item.acceptedUntilMs ?? policy.termEndMs;

/** Last instant at which anything about the item can be mended. */
export const deadlineMs = (item: Item, policy: Policy): number =>
  Math.max(lastAcceptedMs(item, policy), item.offer?.untilMs ?? -Infinity);

function lateCredit(item: Item, policy: Policy, asOfMs: number): number {
  if (item.dueAtMs === null || item.dueAtMs >= asOfMs) return 1;
  switch (policy.late.kind) {
    case 'none':
      return 1;
    case 'flat':
      return policy.late.credit;
    case 'perDay':
      return Math.max(policy.late.least, 1 - policy.late.lose * Math.ceil((asOfMs - item.dueAtMs) / dayMs));
  }
}

/** The share of a score that work handed in now can still earn: the better of the late rule and the offer. */
export function creditNow(item: Item, policy: Policy, asOfMs: number): number {
  const offered = item.offer && asOfMs <= item.offer.untilMs ? item.offer.credit : 0;
  const byRule = asOfMs <= lastAcceptedMs(item, policy) ? lateCredit(item, policy, asOfMs) : 0;
  return Math.max(offered, byRule);
}

export const kindOf = (standing: Standing, course: Deciding): LooseEndKind | null =>
  isOrdinary(standing.item) ? (rules.find(([, applies]) => applies(standing, course))?.[0] ?? null) : null;

/** Every loose end of a course, in the order of its items. */
export function looseEndsOf(course: Course, standings: readonly Standing[]): LooseEnd[] {
  const { asOfMs, policy } = course;
  return standings.flatMap((standing): LooseEnd[] => {
    const kind = kindOf(standing, course);
    if (!kind) return [];
    if (kind === 'unmarked') return [{ standing, kind, recoverable: false, credit: null, deadlineMs: null }];
    const deadline = deadlineMs(standing.item, policy);
    const recoverable = asOfMs <= deadline;
    const credit = recoverable ? creditNow(standing.item, policy, asOfMs) : 0;
    return [{ standing, kind, recoverable, credit, deadlineMs: deadline }];
  });
}
