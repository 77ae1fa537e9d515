import { limitOn } from '../../settings/scale';
import { marginPoints } from './below';
import { figureKey, figureSignal } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { knob, ruleSettings, threshold, usualThreshold } from '../set';

const on = { on: true, ...usualThreshold };

/** The grade looks fine, but by our count it would fall below the threshold if nothing more came in. */
export const ifLeft = childRule({
  name: 'if-left',
  about: 'figure',
  settings: ruleSettings(threshold),
  presets: { urgent: on, usual: on, everything: on },
  page: { group: 'figure', place: 2, knobs: [knob.percent, knob.level], letter: true, differs: 'course' },
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { ifLeft: left } = course.answer;
      const { figure } = course.grade;
      const settings = ask(course.id);
      const limit = limitOn(course.policy, settings);
      if (!settings.on || figure === null || left === null || limit === null) return [];
      const margin = stands(figureKey(facts, course)) ? (marginPoints / 100) * course.policy.outOf : 0;
      if (figure < limit - 1e-9 || left >= limit + margin - 1e-9) return [];
      return figureSignal(facts, course, { rule: 'if-left', id: `if-left:${limit}`, limit });
    }),
  words: {
    en: {
      name: 'Fine now, low if nothing comes in',
      tell: (reason, told) => {
        const { say, course, facts, grade } = figureIn('en', reason, told);
        const { ifLeft: left, limit, now } = reason;
        return {
          headline: `${course} shows ${grade}, and drops to ${say(left ?? now)} if nothing changes`,
          discreet: `${course} will drop if nothing changes`,
          facts: [...facts, 'Some of its assignments haven’t been graded, so they don’t count yet.'],
          rule: `Cadro tells you when a grade would fall below ${say(limit ?? now)} if nothing more came in.`,
          next: 'See which assignments they are, and ask whether they’re turned in.',
        };
      },
    },
    es: {
      name: 'Bien ahora, baja si no llega nada',
      tell: (reason, told) => {
        const { say, course, facts, grade } = figureIn('es', reason, told);
        const { ifLeft: left, limit, now } = reason;
        return {
          headline: `${course} muestra ${grade}, y baja a ${say(left ?? now)} si nada cambia`,
          discreet: `${course} bajará si nada cambia`,
          facts: [...facts, 'Algunas de sus tareas están sin calificar, así que aún no cuentan.'],
          rule: `Se le avisa cuando una calificación caería por debajo de ${say(limit ?? now)} si no llegara nada más.`,
          next: 'Vea qué tareas son y pregunte si se entregaron.',
        };
      },
    },
  },
});
