import { limitOn } from '../../settings/scale';
import { figureKey, figureSignal } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { knob, ruleSettings, threshold, usualThreshold } from '../set';

/** Once below, a figure has to come this much above the threshold to be out of it again: points of a hundred. */
export const marginPoints = 1;
const on = { on: true, ...usualThreshold };

/** The grade is below the threshold: the school's own where it states one. */
export const below = childRule({
  name: 'below',
  about: 'figure',
  settings: ruleSettings(threshold),
  presets: { urgent: on, usual: on, everything: on },
  page: { group: 'figure', place: 1, knobs: [knob.percent, knob.level], letter: true, differs: 'course' },
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { figure } = course.grade;
      const settings = ask(course.id);
      const limit = limitOn(course.policy, settings);
      if (!settings.on || figure === null || limit === null) return [];
      const margin = stands(figureKey(facts, course)) ? (marginPoints / 100) * course.policy.outOf : 0;
      if (figure >= limit + margin - 1e-9) return [];
      return figureSignal(facts, course, { rule: 'below', id: `below:${limit}`, limit });
    }),
  words: {
    en: {
      name: 'A grade is below your limit',
      tell: (reason, told) => {
        const { say, course, facts, see, grade } = figureIn('en', reason, told);
        const limit = say(reason.limit ?? reason.now);
        return {
          headline: `${course} is at ${grade}, below ${limit}`,
          discreet: `${course} is below your limit`,
          facts,
          rule: `Cadro tells you when a grade is below ${limit}.`,
          next: see,
        };
      },
    },
    es: {
      name: 'Una calificación está por debajo de su límite',
      tell: (reason, told) => {
        const { say, course, facts, see, grade } = figureIn('es', reason, told);
        const limit = say(reason.limit ?? reason.now);
        return {
          headline: `${course} está en ${grade}, por debajo de ${limit}`,
          discreet: `${course} está por debajo de su límite`,
          facts,
          rule: `Se le avisa cuando una calificación está por debajo de ${limit}.`,
          next: see,
        };
      },
    },
  },
});
