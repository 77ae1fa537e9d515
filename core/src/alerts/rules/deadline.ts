import { instantOf } from '../../gradebook';
import type { ChildFacts, CourseSight } from '../facts';
import type { ChildRule } from '../signal';
import { endOf, standsSince, workKey, workSignal } from './workReason';
import { dayMs } from '../../dates';

interface End {
  readonly itemId: string;
  readonly untilMs: number;
  readonly credit: number | null;
}

/** The last moments to mend a loose end of the course, and those that offers read out of comments name. */
function endsOf(facts: ChildFacts, course: CourseSight): End[] {
  const mendable = course.answer.looseEnds.flatMap(({ itemId, recoverable, deadline, credit, impact }) =>
    recoverable && deadline && (impact ?? 1) > 1e-9
      ? [{ itemId, untilMs: Date.parse(deadline), credit }]
      : [],
  );
  const offered = facts.comments.flatMap(({ value: { courseId, itemId, offers } }) =>
    courseId === course.id && itemId !== null ? offers.map((offer) => ({ itemId, ...offer })) : [],
  );
  return [...mendable, ...offered];
}

/** What can still be mended only for so many days. */
export const deadline: ChildRule = {
  name: 'deadline',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days } = ask(course.id).deadline;
      if (!on) return [];
      const told = new Set<string>();
      return endsOf(facts, course).flatMap(({ itemId, untilMs, credit }) => {
        const near = untilMs >= facts.asOfMs && untilMs - facts.asOfMs <= days * dayMs;
        if (!near || told.has(itemId)) return [];
        told.add(itemId);
        const end = course.answer.looseEnds.find((each) => each.itemId === itemId);
        return workSignal(facts, course, {
          rule: 'deadline',
          id: `deadline:${itemId}:${instantOf(untilMs)}`,
          key: workKey(facts, course),
          kind: 'work',
          itemId,
          at: standsSince(course, itemId, facts.asOfMs),
          work: { ...(end ? endOf(end) : {}), deadline: instantOf(untilMs), credit },
        });
      });
    }),
};
