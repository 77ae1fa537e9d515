import { Type } from '@sinclair/typebox';
import { figureKey, figureSignal } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { knob, ruleSettings } from '../set';

/** The figure has gone down for weeks, by so many points of a hundred a week. */
export const slipping = childRule({
  name: 'slipping',
  about: 'figure',
  settings: ruleSettings({ perWeek: Type.Number({ minimum: 1, maximum: 20 }) }),
  presets: {
    urgent: { on: true, perWeek: 3 },
    usual: { on: true, perWeek: 1.25 },
    everything: { on: true, perWeek: 1 },
  },
  page: { group: 'figure', place: 5, knobs: [knob.perWeek], differs: 'course' },
  asked: ({ perWeek }, scaled) => ({ amount: scaled(perWeek), days: null }),
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, perWeek } = ask(course.id);
      const { slope } = course.answer.trend;
      if (!on || slope === null) return [];
      const least = stands(figureKey(facts, course)) ? perWeek / 2 : perWeek;
      if (-slope < least - 1e-9) return [];
      const scaled = (slope / 100) * course.policy.outOf;
      return figureSignal(facts, course, { rule: 'slipping', id: 'slipping', days: 35, perWeek: scaled });
    }),
  words: {
    en: {
      name: 'Falling for weeks',
      asked: ({ amount }) => `Cadro tells you when a grade keeps falling by ${amount} a week.`,
      tell: (reason, told) => {
        const { say, name, facts } = figureIn('en', reason, told);
        return {
          headline: `${name} is losing about ${say(Math.abs(reason.perWeek ?? 0))} points a week`,
          discreet: `${name} is slipping`,
          facts,
          rule: 'Cadro tells you when a grade keeps falling.',
          next: 'Talk it over, and see what kind of work it is.',
        };
      },
    },
    es: {
      name: 'Lleva semanas bajando',
      asked: ({ amount }) => `Se le avisa cuando una calificación baja ${amount} por semana durante semanas.`,
      tell: (reason, told) => {
        const { say, name, facts } = figureIn('es', reason, told);
        return {
          headline: `${name} pierde unos ${say(Math.abs(reason.perWeek ?? 0))} puntos por semana`,
          discreet: `${name} va bajando`,
          facts,
          rule: 'Se le avisa cuando una calificación baja durante semanas.',
          next: 'Háblenlo, y vean de qué tipo de tarea se trata.',
        };
      },
    },
  },
});
