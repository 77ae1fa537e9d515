import type { LooseEndFigure } from '@cadro/contract';
import { isTravelling } from '../../outlook';
import type { ChildFacts, CourseSight } from '../facts';
import type { ChildRule } from '../signal';
import { endOf, standsSince, workKey, workSignal } from './workReason';

const travels = (facts: ChildFacts, course: CourseSight, { itemId, kind }: LooseEndFigure): boolean =>
  isTravelling({ kind, dueAtMs: course.items.get(itemId)?.dueAtMs ?? null }, facts.asOfMs);

/** Loose ends of the chosen kinds, from so many in one course on, each of so much effect. */
export const looseEnd: ChildRule = {
  name: 'loose-end',
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, kinds, atOnce, effect } = ask(course.id)['loose-end'];
      if (!on) return [];
      const key = workKey(facts, course);
      const ends = course.answer.looseEnds.filter(
        (end) =>
          kinds.includes(end.kind) &&
          !travels(facts, course, end) &&
          (effect === 0 || ((end.impact ?? 0) / course.policy.outOf) * 100 >= effect - 1e-9),
      );
      if (ends.length < atOnce && !stands(key, 'loose-end')) return [];
      return ends.flatMap((end) =>
        workSignal(facts, course, {
          rule: 'loose-end',
          id: `loose-end:${end.itemId}`,
          key,
          kind: 'work',
          itemId: end.itemId,
          at: standsSince(course, end.itemId, facts.asOfMs),
          work: endOf(end),
        }),
      );
    }),
};
