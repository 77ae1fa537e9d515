import type { CourseFigures, CourseGrade } from '@cadro/contract';
import type { Policy } from './course';
import { displayOf, letterOf, roundHalfAway } from './display';

/** What a school itself says of a course in one of its terms, as it wrote it. */
export interface StatedGrade {
  readonly figure: number | null;
  readonly fraction: number | null;
  readonly letter: string | null;
  /** An instant. */
  readonly at: string;
  /** Stored for good, after the term. */
  readonly final: boolean;
}

/** How far a stated figure may lie from the range of its own letter, as a share of the scale. */
const letterSlack = 0.1;
/** So much above full, or above our own count, a figure can still be meant. */
const aboveSlack = 0.1;
/** A figure and a fraction of one statement that lie further apart are not on one scale. */
const oneScale = 0.01;

/** Whether a figure lies in or near the range of its letter; true of a letter that the course does not have. */
function agreesWithLetter({ letters }: Policy, share: number, letter: string | null): boolean {
  const place = letters.findIndex((each) => each.letter === letter);
  if (place < 0) return true;
  const above = letters[place - 1]?.from ?? Infinity;
  return share >= letters[place]!.from - letterSlack && share <= above + letterSlack;
}

/**
 * A stated figure on the course's scale; null where it cannot be meant on it: 130 of 100, or 3.2 with a B where B
 * begins at 80. Where the school tells the fraction too, that decides. Example: 3.2 and 0.8, on a scale of 100 → 80.
 */
export function readStated(policy: Policy, stated: StatedGrade, ours: number | null): number | null {
  const { outOf } = policy;
  const most = Math.max(1, (ours ?? 0) / outOf) + aboveSlack;
  const meant = (share: number) =>
    share >= 0 && share <= most && agreesWithLetter(policy, share, stated.letter);
  const { figure, fraction } = stated;
  if (figure !== null && meant(figure / outOf)) {
    const apart = fraction !== null && meant(fraction) && Math.abs(figure / outOf - fraction) > oneScale;
    return apart ? fraction * outOf : figure;
  }
  return fraction !== null && meant(fraction) ? fraction * outOf : null;
}

export type Agreement = 'same' | 'rounded' | 'differs';

/** Whether two figures are the same once one of them has been rounded as the school rounds. */
export function agreementOf(ours: number | null, stated: number, decimals: number): Agreement {
  if (ours === null) return 'differs';
  const equals = (rounded: number) => Math.abs(rounded - stated) < 1e-9;
  if (equals(ours) || equals(roundHalfAway(ours, decimals))) return 'same';
  for (let fewer = decimals - 1; fewer >= 0; fewer--)
    if (equals(roundHalfAway(ours, fewer))) return 'rounded';
  return 'differs';
}

/** The statement that holds: what is stored for good before what runs, the newest of each. */
export const statedNow = (stated: readonly StatedGrade[]): StatedGrade | null =>
  stated.reduce<StatedGrade | null>((best, each) => {
    if (!best || best.final !== each.final) return !best || each.final ? each : best;
    return Date.parse(each.at) > Date.parse(best.at) ? each : best;
  }, null);

/**
 * As many decimals as a stated figure is written with, up to the policy's: so it reads alike whatever our own count is.
 * The fraction beside it tells whether 84 is a rounded 83.5 or just 84.0.
 */
function decimalsOf(figure: number, { decimals: most, outOf }: Policy, fraction: number | null): number {
  const among = Array.from({ length: most + 1 }, (_, decimals) => decimals);
  const writes = (value: number) => (decimals: number) =>
    Math.abs(roundHalfAway(value, decimals) - figure) < 1e-9;
  const rounded = fraction === null ? undefined : [...among].reverse().find(writes(fraction * outOf));
  return rounded ?? among.find(writes(figure)) ?? most;
}

type Ours = Pick<CourseFigures, 'posted' | 'display' | 'letter'>;

/** A grade that nobody but we have computed. */
export const countedGrade = (
  policy: Pick<Policy, 'decimals'>,
  { posted, display, letter }: Ours,
): CourseGrade => ({
  figure: posted,
  display,
  decimals: policy.decimals,
  letter,
  by: 'count',
  at: null,
  count: null,
});

/**
 * The grade of a course as it is told everywhere: the school's own running or stored figure leads, where it states one
 * that can be read; ours stands beside it (`count`) where the two differ by more than rounding.
 * @param ours what we count from the record.
 * @param stated what the school has said of the same term.
 */
export function courseGrade(policy: Policy, ours: Ours, stated: readonly StatedGrade[]): CourseGrade {
  const said = statedNow(stated);
  if (!said) return countedGrade(policy, ours);
  const { at, letter, final } = said;
  const by = final ? 'final' : 'school';
  const figure = readStated(policy, said, ours.posted);
  const isLetter = said.figure === null && said.fraction === null && letter !== null;
  // What cannot be meant on this scale does not lead; the course's page tells of it (`reconcile`).
  if (figure === null && !isLetter) return countedGrade(policy, ours);
  const { posted, display, letter: ourLetter } = ours;
  const { decimals } = policy;
  const count = posted === null ? null : { figure: posted, display, decimals, letter: ourLetter };
  // A letter alone: a school that keeps no figures, or stores only what is printed.
  if (figure === null) {
    return { figure, display: null, decimals, letter, by, at, count: letter === ourLetter ? null : count };
  }
  const same = agreementOf(posted, figure, decimals) !== 'differs';
  return {
    figure: same ? posted : figure,
    decimals: decimalsOf(figure, policy, said.fraction),
    display: said.figure === figure ? figure : displayOf(policy, figure / policy.outOf),
    letter: letter ?? letterOf(policy, figure / policy.outOf),
    ...{ by, at, count: same ? null : count },
  };
}
