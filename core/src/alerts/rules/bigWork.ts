import { isTest } from '../../outlook';
import { instantOf, type Item } from '../../gradebook';
import type { ChildFacts, CourseSight } from '../facts';
import type { ChildRule } from '../signal';
import { workSignal } from './workReason';
import { dayMs } from '../../dates';

/** The works of a course that have been given out, are not handed in, and are due within so many days. */
export const worksDue = ({ asOfMs }: ChildFacts, { items, results }: CourseSight, days: number): Item[] =>
  [...items.values()].filter(({ id, assignedAtMs, dueAtMs }) => {
    const status = results.get(id)?.at(-1)?.value.status ?? 'open';
    const given = assignedAtMs === null || assignedAtMs <= asOfMs;
    const soon = dueAtMs !== null && dueAtMs >= asOfMs && dueAtMs - asOfMs <= days * dayMs;
    return status === 'open' && given && soon;
  });

/** A test, or work of so much effect, that is due within so many days and not handed in. */
export const bigWork: ChildRule = {
  name: 'big-work',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days, effect } = ask(course.id)['big-work'];
      if (!on) return [];
      return worksDue(facts, course, days).flatMap(({ id, assignedAtMs }) => {
        const stake = course.stakes().get(id) ?? null;
        const big = stake !== null && (stake / course.policy.outOf) * 100 >= effect - 1e-9;
        if (!big && !isTest(course.itemKinds[id] ?? null)) return [];
        return workSignal(facts, course, {
          rule: 'big-work',
          id: `big-work:${id}`,
          key: `coming:${facts.studentId}:${course.id}`,
          kind: 'coming',
          itemId: id,
          at: instantOf(assignedAtMs ?? facts.asOfMs),
          work: { impact: stake },
        });
      });
    }),
};
