import type { FigureReason } from '@cadro/contract';
import { instantOf, letterOf } from '../../../gradebook';
import type { ChildFacts, CourseSight } from '../../facts';
import type { Signal } from '../../signal';
import { extremeOf, movesSince, traceOf } from '../../trace';

/** How far back the explanation looks where a rule sets no days of its own. */
const explainedDays = 21;

interface Finding {
  readonly rule: FigureReason['rule'];
  readonly id: string;
  readonly days?: number;
  readonly limit?: number | null;
  readonly perWeek?: number | null;
  readonly direction?: 1 | -1;
}

/** The alert about a course's figure going down: whatever rule finds it, it is one cause. */
export const figureKey = (facts: ChildFacts, course: CourseSight): string =>
  `figure:${facts.studentId}:${course.id}`;

/** What goes well in a course. */
export const goodKey = (facts: ChildFacts, course: CourseSight): string =>
  `good:${facts.studentId}:${course.id}`;

/** The letter of what moves: the school's own, unless its figure is another than ours. */
export function letterNow({ policy, grade, answer }: CourseSight): string | null {
  const counted = grade.by === 'count' || grade.count !== null;
  return counted && answer.posted !== null ? letterOf(policy, answer.posted / policy.outOf) : grade.letter;
}

/**
 * A finding about a course's figure with the figure before and now and what moved it. `before` is the best (or, for
 * good news, the worst) it was in the days looked at.
 */
export function figureSignal(facts: ChildFacts, course: CourseSight, finding: Finding): Signal[] {
  const { posted, ifLeft, moved } = course.answer;
  if (posted === null) return [];
  const { rule, id, days = explainedDays, limit = null, perWeek = null, direction = -1 } = finding;
  const from = extremeOf(traceOf(course, facts.asOfMs, days), direction === -1 ? 1 : -1);
  const last = moved.at(-1);
  const { policy } = course;
  const letterAt = (figure: number) => letterOf(policy, figure / policy.outOf);
  return [
    {
      key: direction === -1 ? figureKey(facts, course) : goodKey(facts, course),
      kind: direction === -1 ? 'figure' : 'good',
      studentId: facts.studentId,
      courseId: course.id,
      courseTitle: course.title,
      reason: {
        id,
        at: last?.at ?? instantOf(facts.asOfMs),
        sourceName: course.sourceName,
        about: 'figure',
        rule,
        before: from?.posted ?? null,
        since: from && instantOf(from.atMs),
        now: posted,
        grade: course.grade,
        ifLeft,
        letterBefore: from && letterAt(from.posted),
        letterNow: letterNow(course),
        limit,
        perWeek,
        outOf: policy.outOf,
        decimals: policy.decimals,
        moved: from ? movesSince(course, from.atMs, direction) : [],
      },
    },
  ];
}
