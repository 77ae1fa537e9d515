import type { Matter, NamedLooseEnd } from '@cadro/contract';
import type { CourseFacts, FamilyFacts } from './facts';
import { isInHand } from './inHand';
import { isTravelling } from '../work/travelling';

/** A fall smaller than this share of the scale is no matter of its own. */
const leastFall = 0.01;
const leastGain = 0.005;

/** The next last day on which one of them is taken; those that have passed are no reason to hurry. */
export const nextEnd = (ends: readonly NamedLooseEnd[], now: string): string | null =>
  ends
    .flatMap(({ deadline }) => (deadline && Date.parse(deadline) >= Date.parse(now) ? [deadline] : []))
    .sort()[0] ?? null;

/** What nobody has taken in hand yet: a follow-up speaks for its own item. */
function notInHand(course: CourseFacts, facts: FamilyFacts): NamedLooseEnd[] {
  const { studentId } = course;
  const travelling = ({ kind, dueAt }: NamedLooseEnd) =>
    isTravelling({ kind, dueAtMs: dueAt === null ? null : Date.parse(dueAt) }, Date.parse(facts.now));
  return course.looseEnds.filter(
    (end) =>
      end.kind !== 'unmarked' &&
      !travelling(end) &&
      end.doubt !== 'doubtful' &&
      !isInHand(facts, { studentId, topic: 'work', itemId: end.itemId }),
  );
}

function common(course: CourseFacts, kind: Matter['kind'], stake: number, ends: readonly NamedLooseEnd[]) {
  return {
    key: `${kind}:${course.studentId}:${course.id}`,
    studentId: course.studentId,
    courseId: course.id,
    courseTitle: course.title,
    stake,
    alertIds: [],
    display: course.figures.display,
    outOf: course.outOf,
    decimals: course.decimals,
    looseEnds: [...ends],
    slipping: course.figures.trend.class === 'slipping',
  };
}

/**
 * A figure that looks fine with work under it that does not count yet: the whole fall is at stake, whether
 * or not anybody flagged the work.
 */
export function underneath(facts: FamilyFacts): Matter[] {
  return facts.courses.flatMap((course): Matter[] => {
    const { posted, ifLeft } = course.figures;
    const ends = notInHand(course, facts).filter(({ kind }) => kind === 'overdue' || kind === 'incomplete');
    if (posted === null || ifLeft === null || ends.length === 0) return [];
    const fall = (posted - ifLeft) / course.outOf;
    if (fall < leastFall) return [];
    const expiresAt = nextEnd(ends, facts.now);
    return [{ ...common(course, 'underneath', fall, ends), kind: 'underneath', expiresAt, ifLeft }];
  });
}

/** Work that already counts against the child and can still be mended: the gain of all of it is at stake. */
export function mendable(facts: FamilyFacts): Matter[] {
  return facts.courses.flatMap((course): Matter[] => {
    const ends = notInHand(course, facts).filter(
      ({ kind, impact }) =>
        (kind === 'missing' || kind === 'zero' || kind === 'at-floor') &&
        impact !== null &&
        impact / course.outOf >= leastGain,
    );
    if (ends.length === 0) return [];
    const gain = ends.reduce((sum, { impact }) => sum + (impact ?? 0), 0) / course.outOf;
    const expiresAt = nextEnd(ends, facts.now);
    return [{ ...common(course, 'mendable', gain, ends), kind: 'mendable', expiresAt }];
  });
}
