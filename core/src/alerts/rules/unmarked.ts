import type { ChildRule } from '../signal';
import { workSignal } from './workReason';
import { dayMs } from '../../dates';

/** Work that was handed in so many days ago and has no mark. */
export const unmarked: ChildRule = {
  name: 'unmarked',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days } = ask(course.id).unmarked;
      if (!on) return [];
      return [...course.results].flatMap(([itemId, results]) => {
        const last = results.at(-1)?.value;
        if (last?.status !== 'handed-in' || facts.asOfMs - Date.parse(last.at) < days * dayMs) return [];
        return workSignal(facts, course, {
          rule: 'unmarked',
          id: `unmarked:${itemId}`,
          key: `waiting:${facts.studentId}:${course.id}`,
          kind: 'work',
          itemId,
          at: last.at,
        });
      });
    }),
};
