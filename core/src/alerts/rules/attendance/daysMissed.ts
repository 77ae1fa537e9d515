import { Type } from '@sinclair/typebox';
import { attendanceSignal } from './attendanceReason';
import { daysIn } from './attendanceWords';
import { childRule } from '../rule';
import { knob, ruleSettings } from '../set';

/** With fewer school days one missed day is a large share of them. */
const leastDays = 15;

/** The share of school days that were missed. */
export const daysMissed = childRule({
  name: 'days-missed',
  about: 'attendance',
  settings: ruleSettings({ percent: Type.Number({ minimum: 1, maximum: 100 }) }),
  presets: {
    urgent: { on: true, percent: 10 },
    usual: { on: true, percent: 8 },
    everything: { on: true, percent: 5 },
  },
  page: { group: 'attendance', place: 4, knobs: [knob.share], differs: 'child' },
  asked: ({ percent }) => ({ amount: percent, days: null }),
  find: (facts, ask, stands) => {
    const { on, percent } = ask(null);
    const { rate, schoolDays, daysAbsent } = facts.summary;
    if (!on || rate === null || schoolDays < leastDays) return [];
    const least = stands(`share:${facts.studentId}`) ? percent - 1 : percent;
    if (rate * 100 < least - 1e-9) return [];
    return [
      attendanceSignal(facts, 'share', {
        rule: 'days-missed',
        id: `days-missed:${percent}`,
        days: facts.days.filter(({ absent }) => absent).map(({ date }) => date),
        share: { missed: daysAbsent, of: schoolDays },
      }),
    ];
  },
  words: {
    en: {
      name: 'Too many days missed',
      asked: ({ amount }) => `Cadro tells you when ${amount}% of school days are missed.`,
      tell: (reason, told) => ({
        headline: `${reason.share?.missed ?? 0} of ${reason.share?.of ?? 0} school days missed`,
        discreet: 'Many school days missed',
        facts: [daysIn('en', reason, told).on],
        rule: 'Cadro tells you when many school days are missed.',
        next: 'See which assignments fell on those days.',
      }),
    },
    es: {
      name: 'Muchos días perdidos',
      asked: ({ amount }) => `Se le avisa cuando se pierde el ${amount}% de los días de clase.`,
      tell: (reason, told) => ({
        headline: `${reason.share?.missed ?? 0} de ${reason.share?.of ?? 0} días de clase perdidos`,
        discreet: 'Muchos días de clase perdidos',
        facts: [daysIn('es', reason, told).on],
        rule: 'Se le avisa cuando se pierden muchos días de clase.',
        next: 'Vea qué tareas cayeron en esos días.',
      }),
    },
  },
});
