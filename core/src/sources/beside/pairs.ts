import { dayMs } from '../../dates';
import { pairRows, plainTitle, type Named } from '../own/match';

/** A work as two sources may both tell of it. */
export interface PairedWork extends Named {
  readonly id: string;
  readonly possible: number;
  /** Whether anything is said of how it stands: what only names a day knows of no points. */
  readonly said: boolean;
}

/** Which of the other's works one is; `sure` where name, day and points say so, else somebody is asked. */
export interface Pair {
  readonly ownId: string;
  readonly theirId: string;
  readonly sure: boolean;
}

/** So many days apart, two works of different names may still be one. */
const nearDays = 3;
/** So much of the shorter name is in the longer one, at least. */
const likeEnough = 0.5;

const wordsOf = (title: string): ReadonlySet<string> =>
  new Set(
    plainTitle(title)
      .split(' ')
      .filter((word) => word !== ''),
  );
const isNumber = (word: string): boolean => /^\d+$/.test(word);

/** How much of the shorter name is in the longer, 0 to 1; nothing where both are numbered, and differently. */
function likeness(a: string, b: string): number {
  const [one, other] = [wordsOf(a), wordsOf(b)];
  const shared = [...one].filter((word) => other.has(word));
  const [ones, others] = [[...one].filter(isNumber), [...other].filter(isNumber)];
  if (ones.length > 0 && others.length > 0 && !shared.some(isNumber)) return 0;
  const named = shared.filter((word) => !isNumber(word));
  return named.length / Math.max(1, Math.min(one.size - ones.length, other.size - others.length));
}

const daysApart = (a: string | null, b: string | null): number =>
  a === null || b === null ? 0 : Math.abs(Date.parse(a) - Date.parse(b)) / dayMs;

const hasPointsOf = (own: PairedWork, their: PairedWork): boolean =>
  own.possible === their.possible || !own.said;

/** Whether two works of different names may be one: near days, the same worth, much of a name in common. */
const mayBeOne = (own: PairedWork, their: PairedWork): boolean =>
  hasPointsOf(own, their) &&
  daysApart(own.dueOn, their.dueOn) <= nearDays &&
  likeness(own.title, their.title) >= likeEnough;

/**
 * Which works of a course two sources both tell of, each in one pair at most. A pair is sure by name and day where the
 * points agree; what differs in points, or has much of the name, near days and the same points, is asked about.
 * @param apart pairs that somebody has said are two works, as `own:their`.
 * @example pairWorks([{ id: 'a', title: 'Quiz 4', dueOn: '2026-11-03', possible: 20, said: true }],
 *   [{ id: 'x', title: 'quiz 4', dueOn: '2026-11-03', possible: 20, said: false }], new Set()) // [{ ownId: 'a', theirId: 'x', sure: true }]
 */
export function pairWorks(
  own: readonly PairedWork[],
  theirs: readonly PairedWork[],
  apart: ReadonlySet<string>,
): Pair[] {
  const isApart = (a: PairedWork, b: PairedWork) => apart.has(`${a.id}:${b.id}`);
  const byName = pairRows(theirs, own).flatMap((at, index): Pair[] => {
    const [mine, their] = [own[index], at === null ? undefined : theirs[at]];
    if (!mine || !their || isApart(mine, their)) return [];
    return [{ ownId: mine.id, theirId: their.id, sure: hasPointsOf(mine, their) }];
  });
  const taken = new Set(byName.flatMap(({ ownId, theirId }) => [ownId, theirId]));
  const maybe = own.flatMap((mine): Pair[] => {
    if (taken.has(mine.id)) return [];
    const rivals = theirs.filter(
      (their) => !taken.has(their.id) && !isApart(mine, their) && mayBeOne(mine, their),
    );
    const [best] = [...rivals].sort((a, b) => likeness(mine.title, b.title) - likeness(mine.title, a.title));
    if (!best) return [];
    taken.add(best.id);
    return [{ ownId: mine.id, theirId: best.id, sure: false }];
  });
  return [...byName, ...maybe];
}

/**
 * Which of a school's courses another source's course is: the one of its name, or the only one whose name has most of it.
 * @returns the place of each among theirs; null for one that stands by itself.
 */
export function pairCourses(own: readonly string[], theirs: readonly string[]): (number | null)[] {
  const taken = new Set<number>();
  const take = (place: number | undefined): number | null => {
    if (place === undefined || place < 0) return null;
    taken.add(place);
    return place;
  };
  const exact = own.map((title) =>
    take(theirs.findIndex((each, place) => !taken.has(place) && plainTitle(each) === plainTitle(title))),
  );
  return exact.map((found, at) => {
    const title = own[at];
    if (found !== null || title === undefined) return found;
    const like = theirs.flatMap((each, place) =>
      !taken.has(place) && likeness(title, each) > likeEnough ? [place] : [],
    );
    return like.length === 1 ? take(like[0]) : null;
  });
}
