import { limitOn } from '../settings/scale';
import type { ChildRule } from '../signal';
import { figureKey, figureSignal } from './figureReason';

/** Once below, a figure has to come this much above the threshold to be out of it again: points of a hundred. */
export const marginPoints = 1;

/** The posted figure is below the threshold. */
export const below: ChildRule = {
  name: 'below',
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { posted } = course.answer;
      const settings = ask(course.id).below;
      const limit = limitOn(course.policy, settings);
      if (!settings.on || posted === null || limit === null) return [];
      const margin = stands(figureKey(facts, course), 'below')
        ? (marginPoints / 100) * course.policy.outOf
        : 0;
      if (posted >= limit + margin - 1e-9) return [];
      return figureSignal(facts, course, { rule: 'below', id: `below:${limit}`, limit });
    }),
};
