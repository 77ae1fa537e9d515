import type { LooseEndKind } from '@cadro/contract';
import { postedValue, type Policy } from '../../gradebook';
import type { LooseEnd } from './looseEnds';

/** Whether an item of this kind counts as next to nothing by the end of the term unless someone acts. */
export const fallsIfLeft = (kind: LooseEndKind): boolean =>
  kind === 'missing' || kind === 'incomplete' || kind === 'overdue';

/** What such an item is worth then, as a fraction. */
export const leftValue = ({ missingCounts, floor }: Policy): number =>
  missingCounts === 'floor' ? floor : 0;

/** What a loose end is worth if nothing changes; null leaves it out. */
export const valueIfLeft = (policy: Policy, { kind, standing }: LooseEnd): number | null =>
  fallsIfLeft(kind) ? leftValue(policy) : postedValue(policy, standing.item, standing);
