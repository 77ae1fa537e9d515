import type { Matter, NamedLooseEnd } from '@cadro/contract';
import { dayMs } from '../../dates';
import type { CourseFacts, FamilyFacts } from './facts';
import { isEndInHand } from './inHand';
import { isTravelling } from '../work/travelling';

/** A fall smaller than this share of the scale is no matter of its own. */
const leastFall = 0.01;
const leastGain = 0.005;
/** So long before its end a term is nearly over. */
const lastDaysMs = 14 * dayMs;

/** The next last day on which one of them is taken; those that have passed are no reason to hurry. */
export const nextEnd = (ends: readonly NamedLooseEnd[], now: string): string | null =>
  ends
    .flatMap(({ deadline }) => (deadline && Date.parse(deadline) >= Date.parse(now) ? [deadline] : []))
    .sort()[0] ?? null;

/** What can be done something about and nobody has taken in hand yet: a follow-up speaks for its own item. */
function notInHand(course: CourseFacts, facts: FamilyFacts): NamedLooseEnd[] {
  const nowMs = Date.parse(facts.now);
  const travelling = ({ kind, dueAt }: NamedLooseEnd) =>
    kind !== 'again' && isTravelling({ kind, dueAtMs: dueAt === null ? null : Date.parse(dueAt) }, nowMs);
  // What can no longer be mended is news for a few days and asks for nothing.
  const tooLate = ({ recoverable, deadline }: NamedLooseEnd) =>
    !recoverable || (deadline !== null && Date.parse(deadline) < nowMs);
  return course.looseEnds.filter(
    (end) =>
      end.kind !== 'unmarked' &&
      !tooLate(end) &&
      !travelling(end) &&
      end.doubt !== 'doubtful' &&
      !isEndInHand(facts, course, end),
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
    grade: course.grade,
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
    if (ifLeft === null || ends.length === 0) return [];
    // What may only be on its way from one source to the other is no fall yet.
    const { doubtful } = course;
    const sure = doubtful?.ifLeft ?? ifLeft;
    // A course whose work is all open has no figure yet: toward the end of its term the whole of it is at stake.
    const endsSoon = Date.parse(course.termEnd) - Date.parse(facts.now) <= lastDaysMs;
    if (posted === null && !endsSoon) return [];
    const fall = ((posted ?? course.outOf) - sure) / course.outOf;
    if (fall < leastFall) return [];
    const expiresAt = nextEnd(ends, facts.now);
    return [
      {
        ...common(course, 'underneath', fall, ends),
        kind: 'underneath',
        expiresAt,
        ifLeft: sure,
        doubtful: doubtful && { ifLeft, titles: [...doubtful.titles] },
      },
    ];
  });
}

/** A second chance is a matter where it is worth more than the loose ends beside it. */
function withoutLesserChances(ends: readonly NamedLooseEnd[]): NamedLooseEnd[] {
  const most = Math.max(0, ...ends.flatMap(({ kind, impact }) => (kind === 'again' ? [] : [impact ?? 0])));
  return ends.filter(({ kind, impact }) => kind !== 'again' || (impact ?? 0) > most);
}

/** Work that already counts and can still be mended or done again: the gain of all of it is at stake. */
export function mendable(facts: FamilyFacts): Matter[] {
  return facts.courses.flatMap((course): Matter[] => {
    const gaining = notInHand(course, facts).filter(
      ({ kind, impact }) =>
        (kind === 'missing' || kind === 'zero' || kind === 'at-floor' || kind === 'again') &&
        impact !== null &&
        impact / course.outOf >= leastGain,
    );
    const ends = withoutLesserChances(gaining);
    if (ends.length === 0) return [];
    const gain = ends.reduce((sum, { impact }) => sum + (impact ?? 0), 0) / course.outOf;
    const expiresAt = nextEnd(ends, facts.now);
    return [{ ...common(course, 'mendable', gain, ends), kind: 'mendable', expiresAt }];
  });
}
