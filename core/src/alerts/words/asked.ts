import type { AlertReason, Language, RuleName } from '@cadro/contract';
import type { Formats } from './formats';

interface Asked {
  /** A figure's points on their scale, or a plain number. */
  readonly amount: string;
  readonly days: string;
}
type Rules = Partial<Record<RuleName, (asked: Asked) => string>>;

/** What a rule asks for, with its numbers. */
const words: Readonly<Record<Language, Rules & { readonly of: string; readonly points: string }>> = {
  en: {
    of: 'of',
    points: 'points',
    fallen: ({ amount, days }) => `You are told when a figure falls by ${amount} within ${days} days.`,
    improved: ({ amount, days }) => `You are told when a figure rises by ${amount} within ${days} days.`,
    slipping: ({ amount }) => `You are told when a figure goes down by ${amount} a week for weeks.`,
    'loose-end': ({ amount }) => `You are told of new loose ends that move the figure by ${amount} or more.`,
    deadline: ({ days }) => `You are told when the last day to mend something is ${days} days away or less.`,
    unmarked: ({ days }) => `You are told when handed-in work has no mark after ${days} days.`,
    'big-work': ({ amount, days }) =>
      `You are told of tests, and of work that decides ${amount}, ${days} days ahead.`,
    late: ({ amount, days }) => `You are told of late arrivals from ${amount} within ${days} days on.`,
    'days-missed': ({ amount }) => `You are told when ${amount} % of school days are missed.`,
    'source-silent': ({ days }) => `You are told when a source is silent for ${days} days.`,
    'not-looked': ({ days }) => `You asked to be reminded after ${days} days without a look.`,
  },
  es: {
    of: 'de',
    points: 'puntos',
    fallen: ({ amount, days }) => `Se le avisa cuando una cifra baja ${amount} en ${days} días.`,
    improved: ({ amount, days }) => `Se le avisa cuando una cifra sube ${amount} en ${days} días.`,
    slipping: ({ amount }) => `Se le avisa cuando una cifra baja ${amount} por semana durante semanas.`,
    'loose-end': ({ amount }) => `Se le avisa de cabos sueltos nuevos que mueven la cifra ${amount} o más.`,
    deadline: ({ days }) => `Se le avisa cuando quedan ${days} días o menos para arreglar algo.`,
    unmarked: ({ days }) => `Se le avisa cuando un trabajo entregado sigue sin corregir tras ${days} días.`,
    'big-work': ({ amount, days }) =>
      `Se le avisa de exámenes, y de trabajos que deciden ${amount}, ${days} días antes.`,
    late: ({ amount, days }) => `Se le avisa de los retrasos a partir de ${amount} en ${days} días.`,
    'days-missed': ({ amount }) => `Se le avisa cuando se pierde el ${amount} % de los días de clase.`,
    'source-silent': ({ days }) => `Se le avisa cuando una fuente calla durante ${days} días.`,
    'not-looked': ({ days }) => `Usted pidió que se le recordara tras ${days} días sin mirar.`,
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
  const { of, points } = words[language];
  const { amount, days } = asked;
  const number = formats.plain(amount ?? 0);
  const outOf = 'outOf' in reason ? reason.outOf : null;
  const scaled = outOf === null ? number : outOf === 100 ? `${number} ${points}` : `${number} ${of} ${outOf}`;
  return say({ amount: scaled, days: formats.plain(days ?? 0) });
}
