import { recentlyUnexplained } from '../../../attendance';
import { attendanceSignal } from './attendanceReason';
import { daysIn } from './attendanceWords';
import { childRule } from '../rule';
import { onAlways, ruleSettings } from '../set';

/** An absence nobody has explained; each day is told once. */
export const unexplained = childRule({
  name: 'unexplained',
  about: 'attendance',
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'attendance', place: 1, knobs: [], differs: 'child' },
  find: (facts, ask) =>
    ask(null).on
      ? recentlyUnexplained(facts.days).map((date) =>
          attendanceSignal(facts, 'absence', {
            rule: 'unexplained',
            id: `unexplained:${date}`,
            days: [date],
          }),
        )
      : [],
  words: {
    en: {
      name: 'An unexplained absence',
      tell: (reason, told) => {
        const { which, first } = daysIn('en', reason, told);
        return {
          headline: `Absent ${first}, no reason given`,
          facts: which,
          rule: 'Cadro tells you about absences without a reason.',
          next: 'Ask, and tell the school the reason.',
        };
      },
    },
    es: {
      name: 'Una ausencia sin justificar',
      tell: (reason, told) => {
        const { which, first } = daysIn('es', reason, told);
        return {
          headline: `Faltó el ${first}, sin justificar`,
          facts: which,
          rule: 'Se le avisa de las ausencias sin justificar.',
          next: 'Pregunte, y diga el motivo a la escuela.',
        };
      },
    },
  },
});
