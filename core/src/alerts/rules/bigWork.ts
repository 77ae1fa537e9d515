import { isTest } from '../../outlook';
import { instantOf } from '../../gradebook';
import type { ChildRule } from '../signal';
import { workSignal } from './workReason';

const dayMs = 24 * 60 * 60 * 1000;

/** A test, or work of so much effect, that is due within so many days and not handed in. */
export const bigWork: ChildRule = {
  name: 'big-work',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days, effect } = ask(course.id)['big-work'];
      if (!on) return [];
      return [...course.items.values()].flatMap((item) => {
        const { id, dueAtMs } = item;
        const status = course.results.get(id)?.at(-1)?.value.status ?? 'open';
        const given = item.assignedAtMs === null || item.assignedAtMs <= facts.asOfMs;
        if (status !== 'open' || !given || dueAtMs === null || dueAtMs < facts.asOfMs) return [];
        if (dueAtMs - facts.asOfMs > days * dayMs) return [];
        const stake = course.stakes().get(id) ?? null;
        const big = stake !== null && (stake / course.policy.outOf) * 100 >= effect - 1e-9;
        if (!big && !isTest(course.itemKinds[id] ?? null)) return [];
        return workSignal(facts, course, {
          rule: 'big-work',
          id: `big-work:${id}`,
          key: `coming:${facts.studentId}:${course.id}`,
          kind: 'coming',
          itemId: id,
          at: instantOf(dueAtMs - days * dayMs),
          work: { impact: stake },
        });
      });
    }),
};
