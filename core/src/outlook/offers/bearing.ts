import type { Language } from '@cadro/contract';
import type { CreditMark } from './credit';
import { cuesIn, type CueMark } from './cues';
import type { DayMark } from './days';
import { manners } from './manner';

/** What a sentence stands in. */
export interface Context {
  readonly lang: Language;
  /** The whole comment. */
  readonly said: string;
  /** The day of writing, `YYYY-MM-DD`. */
  readonly written: string;
}

export const isDeadline = ({ relation }: DayMark): boolean => relation === 'until' || relation === 'before';

/** Which cues are offers, and which days are the end of one: 'no retakes after Friday'. */
export function judged(
  text: string,
  cues: readonly CueMark[],
  days: readonly DayMark[],
  credits: readonly CreditMark[],
  context: Context,
): { offers: CueMark[]; ends: DayMark[] } {
  const manner = manners[context.lang];
  const after = days.filter(({ relation }) => relation === 'after');
  // 'If I do not have it on Friday it is a zero.'
  const zeroAfter = credits.some(({ credit }) => credit === 0);
  const offers: CueMark[] = [];
  const ends: DayMark[] = [];
  for (const cue of cues) {
    if (!cue.denied) {
      if (
        cue.certain ||
        // 'Another go at the test?': it is asked whether one wants to.
        (cue.noun && /\?\s*$/.test(text)) ||
        days.some((day) => bears(text, day, context)) ||
        credits.some(({ credit }) => credit > 0)
      )
        offers.push(cue);
      continue;
    }
    const end =
      after.find(({ start }) => start > cue.start) ??
      after.find((day) => day.end <= cue.start && cue.start - day.end < 40);
    if (end) {
      offers.push(cue);
      ends.push(end);
    } else if (manner.condition.test(text) && (days.some(isDeadline) || (zeroAfter && days.length > 0)))
      offers.push(cue);
  }
  // 'No credit after Friday', 'after Friday it is a zero'.
  const zero = credits.find(({ credit }) => credit === 0);
  const end = zero && after.find(({ start }) => Math.abs(start - zero.end) < 60);
  if (end && !ends.includes(end) && offers.every(({ denied }) => !denied) && !days.some(isDeadline))
    ends.push(end);
  return { offers, ends };
}

/** Whether a day can be the last one of an offer in its sentence. */
export function bears(text: string, day: DayMark, { lang, said, written }: Context): boolean {
  const manner = manners[lang];
  if (day.relation === 'after' || day.relation === 'from' || day.relation === 'names') return false;
  if (day.date !== null && day.date < written) return false;
  // 'The journal you forgot today'.
  if (day.date === written && manner.lately.test(text.slice(0, day.start))) return false;
  const clause = clauseAround(text, day, manner.break);
  if (!isDeadline(day) && manner.marks.test(text.slice(0, day.start)) && day.start > 0) return false;
  const hasCue = cuesIn(clause, lang, said).length > 0;
  if (!hasCue && manner.records.test(clause)) return false;
  return (
    hasCue ||
    !manner.event.test(clause) ||
    (isDeadline(day) && !/\b(?:is|was|will be|es|será|fue)\b/i.test(clause))
  );
}

function clauseAround(text: string, { start, end }: { start: number; end: number }, breaks: RegExp): string {
  let [from, to] = [0, text.length];
  for (const { index, 0: found } of text.matchAll(breaks)) {
    if (index + found.length <= start) from = index + found.length;
    else if (index >= end) {
      to = index;
      break;
    }
  }
  return text.slice(from, to);
}
