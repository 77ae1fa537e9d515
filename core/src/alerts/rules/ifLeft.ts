import { limitOn } from '../settings/scale';
import type { ChildRule } from '../signal';
import { marginPoints } from './below';
import { figureKey, figureSignal } from './figureReason';

/** The posted figure looks fine, but it would fall below the threshold if nothing more came in. */
export const ifLeft: ChildRule = {
  name: 'if-left',
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { posted, ifLeft: left } = course.answer;
      const settings = ask(course.id)['if-left'];
      const limit = limitOn(course.policy, settings);
      if (!settings.on || posted === null || left === null || limit === null) return [];
      const margin = stands(figureKey(facts, course), 'if-left')
        ? (marginPoints / 100) * course.policy.outOf
        : 0;
      if (posted < limit - 1e-9 || left >= limit + margin - 1e-9) return [];
      return figureSignal(facts, course, { rule: 'if-left', id: `if-left:${limit}`, limit });
    }),
};
