import type { LooseEndKind, ResultStatus } from '@cadro/contract';
import type { Item, Policy } from '../../gradebook';
import { kindOf } from './looseEnds';
import { isTravelling } from './travelling';

export interface RecordedState {
  readonly status: ResultStatus;
  readonly earned: number | null;
}

/**
 * What kind of loose end a change of the record tied up; null when it tied up none.
 * Example: missing before, 17 of 20 after → 'missing'.
 * @param atMs when the change was made: work that was open and past its date then had been overdue.
 */
export function tiedUp(
  item: Item,
  policy: Policy,
  before: RecordedState,
  after: RecordedState,
  atMs: number,
): LooseEndKind | null {
  const kind = (state: RecordedState) =>
    kindOf({ item, status: state.status, earned: state.earned, atMs, levels: {} }, { asOfMs: atMs, policy });
  if (after.status !== 'scored' || after.earned === null || kind(after) !== null) return null;
  const was = kind(before);
  // A mark that took a day or two to travel is no news.
  return isTravelling({ kind: was, dueAtMs: item.dueAtMs }, atMs) ? null : was;
}
