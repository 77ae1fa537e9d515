import type { Language, OfferKind } from '@cadro/contract';
import { unaccented, workNoun } from './lexicon';
import { manners, type Manner } from './manner';
import { arrival } from './readers/arrival';
import { claim } from './readers/claim';
import { channel } from './readers/channel';
import { correct } from './readers/correct';
import { deliver, finish, take } from './readers/deliver';
import { finalCopy } from './readers/finalCopy';
import { handIn } from './readers/handIn';
import { moved } from './readers/moved';
import { redo } from './readers/redo';
import { regrade } from './readers/regrade';
import type { Reader } from './readers/reader';
import { retake } from './readers/retake';
import { sit } from './readers/sit';
import { there } from './readers/there';

export interface CueMark {
  readonly kind: OfferKind;
  readonly start: number;
  readonly end: number;
  /** It is said not to be possible. */
  readonly denied: boolean;
  /** It is an offer by itself, also without a day or a credit. */
  readonly certain: boolean;
  readonly noun?: boolean;
  /** Its due date was moved: nothing is lost. */
  readonly moved?: boolean;
  /** It may speak of what was said before, or of how that comes in. */
  readonly refers?: boolean;
}

interface Raw {
  readonly kind: OfferKind;
  readonly start: number;
  readonly end: number;
  readonly noun: boolean;
  readonly by: Reader;
}

/** The more particular kinds are asked first: who hands in corrections corrects. */
const readers: readonly Reader[] = [
  retake,
  sit,
  correct,
  redo,
  finalCopy,
  channel,
  handIn,
  arrival,
  deliver,
  finish,
  take,
  there,
  claim,
  regrade,
];

/** What stands before a word that could be a verb and is a noun: 'a retake', 'the next redo'. */
const named: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:an?|the|one|her|his|their|your|any|this|each|no|every|free|first|another) (?:(?!to )\w+ )?$/i,
  es: /(?<!\p{L})(?:una?|el|la|los|las|su|esta|este) $/iu,
};

const namesWork: Readonly<Record<Language, RegExp>> = {
  en: new RegExp(String.raw`\b${workNoun.en}\b`, 'i'),
  es: new RegExp(String.raw`(?<!\p{L})${workNoun.es}(?!\p{L})`, 'iu'),
};
/** Whether it is told that somebody missed a test. */
export const missedTest = (said: string, lang: Language): boolean => sit.about?.[lang].test(said) ?? false;

function rawCues(text: string, lang: Language, before: string): Raw[] {
  const found: Raw[] = [];
  const plain = unaccented(text);
  const add = (pattern: RegExp, by: Reader, noun: boolean) => {
    for (const { index, 0: words } of (by.unaccented ? plain : text).matchAll(pattern)) {
      const [start, end] = [index, index + words.trimEnd().length];
      if (found.some((other) => start < other.end && other.start < end)) continue;
      found.push({
        ...{ kind: by.kind, by, start, end },
        noun: noun || named[lang].test(text.slice(Math.max(0, start - 30), start)),
      });
    }
  };
  for (const reader of readers) {
    if (reader.about && !reader.about[lang].test(`${before} ${text}`)) continue;
    add(reader.cues[lang].verbs, reader, false);
    add(reader.cues[lang].nouns, reader, true);
  }
  const again = (raw: Raw): boolean =>
    raw.kind === 'redo' &&
    (sitsAgain[lang].test(text.slice(0, raw.end)) ||
      (chance[lang].test(text.slice(raw.start, raw.end)) && failed[lang].test(text)));
  // 'Finish the test', 'take the quiz home and bring it back'.
  const tested = (raw: Raw): boolean =>
    raw.kind === 'hand-in' &&
    !raw.noun &&
    (madeUp[lang].test(text.slice(0, raw.end)) ||
      aTest[lang].test(text.slice(raw.start, raw.end + 20).split(/[,;.]/)[0] ?? '') ||
      (manners[lang].pronoun.test(text.slice(raw.start, raw.end)) &&
        atHome[lang].test(text.slice(0, raw.start))));
  const missed = missedTest(`${before} ${text}`, lang);
  const sat = (raw: Raw): boolean =>
    missed &&
    raw.kind === 'hand-in' &&
    (raw.by.sure === true ||
      (!raw.noun && !namesWork[lang].test(unaccented(text.slice(raw.start, raw.end)))));
  return found
    .map((raw) => (again(raw) || tested(raw) || sat(raw) ? { ...raw, kind: 'retake' as const } : raw))
    .sort((a, b) => a.start - b.start);
}

/** What is done again is a test: 'the exam can be repeated'. */
const sitsAgain: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:quiz|test|exam) (?:can|may|could) (?:still )?be (?:redone|done again)$/i,
  es: /(?<!\p{L})(?:examen|prueba|control|test|evaluación)[^.;]{0,40} repetir(?:l[oa])?$/iu,
};
/** 'A second chance for all who failed': it is a test that is failed. */
const chance: Readonly<Record<Language, RegExp>> = {
  en: /chance|try|go$|attempt/i,
  es: /oportunidad|intento/iu,
};
const failed: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:failed|did not pass|scored below|were below)\b/i,
  es: /(?<!\p{L})(?:suspens\p{L}*|no aprobaron|no aprobó)/iu,
};

/** 'The missed quiz can be made up.' */
const madeUp: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:quiz|test|exam|dictation)(?: \w+){0,3} (?:be )?(?:made up|taken|written)$/i,
  es: /(?<!\p{L})(?:examen|control|prueba|test|dictado)(?: \p{L}+){0,3} recuperar$/iu,
};
/** A test that is finished or taken along. */
const aTest: Readonly<Record<Language, RegExp>> = {
  en: /^(?:finish|complete|take|do)\w* (?:the|this|that|her|his) (?:\w+ )?(?:quiz|test|exam|dictation)\b/i,
  es: /^(?:terminar|acabar|completar|termine|acabe|complete|llevarse) (?:el|la|este|esta|su) (?:examen|control|prueba|test|dictado)(?!\p{L})/iu,
};
const atHome: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:quiz|test|exam)\b(?=[^.;]* home\b)/i,
  es: /(?<!\p{L})(?:examen|control|prueba|test)(?!\p{L})(?=[^.;]* a casa(?!\p{L}))/iu,
};

/** What stands before a cue in its own clause. */
function lead(text: string, start: number, breaks: RegExp): string {
  const before = text.slice(Math.max(0, start - 90), start);
  let from = 0;
  for (const { index, 0: found } of before.matchAll(breaks)) from = index + found.length;
  return before.slice(from);
}

const lastOf = (text: string, pattern: RegExp): number => {
  const all = new RegExp(pattern.source, pattern.flags.includes('u') ? 'giu' : 'gi');
  return [...text.matchAll(all)].at(-1)?.index ?? -1;
};

function judge(text: string, raw: Raw, manner: Manner, said: string): CueMark | null {
  const quiet = text.replace(manner.harmless, (words) => ' '.repeat(words.length));
  const before = lead(quiet, raw.start, manner.break);
  const after = quiet.slice(raw.end, raw.end + 60);
  if (manner.elsewhen.test(text) || manner.habit.test(text)) return null;
  const { by, ...cue } = raw;
  const names = text.slice(raw.start, raw.end);
  if (manner.reported.test(quiet.slice(0, raw.start)) || manner.given.test(text)) return null;
  if (by.theirs && manner.ours.test(before) && !manner.once.test(before)) return null;
  if (raw.kind === 'hand-in' && manner.ours.test(before) && manner.theirs.test(text.slice(raw.start)))
    return null;
  if (raw.noun && manner.aside.test(before)) return null;
  if (raw.kind === 'hand-in' && manner.taken.test(names) && !manner.takes.test(`${before}${names}${after}`))
    return null;
  if (manner.did.test(before) || (manner.me.test(before) && /^\w+ed\b/.test(text.slice(raw.start))))
    return null;
  if (by.weak && manner.assigned.test(text)) return null;
  if ((raw.kind === 'correct' || raw.kind === 'redo') && !by.ours && manner.ours.test(before)) return null;
  const object = `${text.slice(raw.start, raw.end)} ${after.split(/[,;]|\b(?:by|until|before|hasta|antes|para)\b/i)[0] ?? ''}`;
  if (raw.kind === 'hand-in' && (manner.foreign.test(object) || manner.foreign.test(before))) return null;
  // 'Sign the form and bring it': what it is stands before it.
  if (
    raw.kind === 'hand-in' &&
    (by.weak || manner.pronoun.test(names)) &&
    manner.signed.test(text.slice(0, raw.start))
  )
    return null;
  if (manner.over.test(after) || manner.praise.test(before)) return null;
  const may = lastOf(before, manner.may);
  const past = lastOf(before, manner.past);
  if (past >= 0 && may < past) return null;
  if (past >= 0 && /\bto\s*$/i.test(before)) return null;
  // 'The zero is changed as soon as I have the map'.
  const mends = manner.mends.test(text) && manner.once.test(quiet.slice(0, raw.end));
  // 'It will be accepted', 'lo acepto'.
  const named = manner.pronoun.test(names) || manner.it.test(before);
  const refers = by.weak === true || (raw.kind === 'hand-in' && named);
  // 'Nobody has paid for the ferry yet; please do so by Friday.'
  if (raw.kind === 'hand-in' && named && manner.foreign.test(said.slice(-120))) return null;
  const denied =
    manner.denies.test(before) ||
    /^\s*(?:is|are|will|can|may)?\s*(?:not|no longer|never)\b/i.test(after.slice(0, 24));
  const certain =
    by.sure === true ||
    mends ||
    (by.weak === true && may >= 0 && manner.owing.test(names)) ||
    (raw.noun ? manner.open.test(text) : !by.ours && !by.weak && (may >= 0 || manner.asks.test(before)));
  return { ...cue, denied, certain, ...(refers ? { refers } : {}) };
}

const lookedAt: Readonly<Record<Language, RegExp>> = {
  en: /again|afresh|anew|once more/i,
  es: /de nuevo|otra vez/iu,
};

/**
 * What a sentence says of ways to mend a work, by place.
 * @param before what the comment said before it.
 */
export function cuesIn(text: string, lang: Language, before = ''): CueMark[] {
  const manner = manners[lang];
  const withoutDue = text.replace(/\bdue\b|\bdeadline\b/gi, '');
  const shifts =
    manner.sooner.test(text) || manner.event.test(withoutDue) || manner.foreign.test(text)
      ? []
      : [...text.matchAll(moved[lang])].map(({ index, 0: words }): CueMark => ({
          kind: 'hand-in',
          start: index,
          end: index + words.trimEnd().length,
          denied: false,
          certain: true,
          moved: true,
        }));
  const found = rawCues(text, lang, before);
  // What the teacher does for it is no second offer beside what is to be done.
  const asked = found.some(({ by }) => !by.ours);
  // 'I will look at it again if the sources are added': it is done anew.
  const anew = found.some(({ by, start, end }) => by.ours && lookedAt[lang].test(text.slice(start, end)));
  const weakly = anew && found.every(({ by }) => by.ours ?? by.weak);
  const others = found
    .filter(({ by }) => (weakly ? by.ours : !by.ours || !asked))
    .flatMap((raw) => {
      if (shifts.some(({ start, end }) => raw.start < end && start < raw.end)) return [];
      return judge(text, raw, manner, before) ?? [];
    });
  return [...shifts, ...others].sort((a, b) => a.start - b.start);
}
