import type { WorkRow } from '@cadro/contract';

/** What has still to be done and has a day, the next first; what has been turned in is done for the child. */
export const dueSoon = (rows: readonly WorkRow[]): WorkRow[] =>
  rows.filter(
    ({ group, dueAt, asked }) => group === 'coming' && dueAt !== null && asked?.answer !== 'handed-in',
  );

/** What is open and can be made up, what brings most first: the order of Work. */
export const stillWorth = (rows: readonly WorkRow[]): WorkRow[] =>
  rows.filter(({ group, recoverable }) => (group === 'loose' || group === 'doubtful') && recoverable);
