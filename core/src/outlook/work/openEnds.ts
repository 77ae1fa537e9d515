import type { CourseFigures, OpenEnd } from '@cadro/contract';

/** How a second chance stands among loose ends. */
const asEnd = ({ itemId, credit, deadline, impact }: CourseFigures['chances'][number]): OpenEnd => ({
  ...{ itemId, kind: 'again', recoverable: true, credit, deadline, impact },
});

const equal = 1e-9;

/**
 * What is open in a course for people: its loose ends and its second chances in one make-up order, each list coming in
 * that order; what waits on the teacher comes last.
 */
export function openEndsOf({ looseEnds, chances }: Pick<CourseFigures, 'looseEnds' | 'chances'>): OpenEnd[] {
  const waiting = looseEnds.filter(({ kind }) => kind === 'unmarked');
  const open: OpenEnd[] = [...looseEnds.filter(({ kind }) => kind !== 'unmarked'), ...chances.map(asEnd)];
  const before = (a: OpenEnd, b: OpenEnd): number => {
    const byImpact = (b.impact ?? 0) - (a.impact ?? 0);
    return Math.abs(byImpact) >= equal ? byImpact : (a.deadline ?? '').localeCompare(b.deadline ?? '');
  };
  return [...open.sort(before), ...waiting];
}
