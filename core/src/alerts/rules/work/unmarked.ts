import { dayMs } from '../../../dates';
import { childRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';
import { workSignal } from './workReason';
import { workIn } from './workWords';

/** Work that was handed in so many days ago and has no mark. */
export const unmarked = childRule({
  name: 'unmarked',
  about: 'work',
  settings: ruleSettings({ days: daysUpTo(60) }),
  presets: {
    urgent: { on: false, days: 14 },
    usual: { on: false, days: 14 },
    everything: { on: true, days: 10 },
  },
  page: { group: 'work', place: 4, knobs: [knob.days('after', 30)] },
  asked: ({ days }) => ({ amount: null, days }),
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days } = ask(course.id);
      if (!on) return [];
      return [...course.results].flatMap(([itemId, results]) => {
        const last = results.at(-1)?.value;
        if (last?.status !== 'handed-in' || facts.asOfMs - Date.parse(last.at) < days * dayMs) return [];
        return workSignal(facts, course, {
          rule: 'unmarked',
          id: `unmarked:${itemId}`,
          key: `waiting:${facts.studentId}:${course.id}`,
          kind: 'work',
          itemId,
          at: last.at,
        });
      });
    }),
  words: {
    en: {
      name: 'Turned in, not graded',
      asked: ({ days }) => `Cadro tells you when work still has no score ${days} after it was turned in.`,
      tell: (reason, told) => {
        const { due, on } = workIn('en', reason, told);
        return {
          headline: `${reason.work.title}: turned in on ${on}, not graded yet`,
          facts: [due],
          rule: 'Cadro tells you when work goes ungraded for long.',
          next: 'Wait, or ask the teacher whether it arrived.',
        };
      },
    },
    es: {
      name: 'Entregado, sin calificar',
      asked: ({ days }) => `Se le avisa cuando algo entregado sigue sin calificar tras ${days}.`,
      tell: (reason, told) => {
        const { due, on } = workIn('es', reason, told);
        return {
          headline: `${reason.work.title}: entregado el ${on}, aún sin calificar`,
          facts: [due],
          rule: 'Se le avisa cuando algo entregado sigue mucho tiempo sin calificar.',
          next: 'Espere, o pregunte al maestro si llegó.',
        };
      },
    },
  },
});
