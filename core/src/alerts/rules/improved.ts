import type { ChildRule } from '../signal';
import { wayFrom } from '../trace';
import { figureSignal } from './figureReason';

/** The posted figure has risen by so many points of a hundred from its lowest within so many days. */
export const improved: ChildRule = {
  name: 'improved',
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, points, days } = ask(course.id).improved;
      const rise = on ? wayFrom(course, facts.asOfMs, days, 1) : 0;
      const least = stands(`good:${facts.studentId}:${course.id}`, 'improved') ? points / 2 : points;
      if (!on || rise < least - 1e-9) return [];
      const step = Math.max(1, Math.floor(rise / points + 1e-9));
      return figureSignal(facts, course, { rule: 'improved', id: `improved:${step}`, days, direction: 1 });
    }),
};
