import type { Language } from '@cadro/contract';
import { daysAfter } from '../../../dates';
import type { NamedDays, Sentence } from '../sentence';
import { bare, type PartReader } from './reader';

/** What stands right before a last day. */
const leads: Readonly<Record<Language, RegExp>> = {
  en: /(?:\b(?:by|before|until|till|no later than|not later than|on or before|as late as)|\bdue(?: back| in)?(?: (?:to|at|in) [^.,;]{1,40}?)?(?: on| by)?|\b(?:deadline|last (?:day|chance|date)|cut-?off)\b[^.]{0,60} (?:is|:)(?: on)?|\b(?:registration|sign-?ups?|enrollment|orders?|voting)\b[^.]{0,50} (?:closes?|ends?)(?: on)?|\breturn(?:ed)?\b[^.]{0,40} (?:on|by))(?: the| this| next| end of| noon| \d{1,2}(?::\d\d)? ?[ap]\.?m\.?| on| school,?)* $/i,
  es: /(?:(?<!\p{L})(?:antes del?|hasta(?: el)?|a más tardar(?: el| hasta el)?|como máximo(?: el)?)|(?<!\p{L})(?:fecha límite|último día|plazo)(?!\p{L})[^.]{0,60} (?:es|termina|vence)(?: el)?|(?<!\p{L})(?:inscripci(?:ón|ones)|votación|plazo)(?!\p{L})[^.]{0,50} (?:cierran?|terminan?|vencen?)(?: el)?|(?<!\p{L})se (?:devuelven?|entregan?)(?: a más tardar)?(?: el)?|(?<!\p{L})vencen?(?: el)?)(?: próximo| este| día| mediodía del)* $/iu,
};
/** What stands right after one. */
const follows: Readonly<Record<Language, RegExp>> = {
  en: /^,? (?:at the latest|is the (?:deadline|last day))/i,
  es: /^,? (?:a más tardar|como máximo|es la fecha límite)/iu,
};
/** A last day that is excluded: up to the day before. */
const excluding: Readonly<Record<Language, RegExp>> = {
  en: /\b(?<!on or |by or )before (?:the |this |next )*$/i,
  es: /(?<!\p{L})antes del? (?:próximo |este |día )*$/iu,
};

export function isLastDay({ text, lang }: Sentence, { start, end }: NamedDays): boolean {
  return leads[lang].test(text.slice(0, start)) || follows[lang].test(text.slice(end));
}

/** The last day for something: 'by Friday', 'the deadline is', 'a más tardar'. */
export const deadline: PartReader = (sentence) =>
  sentence.days
    .filter((days) => isLastDay(sentence, days))
    .map(({ start, end, last }) => {
      const short = excluding[sentence.lang].test(sentence.text.slice(0, start));
      return { ...bare, kind: 'deadline' as const, start, end, on: short ? daysAfter(last, -1) : last };
    });
