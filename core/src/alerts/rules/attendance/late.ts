import { Type } from '@sinclair/typebox';
import { daysAfter } from '../../../dates';
import { counted } from '../../words/formats';
import { attendanceSignal } from './attendanceReason';
import { daysIn } from './attendanceWords';
import { childRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';

/** Late so many times within so many days. */
export const late = childRule({
  name: 'late',
  about: 'attendance',
  settings: ruleSettings({ times: Type.Integer({ minimum: 1, maximum: 50 }), days: daysUpTo(120) }),
  presets: {
    urgent: { on: false, times: 3, days: 14 },
    usual: { on: true, times: 3, days: 14 },
    everything: { on: true, times: 1, days: 7 },
  },
  page: { group: 'attendance', place: 2, knobs: [knob.times, knob.days('within', 60)], differs: 'child' },
  asked: ({ times, days }) => ({ amount: times, days }),
  find: (facts, ask) => {
    const { on, times, days } = ask(null);
    if (!on) return [];
    const since = daysAfter(facts.today, -days);
    const arrivals = facts.days
      .filter(({ date }) => date > since)
      .flatMap(({ date, lessons }) => lessons.filter(({ kind }) => kind === 'tardy').map(() => date));
    if (arrivals.length < times) return [];
    const step = Math.floor(arrivals.length / times);
    return [attendanceSignal(facts, 'late', { rule: 'late', id: `late:${step}`, days: arrivals })];
  },
  words: {
    en: {
      name: 'Late several times',
      asked: ({ amount, days }) => `Cadro tells you about ${amount} or more late arrivals within ${days}.`,
      tell: (reason, told) => {
        const { on, which, first } = daysIn('en', reason, told);
        const { length } = reason.days;
        return {
          headline: `Late ${length === 1 ? 'once' : `${length} times`} since ${first}`,
          discreet: `Late arrivals since ${first}`,
          facts: [on, ...which],
          rule: 'Cadro tells you about repeated late arrivals.',
          next: 'Talk about getting to school, and from class to class.',
        };
      },
    },
    es: {
      name: 'Varias llegadas tarde',
      asked: ({ amount, days }) => `Se le avisa de ${amount} o más llegadas tarde en ${days}.`,
      tell: (reason, told) => {
        const { on, which, first } = daysIn('es', reason, told);
        return {
          headline: `${counted(reason.days.length, 'llegada tarde', 'llegadas tarde')} desde el ${first}`,
          discreet: `Llegadas tarde desde el ${first}`,
          facts: [on, ...which],
          rule: 'Se le avisa de las llegadas tarde que se repiten.',
          next: 'Hablen del camino a la escuela y de una clase a otra.',
        };
      },
    },
  },
});
