import { wayFrom } from '../../trace';
import { figureKey, figureSignal } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { daysUpTo, knob, points, ruleSettings } from '../set';

/** The posted figure has fallen by so many points of a hundred from its best within so many days. */
export const fallen = childRule({
  name: 'fallen',
  about: 'figure',
  settings: ruleSettings({ points, days: daysUpTo(60) }),
  presets: {
    urgent: { on: true, points: 10, days: 14 },
    usual: { on: true, points: 6, days: 14 },
    everything: { on: true, points: 3, days: 14 },
  },
  page: { group: 'figure', place: 3, knobs: [knob.points, knob.days('within', 60)], differs: 'course' },
  asked: (settings, scaled) => ({ amount: scaled(settings.points), days: settings.days }),
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, points: asked, days } = ask(course.id);
      const fall = on ? wayFrom(course, facts.asOfMs, days, -1) : 0;
      // It has to win back half of it before another fall is one.
      const least = stands(figureKey(facts, course)) ? asked / 2 : asked;
      if (!on || fall < least - 1e-9) return [];
      const step = Math.max(1, Math.floor(fall / asked + 1e-9));
      return figureSignal(facts, course, { rule: 'fallen', id: `fallen:${step}`, days });
    }),
  words: {
    en: {
      name: 'A grade has fallen',
      asked: ({ amount, days }) => `Cadro tells you when a grade falls by ${amount} within ${days}.`,
      tell: (reason, told) => {
        const { name, facts, see, from, to } = figureIn('en', reason, told);
        return {
          headline: `${name} fell from ${from} to ${to}`,
          discreet: `${name} has fallen`,
          facts,
          rule: 'Cadro tells you when a grade falls a lot in a few days.',
          next: see,
        };
      },
    },
    es: {
      name: 'Una calificación ha bajado',
      asked: ({ amount, days }) => `Se le avisa cuando una calificación baja ${amount} en ${days}.`,
      tell: (reason, told) => {
        const { name, facts, see, from, to } = figureIn('es', reason, told);
        return {
          headline: `${name} bajó de ${from} a ${to}`,
          discreet: `${name} ha bajado`,
          facts,
          rule: 'Se le avisa cuando una calificación baja mucho en pocos días.',
          next: see,
        };
      },
    },
  },
});
