import type { AlertReason, Language, RuleName } from '@cadro/contract';
import { counted, type Formats } from './formats';

interface Asked {
  /** A figure's points on their scale, or a plain number. */
  readonly amount: string;
  /** '1 day', '3 days'. */
  readonly days: string;
}
interface Units {
  readonly of: string;
  readonly points: (number: string, one: boolean) => string;
  readonly days: (n: number) => string;
}
type Rules = Partial<Record<RuleName, (asked: Asked) => string>>;

/** What a rule asks for, with its numbers. */
const words: Readonly<Record<Language, Rules & Units>> = {
  en: {
    of: 'of',
    points: (number, one) => `${number} ${one ? 'point' : 'points'}`,
    days: (n) => counted(n, 'day', 'days'),
    fallen: ({ amount, days }) => `You are told when a figure falls by ${amount} within ${days}.`,
    improved: ({ amount, days }) => `You are told when a figure rises by ${amount} within ${days}.`,
    slipping: ({ amount }) => `You are told when a figure goes down by ${amount} a week for weeks.`,
    'loose-end': ({ amount }) => `You are told of new loose ends that move the figure by ${amount} or more.`,
    deadline: ({ days }) => `You are told ${days} before the last day to mend something.`,
    unmarked: ({ days }) => `You are told when handed-in work has no mark after ${days}.`,
    'big-work': ({ amount, days }) =>
      `You are told of tests, and of work that decides ${amount}, ${days} ahead.`,
    late: ({ amount, days }) => `You are told of late arrivals from ${amount} within ${days} on.`,
    'days-missed': ({ amount }) => `You are told when ${amount} % of school days are missed.`,
    'source-silent': ({ days }) => `You are told when a source is silent for ${days}.`,
    'not-looked': ({ days }) => `You asked to be reminded after ${days} without a look.`,
  },
  es: {
    of: 'de',
    points: (number, one) => `${number} ${one ? 'punto' : 'puntos'}`,
    days: (n) => counted(n, 'día', 'días'),
    fallen: ({ amount, days }) => `Se le avisa cuando una cifra baja ${amount} en ${days}.`,
    improved: ({ amount, days }) => `Se le avisa cuando una cifra sube ${amount} en ${days}.`,
    slipping: ({ amount }) => `Se le avisa cuando una cifra baja ${amount} por semana durante semanas.`,
    'loose-end': ({ amount }) => `Se le avisa de cabos sueltos nuevos que mueven la cifra ${amount} o más.`,
    deadline: ({ days }) => `Se le avisa ${days} antes del último día para arreglar algo.`,
    unmarked: ({ days }) => `Se le avisa cuando un trabajo entregado sigue sin corregir tras ${days}.`,
    'big-work': ({ amount, days }) =>
      `Se le avisa de exámenes, y de trabajos que deciden ${amount}, ${days} antes.`,
    late: ({ amount, days }) => `Se le avisa de los retrasos a partir de ${amount} en ${days}.`,
    'days-missed': ({ amount }) => `Se le avisa cuando se pierde el ${amount} % de los días de clase.`,
    'source-silent': ({ days }) => `Se le avisa cuando una fuente calla durante ${days}.`,
    'not-looked': ({ days }) => `Usted pidió que se le recordara tras ${days} sin mirar.`,
  },
};

/** The rule of a reason with its numbers, as a sentence; null where none were kept with it. */
export function ruleAsked(
  language: Language,
  { rule, asked, ...reason }: AlertReason,
  formats: Formats,
): string | null {
  const say = words[language][rule];
  if (!asked || !say) return null;
  const { of, points, days } = words[language];
  const amount = asked.amount ?? 0;
  const number = formats.plain(amount);
  const outOf = 'outOf' in reason ? reason.outOf : null;
  const scaled =
    outOf === null ? number : outOf === 100 ? points(number, amount === 1) : `${number} ${of} ${outOf}`;
  return say({ amount: scaled, days: days(asked.days ?? 0) });
}
