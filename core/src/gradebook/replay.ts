import type { Course, Result } from './course';
import type { Tally } from './tally';

/** A change of the record that the figure is asked about: what it was just before and just after. */
export interface Step {
  readonly result: Result;
  readonly before: number | null;
  readonly after: number | null;
}

export interface Replayed {
  /** The fraction at each asked instant, in their order. */
  readonly at: readonly (number | null)[];
  /** Every result after `sinceMs`, in order. */
  readonly steps: readonly Step[];
  /** The standing result of each item, by its index. */
  readonly last: readonly (Result | undefined)[];
}

/** The results that exist at the course's instant, by time, then order of the record. */
export function historyOf({ results, asOfMs }: Course): readonly Result[] {
  const known = results.filter(({ atMs }) => atMs <= asOfMs);
  const ordered = known.every(({ atMs }, index) => index === 0 || known[index - 1]!.atMs <= atMs);
  return ordered ? known : known.sort((a, b) => a.atMs - b.atMs);
}

/**
 * Lets the history of a course happen once, in order, and reads the figure on the way: at given instants (the
 * past weeks) and around every change since `sinceMs`. Leaves the tally as it stands at the course's instant.
 * @param instantsMs ascending, none after the course's instant.
 */
export function replay(
  course: Course,
  tally: Tally,
  { instantsMs, sinceMs }: { readonly instantsMs: readonly number[]; readonly sinceMs: number },
): Replayed {
  const last: (Result | undefined)[] = new Array(course.items.length);
  const at: (number | null)[] = [];
  const steps: Step[] = [];
  let figure: { readonly fraction: number | null } | null = null;
  const now = () => (figure ??= { fraction: tally.fraction() }).fraction;
  for (const result of historyOf(course)) {
    while (at.length < instantsMs.length && instantsMs[at.length]! < result.atMs) at.push(now());
    const index = course.indexOf.get(result.itemId);
    if (index === undefined) continue;
    const before = result.atMs > sinceMs ? now() : null;
    if (tally.apply(index, result)) figure = null;
    last[index] = result;
    if (result.atMs > sinceMs) steps.push({ result, before, after: now() });
  }
  while (at.length < instantsMs.length) at.push(now());
  return { at, steps, last };
}
