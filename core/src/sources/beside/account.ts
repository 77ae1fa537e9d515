import type { ResultStatus } from '@cadro/contract';

/** Whose word goes first where two sources tell of one course. */
export type Lead = 'school' | 'own';

/** How work stands by one account; `open` where it says nothing. */
export interface Account {
  readonly status: ResultStatus;
  readonly earned: number | null;
}

/** What only somebody who has looked at the work can say. */
const isJudged = ({ status }: Account): boolean => status !== 'open' && status !== 'handed-in';

/**
 * Whether what a household has of a work holds, and not what the school says. What says nothing never holds. Where the
 * household goes first, its word does; else only until the school has judged the work itself: what is handed in or known
 * at home and not entered yet is true all the same.
 * @example ownStands({ lead: 'school', theirs: { status: 'open', earned: null }, own: { status: 'scored', earned: 17 } }) // true
 */
export function ownStands({
  lead,
  theirs,
  own,
}: {
  readonly lead: Lead;
  readonly theirs: Account;
  readonly own: Account;
}): boolean {
  if (own.status === 'open') return false;
  if (lead === 'own') return true;
  return !isJudged(theirs) && (isJudged(own) || theirs.status === 'open');
}

/** Something said of a work at an instant. */
interface Said extends Account {
  readonly at: Date;
}

/**
 * One history out of two, oldest first. What holds is at its end: of an account that does not hold, what came before the
 * other first said something stays, since it was known then.
 * @param theirs the school's, oldest first. @param own the household's, oldest first.
 */
export function laidOver<T extends Said>(theirs: readonly T[], own: readonly T[], stands: boolean): T[] {
  const [over, under] = stands ? [own, theirs] : [theirs, own];
  const first = over.find(({ status }) => status !== 'open') ?? over[0];
  if (!first) return [...under];
  const since = over.slice(over.indexOf(first));
  return [...under.filter(({ at }) => at < first.at), ...since];
}
