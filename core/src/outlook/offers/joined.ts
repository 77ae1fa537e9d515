import type { Language, OfferKind } from '@cadro/contract';
import type { CreditMark } from './credit';
import type { CueMark } from './cues';
import type { DayMark } from './days';
import { manners } from './manner';
import type { Span } from './relation';
import type { Stretch } from './sentences';

/** The last days, `YYYY-MM-DD`, of the term and of the unit that a comment is about, where the course tells them. */
export type Ends = Readonly<Record<Span, string | null>>;

/** An offer while it is put together from what stands near each other. */
export interface Draft {
  kind: OfferKind;
  until?: string | null;
  credit?: number;
  start: number;
  end: number;
  moved?: boolean;
  /** It names nothing of its own: 'fix this'. */
  vague?: boolean;
}

export type Mark =
  | ({ readonly is: 'cue' } & CueMark)
  | ({ readonly is: 'day' } & DayMark)
  | ({ readonly is: 'credit' } & CreditMark);

interface Joining {
  readonly lang: Language;
  readonly ends: Ends | undefined;
  /** The kind of an offer whose words name none. */
  readonly fallback: OfferKind;
}

/** The day that a mark means; of the end of a term or a unit, where the course tells it. */
export const lastDay = ({ date, ends }: DayMark, told: Ends | undefined): string | null =>
  date ?? (ends ? (told?.[ends] ?? null) : null);

/** Puts the marks of a sentence together: a second day, credit or kind begins a second offer. */
export function joined(
  { text, start: from }: Stretch,
  marks: readonly Mark[],
  { lang, ends, fallback }: Joining,
): Draft[] {
  const manner = manners[lang];
  const clauses = [...text.matchAll(manner.break)].map(({ index, 0: found }) => index + found.length);
  const clauseStart = (at: number) => Math.max(0, ...clauses.filter((end) => end <= at));
  const drafts: Draft[] = [];
  let current: Draft | null = null;
  let held: OfferKind | null = null;
  let cueEnd = -1;
  const begin = (mark: Mark, kind: OfferKind): Draft => {
    const start = clauseStart(mark.start);
    const draft = {
      kind,
      start: from + start + (/^\s*/.exec(text.slice(start))?.[0].length ?? 0),
      end: from + mark.end,
      vague: manner.pronoun.test(text.slice(mark.start, mark.end)),
    };
    drafts.push(draft);
    return draft;
  };
  for (const mark of marks) {
    if (mark.is === 'cue') {
      const bare: Draft | null =
        current?.until === undefined && current?.credit === undefined ? current : null;
      const apart = manner.apart.test(text.slice(Math.max(0, mark.start - 30), mark.start));
      const conditional = manner.condition.test(text.slice(Math.max(0, mark.start - 25), mark.start));
      // 'Corrections are accepted', 'se acepta una nueva versión': one thing in two cues.
      const adjacent = cueEnd >= 0 && /^[\s\p{L}]{0,14}$/u.test(text.slice(cueEnd, mark.start)) && !apart;
      cueEnd = mark.end;
      const comesIn =
        mark.kind === 'hand-in' && !mark.moved && (bare !== null || mark.refers || conditional || adjacent);
      if (current && current.kind !== mark.kind && comesIn && !apart) {
        // 'Corrections may be handed in by …': how they come in is no second offer.
      } else if (bare && !apart && bare.kind === 'hand-in' && mark.noun) bare.kind = mark.kind;
      else if (current?.kind === 'hand-in' && adjacent && mark.noun) current.kind = mark.kind;
      else if (current && !held && !bare) current.kind = mark.kind;
      else if (current?.kind !== mark.kind) current = begin(mark, mark.kind);
      held = current?.kind ?? mark.kind;
      if (current && mark.moved) current.moved = true;
    } else if (mark.is === 'day') {
      // 'An extra week: new date 30 October' tells one day twice.
      if (!current || (current.until !== undefined && !current.moved))
        current = begin(mark, held ?? fallback);
      current.until = lastDay(mark, ends);
    } else if (mark.credit > 0) {
      if (!current || current.credit !== undefined) current = begin(mark, held ?? fallback);
      current.credit = mark.credit;
    } else continue;
    if (current) current.end = Math.max(current.end, from + mark.end);
  }
  share(drafts, text, from, lang);
  quoteClauses(drafts, text, from, lang);
  return drafts;
}

/** 'redo the map or correct the quiz by Friday': what stands at the end is said of both. */
function share(drafts: readonly Draft[], text: string, from: number, lang: Language): void {
  const { joins } = manners[lang];
  drafts.forEach((draft, index) => {
    const next = drafts[index + 1];
    if (!next || draft.until !== undefined || draft.credit !== undefined || draft.kind === next.kind) return;
    if (!joins.test(text.slice(draft.end - from, next.start - from + 1).replace(/\S$/, ''))) return;
    if (next.until !== undefined) draft.until = next.until;
    if (next.credit !== undefined) draft.credit = next.credit;
    draft.end = next.end;
  });
}

/** What is quoted goes on to the end of its clause: 'finish the last four', not 'finish the'. */
function quoteClauses(drafts: readonly Draft[], text: string, from: number, lang: Language): void {
  const manner = manners[lang];
  drafts.forEach((draft, index) => {
    const limit = drafts[index + 1]?.start ?? from + text.length;
    const rest = text.slice(draft.end - from, Math.max(0, limit - from));
    const stop = [...rest.matchAll(manner.break)][0]?.index ?? rest.replace(/[.!?…;\s]+$/u, '').length;
    draft.end += Math.max(0, stop);
  });
}
