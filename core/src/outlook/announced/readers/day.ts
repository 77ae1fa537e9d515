import type { Language } from '@cadro/contract';
import type { NamedDays, Sentence } from '../sentence';
import { isLastDay } from './deadline';
import { bare, type PartReader } from './reader';

/** What is over, or thanks for it, names no day to come. */
const over: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:thank you|thanks|congratulations|congrats|was|were|went|had|came|won|did|took|made|helped|last (?:mon|tues|wednes|thurs|fri|satur|sun)day)\b/i,
  es: /(?<!\p{L})(?:gracias|felicidades|felicitaciones|enhorabuena|fue|fueron|ganó|ganaron|hubo|estuvo|estuvieron|pasad[oa])(?!\p{L})/iu,
};

/** The hours that belong to a day: the next that are named after it, or the ones right before. */
function hoursOf({ text, days, hours }: Sentence, day: NamedDays) {
  const next = days.find(({ start }) => start > day.start);
  const after = hours.find(({ start, end }) => end > day.start && (!next || start < next.start));
  if (after) return after;
  const before = hours.findLast(({ end }) => end <= day.start);
  const between = before ? text.slice(before.end, day.start) : '';
  return before && between.length < 12 && !/[.;]/.test(between) ? before : undefined;
}

/** A day on which something is: every day that a sentence names and that is no last day. */
export const day: PartReader = (sentence) =>
  over[sentence.lang].test(sentence.text)
    ? []
    : sentence.days
        .filter((days) => !isLastDay(sentence, days))
        .map((days) => {
          const hours = days.first === days.last ? hoursOf(sentence, days) : undefined;
          return {
            ...bare,
            kind: 'day' as const,
            ...{ start: days.start, end: Math.max(days.end, hours?.end ?? 0) },
            ...{ on: days.first, lastOn: days.last },
            ...{ startsAt: hours?.from ?? null, endsAt: hours?.to ?? null },
          };
        });
