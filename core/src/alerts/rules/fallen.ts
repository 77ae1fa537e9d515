import type { ChildRule } from '../signal';
import { wayFrom } from '../trace';
import { figureKey, figureSignal } from './figureReason';

/** The posted figure has fallen by so many points of a hundred from its best within so many days. */
export const fallen: ChildRule = {
  name: 'fallen',
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, points, days } = ask(course.id).fallen;
      const fall = on ? wayFrom(course, facts.asOfMs, days, -1) : 0;
      // It has to win back half of it before another fall is one.
      const least = stands(figureKey(facts, course), 'fallen') ? points / 2 : points;
      if (!on || fall < least - 1e-9) return [];
      const step = Math.max(1, Math.floor(fall / points + 1e-9));
      return figureSignal(facts, course, { rule: 'fallen', id: `fallen:${step}`, days });
    }),
};
