import type { LooseEndKind } from '@cadro/contract';
import { dayMs } from '../../dates';

/** Marks take a day or two to travel between systems. */
const travelMs = 2 * dayMs;

/** Whether work that seems overdue may only not have been heard of yet: nobody is told of it before that has passed. */
export const isTravelling = (
  { kind, dueAtMs }: { readonly kind: LooseEndKind | null; readonly dueAtMs: number | null },
  asOfMs: number,
): boolean => kind === 'overdue' && dueAtMs !== null && asOfMs - dueAtMs < travelMs;
