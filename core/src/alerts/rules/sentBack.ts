import type { ChildRule } from '../signal';
import { workKey, workSignal } from './workReason';

/** Work that was handed in or marked and is to be done again. */
export const sentBack: ChildRule = {
  name: 'sent-back',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      if (!ask(course.id)['sent-back'].on) return [];
      return [...course.results].flatMap(([itemId, results]) => {
        const [before, after] = results.slice(-2);
        if (!before || !after || facts.asOfMs - after.knownAtMs > facts.newsMs) return [];
        const was = before.value.status === 'handed-in' || before.value.status === 'scored';
        const is = after.value.status === 'open' || after.value.status === 'incomplete';
        if (!was || !is) return [];
        return workSignal(facts, course, {
          rule: 'sent-back',
          id: `sent-back:${itemId}:${after.value.at}`,
          key: workKey(facts, course),
          kind: 'work',
          itemId,
          at: after.value.at,
        });
      });
    }),
};
