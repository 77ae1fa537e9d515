import type { Item, Policy } from './course';
import { isOrdinary, type Standing } from './standing';

/** How an item stands, without its item: what a value is read from. */
export type Stand = Pick<Standing, 'status' | 'earned'>;

/**
 * The value of a standing as the gradebook counts it today, as a fraction of the item's mass; null leaves it out
 * of the sum. Example: 17 of 20 → 0.85; missing at zero → 0; handed in → null.
 */
export function postedValue(policy: Policy, item: Item, stand: Stand): number | null {
  if (!isOrdinary(item)) return null;
  switch (stand.status) {
    case 'scored':
      return stand.earned === null ? null : Math.max(policy.floor, stand.earned / item.possible);
    case 'missing':
      return policy.missingCounts === 'not' ? null : policy.missingCounts === 'floor' ? policy.floor : 0;
    case 'incomplete':
      return policy.incompleteCounts === 'zero' ? 0 : null;
    case 'excused':
    case 'open':
    case 'handed-in':
      return null;
  }
}

/** Mass that extra credit adds to what is earned in its category; 0 for everything else. */
export const extraEarned = (item: Item, stand: Stand): number =>
  item.counts && item.extraCredit && stand.status === 'scored' ? (stand.earned ?? 0) * item.multiplier : 0;
