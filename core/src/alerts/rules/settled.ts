import { tiedUp } from '../../outlook';
import type { ChildRule } from '../signal';
import { workSignal } from './workReason';

const open = { status: 'open', earned: null } as const;

/** A loose end that is tied up: missing before, 17 of 20 now. */
export const settled: ChildRule = {
  name: 'settled',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      if (!ask(course.id).settled.on) return [];
      return [...course.results].flatMap(([itemId, results]) => {
        const [before, after] = [results.at(-2)?.value, results.at(-1)];
        const item = course.items.get(itemId);
        if (!item || !after || facts.asOfMs - after.knownAtMs > facts.newsMs) return [];
        const state = (result: typeof before) =>
          result ? { status: result.status, earned: result.earned ?? null } : open;
        const atMs = Date.parse(after.value.at);
        const was = tiedUp(item, course.policy, state(before), state(after.value), atMs);
        if (!was) return [];
        return workSignal(facts, course, {
          rule: 'settled',
          id: `settled:${itemId}:${after.value.at}`,
          key: `good:${facts.studentId}:${course.id}`,
          kind: 'good',
          itemId,
          at: after.value.at,
          work: { was },
        });
      });
    }),
};
