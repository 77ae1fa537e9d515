/** Minutes a work took or is thought to take, told by a guardian. */
export interface KnownEffort {
  readonly kind: string | null;
  readonly possible: number;
  readonly minutes: number;
}

/** Before a household has told anything: a usual evening's minutes, and what each point adds. */
const usual: readonly (readonly [RegExp, base: number, perPoint: number])[] = [
  [/project|model|portfolio|field work/i, 40, 1],
  [/paper|essay|report|lab/i, 30, 1],
  [/test|exam/i, 40, 0.5],
  [/quiz|check/i, 30, 0.5],
  [/reading|notebook|log|notes|agenda/i, 15, 0.5],
];
const other = [20, 0.75] as const;

const roundTo = 5;
const [least, most] = [5, 240];

function usualMinutes(kind: string | null, possible: number): number {
  const [, base, perPoint] = usual.find(([pattern]) => pattern.test(kind ?? '')) ?? [null, ...other];
  // A course of 4 points and one of 100 ask for the same evening.
  return base + perPoint * Math.min(possible, 40);
}

const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * Learns from what a household has told how long work takes this child: the middle of how its minutes compare with
 * the usual ones, of the same kind where there are any, else of all.
 * @returns minutes, in fives, for a kind and its points.
 */
export function learntEffort(
  known: readonly KnownEffort[],
): (kind: string | null, possible: number) => number {
  const ratio = ({ kind, possible, minutes }: KnownEffort) => minutes / usualMinutes(kind, possible);
  const all = known.map(ratio);
  return (kind, possible) => {
    const same = known.filter((each) => each.kind === kind).map(ratio);
    const pace = same.length > 0 ? middle(same) : all.length > 0 ? middle(all) : 1;
    const minutes = Math.round((usualMinutes(kind, possible) * pace) / roundTo) * roundTo;
    return Math.min(most, Math.max(least, minutes));
  };
}
