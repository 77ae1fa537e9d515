import type { ChildRule } from '../signal';
import { figureKey, figureSignal } from './figureReason';

/** The figure has gone down for weeks, by so many points of a hundred a week. */
export const slipping: ChildRule = {
  name: 'slipping',
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, perWeek } = ask(course.id).slipping;
      const { slope } = course.answer.trend;
      if (!on || slope === null) return [];
      const least = stands(figureKey(facts, course), 'slipping') ? perWeek / 2 : perWeek;
      if (-slope < least - 1e-9) return [];
      const scaled = (slope / 100) * course.policy.outOf;
      return figureSignal(facts, course, { rule: 'slipping', id: 'slipping', days: 35, perWeek: scaled });
    }),
};
