import { wayFrom } from '../../trace';
import { figureSignal, goodKey } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { daysUpTo, knob, points, ruleSettings } from '../set';

/** The posted figure has risen by so many points of a hundred from its lowest within so many days. */
export const improved = childRule({
  name: 'improved',
  about: 'figure',
  settings: ruleSettings({ points, days: daysUpTo(60) }),
  presets: {
    urgent: { on: true, points: 5, days: 14 },
    usual: { on: true, points: 6, days: 14 },
    everything: { on: true, points: 3, days: 14 },
  },
  page: { group: 'good', place: 1, knobs: [knob.points, knob.days('within', 60)], differs: 'course' },
  asked: (settings, scaled) => ({ amount: scaled(settings.points), days: settings.days }),
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, points: asked, days } = ask(course.id);
      const rise = on ? wayFrom(course, facts.asOfMs, days, 1) : 0;
      const least = stands(goodKey(facts, course)) ? asked / 2 : asked;
      if (!on || rise < least - 1e-9) return [];
      const step = Math.max(1, Math.floor(rise / asked + 1e-9));
      return figureSignal(facts, course, { rule: 'improved', id: `improved:${step}`, days, direction: 1 });
    }),
  words: {
    en: {
      name: 'A grade has risen',
      asked: ({ amount, days }) => `Cadro tells you when a grade rises by ${amount} within ${days}.`,
      tell: (reason, told) => {
        const { name, facts, from, to } = figureIn('en', reason, told);
        return {
          headline: `${name} rose from ${from} to ${to}`,
          discreet: `${name} has risen`,
          facts,
          rule: 'Cadro tells you when a grade rises a lot in a few days.',
          next: 'Tell your child you noticed.',
        };
      },
    },
    es: {
      name: 'Una calificación ha subido',
      asked: ({ amount, days }) => `Se le avisa cuando una calificación sube ${amount} en ${days}.`,
      tell: (reason, told) => {
        const { name, facts, from, to } = figureIn('es', reason, told);
        return {
          headline: `${name} subió de ${from} a ${to}`,
          discreet: `${name} ha subido`,
          facts,
          rule: 'Se le avisa cuando una calificación sube mucho en pocos días.',
          next: 'Dígale a su hijo o hija que lo notó.',
        };
      },
    },
  },
});
