import type { Language, LetterGrade, Offer, OfferKind } from '@cadro/contract';
import { dateIn } from '../../dates';
import { goesOn, mayMatter } from './attention';
import { bears, isDeadline, judged, type Context } from './bearing';
import { creditsIn, type CreditMark } from './credit';
import { cuesIn, missedTest } from './cues';
import { daysIn, type DayMark } from './days';
import { joined, lastDay, type Draft, type Ends, type Mark } from './joined';
import { manners } from './manner';
import { sentencesOf, type Stretch } from './sentences';

export interface WrittenComment {
  readonly text: string;
  /** An instant. */
  readonly writtenAt: string;
  /** The school's, such as `America/Halifax`. */
  readonly timeZone: string;
  readonly lang: Language;
  /** The letters of the course, for 'up to a C'; absent: tens from A at 0.9. */
  readonly letters?: readonly LetterGrade[];
  /** The last days, `YYYY-MM-DD`, of the term and of the unit that it is about, where the course tells them. */
  readonly ends?: Ends;
}

class Reading {
  readonly drafts: Draft[] = [];
  private readonly written: string;
  /** It was said that something is missing: a last day by itself is then that of handing it in. */
  private owed = false;
  /** It was said that being late costs nothing. */
  private waived = false;

  constructor(private readonly comment: WrittenComment) {
    this.written = dateIn(comment.timeZone, new Date(comment.writtenAt));
  }

  private get context(): Context {
    const { lang, text: said } = this.comment;
    return { lang, said, written: this.written };
  }

  read(sentence: Stretch): void {
    this.take(sentence);
    const { text, start } = sentence;
    const { lang, text: all } = this.comment;
    this.owed ||= manners[lang].owed.test(text) || missedTest(all.slice(0, start + text.length), lang);
  }

  private take(sentence: Stretch): void {
    const { lang, letters } = this.comment;
    const manner = manners[lang];
    const { text } = sentence;
    if (/\?\s*$/.test(text) && manner.asksBack.test(text)) return;
    const possible = cuesIn(text, lang, this.comment.text.slice(0, sentence.start));
    if (possible.length === 0 && !mayMatter[lang].test(text)) return;
    const days = this.daysOf(sentence);
    const credits = creditsIn(text, lang, letters);
    const { offers, ends } = judged(text, possible, days, credits, this.context);
    if (offers.length === 0 && manner.waived.test(text)) this.waived = true;
    const last = this.drafts.at(-1);
    const nearby = last && sentence.start - last.end < 120 ? last : undefined;
    if (nearby && manner.refuses.test(text)) {
      this.drafts.pop();
      return;
    }
    // 'I take them until Friday' says of what was said before until when.
    if (
      nearby &&
      offers.length > 0 &&
      offers.every(({ refers, denied, kind }) => (refers || this.repeats(nearby, kind)) && !denied) &&
      this.lacks(nearby, days, credits)
    ) {
      this.goOn(sentence, days, credits, nearby, true);
      return;
    }
    if (offers.length === 0 && ends.length === 0) {
      if (possible.length === 0) this.goOn(sentence, days, credits, nearby);
      return;
    }
    // 'After Friday it is a zero' ends what was offered before it.
    const [end] = ends;
    if (nearby?.until === undefined && nearby && end && offers.every(({ denied }) => denied)) {
      nearby.until = lastDay(end, this.comment.ends);
      nearby.end = sentence.start + end.end;
      return;
    }
    const marks: Mark[] = [
      ...offers.map((mark) => ({ is: 'cue', ...mark }) as const),
      ...days.flatMap((mark): Mark[] =>
        ends.includes(mark) || bears(text, mark, this.context) ? [{ is: 'day', ...mark }] : [],
      ),
      ...credits.map((mark) => ({ is: 'credit', ...mark }) as const),
    ].sort((a, b) => a.start - b.start);
    this.join(sentence, marks, offers[0]?.kind ?? nearby?.kind ?? this.usual(sentence));
  }

  /** The days of a sentence; 'until then' is the day that was named before it. */
  private daysOf({ text, start }: Stretch): DayMark[] {
    const { lang, text: all } = this.comment;
    const days = daysIn(text, this.written, lang);
    return [...text.matchAll(manners[lang].then)]
      .reduce<DayMark[]>((found, { index, 0: words }) => {
        const named = daysIn(
          all.slice(Math.max(0, start - 200), start) + text.slice(0, index),
          this.written,
          lang,
        );
        const date = named.at(-1)?.date ?? null;
        return date
          ? [...found, { start: index, end: index + words.length, date, relation: 'until' }]
          : found;
      }, days)
      .sort((a, b) => a.start - b.start);
  }

  /** 'She must make up the dictation; she can do so on Friday': the same once more, with its day. */
  private repeats({ until, credit, kind }: Draft, next: OfferKind): boolean {
    return kind === next && until === undefined && credit === undefined;
  }

  /** Whether a draft has nothing yet of what a sentence adds. */
  private lacks({ until, credit }: Draft, days: readonly DayMark[], credits: readonly CreditMark[]): boolean {
    const dated = days.some((day) => isDeadline(day) || day.relation === 'on');
    const adds = dated || credits.some((mark) => mark.credit > 0);
    return (
      adds &&
      (until === undefined || !dated) &&
      (credit === undefined || !credits.some((mark) => mark.credit > 0))
    );
  }

  /** A sentence with a day or a credit but no cue belongs to the offer before it, or is about late work. */
  private goOn(
    sentence: Stretch,
    days: readonly DayMark[],
    credits: readonly CreditMark[],
    before: Draft | undefined,
    refers = false,
  ): void {
    const { text } = sentence;
    const { lang } = this.comment;
    const manner = manners[lang];
    if (manner.event.test(text) || manner.foreign.test(text) || manner.elsewhen.test(text)) return;
    if (manner.past.test(text) || manner.records.test(text)) return;
    const less = credits.find(({ credit }) => credit > 0 && credit < 1);
    if (less && days.every(({ relation }) => relation === 'after') && manner.afterwards.test(text)) {
      this.join(sentence, [{ is: 'credit', ...less }], before?.kind ?? this.usual(sentence));
      return;
    }
    const next = (day: DayMark) =>
      day.relation === 'on' &&
      before?.until !== undefined &&
      before.credit !== undefined &&
      credits.length > 0;
    const last = days.filter(
      (day) =>
        (isDeadline(day) || next(day) || (refers && day.relation === 'on')) && bears(text, day, this.context),
    );
    const worth = credits.filter(({ credit }) => credit > 0);
    if (last.length === 0 && !(before && worth.length > 0 && before.credit === undefined)) return;
    const marks: Mark[] = [
      ...last.map((mark) => ({ is: 'day', ...mark }) as const),
      ...worth.map((mark) => ({ is: 'credit', ...mark }) as const),
    ].sort((a, b) => a.start - b.start);
    const simple = last.length <= 1 && worth.length <= 1;
    if (
      before &&
      simple &&
      (last.length === 0 || before.until === undefined) &&
      (worth.length === 0 || before.credit === undefined)
    ) {
      const short = text.trim().length < 45;
      if (last.length > 0 && !refers && !short && !goesOn(text, lang) && worth.length === 0) return;
      for (const mark of marks) {
        if (mark.is === 'day') before.until = lastDay(mark, this.comment.ends);
        if (mark.is === 'credit') before.credit = mark.credit;
        before.end = sentence.start + mark.end;
      }
      return;
    }
    if (
      last.length > 0 &&
      (worth.length > 0 ||
        (before === undefined && this.owed && (goesOn(text, lang) || text.trim().length < 45)) ||
        (before === undefined &&
          /\b(?:has|have|tiene)\b|deadline|cut-?off|last (?:day|chance)|plazo|último día|fecha tope/i.test(
            text,
          )))
    ) {
      this.join(sentence, marks, before?.kind ?? this.usual(sentence));
    }
  }

  /** What is done where no words say it: a test that was missed is sat, and all else is handed in. */
  private usual({ start, text }: Stretch): OfferKind {
    const { lang, text: all } = this.comment;
    return missedTest(all.slice(0, start + text.length), lang) ? 'retake' : 'hand-in';
  }

  private join(sentence: Stretch, marks: readonly Mark[], fallback: OfferKind): void {
    const { lang, ends } = this.comment;
    const found = joined(sentence, marks, { lang, ends, fallback });
    const [first] = found;
    if (first && this.waived) first.credit ??= 1;
    this.waived = false;
    // 'You can fix this! Redo question 2 by Friday': the second says what is meant.
    const last = this.drafts.at(-1);
    const bare = last?.vague && last.until === undefined && last.credit === undefined;
    if (
      first &&
      bare &&
      first.kind !== 'hand-in' &&
      first.kind !== last.kind &&
      sentence.start - last.end < 20
    )
      this.drafts.pop();
    this.drafts.push(...found);
  }
}

/**
 * What a comment says can still be done: which kind, until when, for how much, and the words it was read from. It
 * reads what is said and nothing more: what is over, what is denied, other people's dates and advice give nothing.
 * Time grows in proportion to the text.
 */
export function readOffers(comment: WrittenComment): Offer[] {
  const reading = new Reading(comment);
  for (const sentence of sentencesOf(comment.text)) reading.read(sentence);
  const offers = reading.drafts.map(({ kind, until = null, credit = null, moved, start, end }) => ({
    kind,
    until,
    credit: moved ? (credit ?? 1) : credit,
    quote: comment.text
      .slice(start, end)
      .trim()
      .replace(/[\s,;:]+$/u, ''),
  }));
  const seen = new Set<string>();
  return offers.filter(({ kind, until, credit }) => {
    const key = JSON.stringify([kind, until, credit]);
    return !seen.has(key) && seen.add(key);
  });
}
