/** What the order over several courses needs of a loose end. */
export interface Ranked {
  readonly title: string;
  readonly kind: string | null;
  readonly impact: number | null;
  readonly outOf: number;
  readonly deadline: string | null;
}

/** The gain as a share of its course's scale, so that 0.3 of 4 and 7 of 100 can be compared. */
export const shareOf = ({ impact, outOf }: Ranked): number => (impact ?? 0) / outOf;

const equal = 1e-9;

/** Make-up order over several courses: the greater share first, then what ends first; what waits on a teacher last. */
export function acrossCourses(a: Ranked, b: Ranked): number {
  if ((a.kind === 'unmarked') !== (b.kind === 'unmarked')) return a.kind === 'unmarked' ? 1 : -1;
  const byShare = shareOf(b) - shareOf(a);
  if (Math.abs(byShare) >= equal) return byShare;
  return (a.deadline ?? '9').localeCompare(b.deadline ?? '9') || a.title.localeCompare(b.title);
}

/** Gain for an hour's work, as a share of the scale. */
export const sharePerHour = (row: Ranked, minutes: number): number =>
  (shareOf(row) * 60) / Math.max(minutes, 1);
