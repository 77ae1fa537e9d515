import { patternDates, recentSchoolDays } from '../../../attendance';
import { counted } from '../../words/formats';
import { attendanceSignal } from './attendanceReason';
import { daysIn } from './attendanceWords';
import { childRule, type ReasonAbout, type Told } from '../rule';
import { onAlways, ruleSettings } from '../set';

type Reason = ReasonAbout<'attendance'>;

const headlineEn = ({ pattern: found, days }: Reason, { formats }: Told): string =>
  found?.kind === 'weekday'
    ? `Absences keep falling on ${formats.weekday(Number(found.value))}`
    : found?.kind === 'period'
      ? `Absences keep falling in period ${found.value}`
      : `Left before last period on ${counted(days.length, 'day', 'days')}`;
const headlineEs = ({ pattern: found, days }: Reason, { formats }: Told): string =>
  found?.kind === 'weekday'
    ? `Las ausencias caen siempre en ${formats.weekday(Number(found.value))}`
    : found?.kind === 'period'
      ? `Las ausencias caen siempre en la hora ${found.value}`
      : `Se fue antes del último periodo ${counted(days.length, 'día', 'días')}`;

/** Absences that have something in common: the last lessons, one period, one weekday. */
export const pattern = childRule({
  name: 'pattern',
  about: 'attendance',
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'attendance', place: 3, knobs: [], differs: 'child' },
  // One that has stopped is told no longer: it rests on the page of attendance.
  find: (facts, ask) => {
    const recent = recentSchoolDays(facts.days).map(({ date }) => date);
    return ask(null).on
      ? facts.summary.patterns.flatMap((each) => {
          const value = each.value === null ? '' : String(each.value);
          const days = patternDates(facts.days, each);
          if (!recent.includes(days.at(-1) ?? '')) return [];
          return attendanceSignal(facts, 'pattern', {
            rule: 'pattern',
            id: `pattern:${each.kind}:${value}`,
            days,
            pattern: { kind: each.kind, value },
          });
        })
      : [];
  },
  words: {
    en: {
      name: 'A pattern in absences',
      tell: (reason, told) => {
        const { on, which } = daysIn('en', reason, told);
        return {
          headline: headlineEn(reason, told),
          facts: [on, ...which],
          rule: 'Cadro tells you when absences have something in common.',
          next: 'Ask what’s going on at that time.',
        };
      },
    },
    es: {
      name: 'Un patrón en las ausencias',
      tell: (reason, told) => {
        const { on, which } = daysIn('es', reason, told);
        return {
          headline: headlineEs(reason, told),
          facts: [on, ...which],
          rule: 'Se le avisa cuando las ausencias tienen algo en común.',
          next: 'Pregunte qué pasa a esa hora.',
        };
      },
    },
  },
});
