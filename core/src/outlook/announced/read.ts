import type { Language } from '@cadro/contract';
import { languageOf } from '../offers';
import { wantedAnswer, type WantedAnswer } from './readers/answer';
import { bring } from './readers/bring';
import { day } from './readers/day';
import { deadline } from './readers/deadline';
import { wantsHelpers } from './readers/helpers';
import type { Part, PartReader } from './readers/reader';
import { readSentences } from './sentence';

/** A part of an announcement, with its place in the whole text and a name that stays while the words do. */
export interface AnnouncedPart extends Part {
  /** `day:2026-11-05`, with a number behind it where there are several. */
  readonly key: string;
}

/** What an announcement's words tell. */
export interface ReadAnnouncement {
  readonly lang: Language;
  readonly parts: readonly AnnouncedPart[];
  readonly asks: WantedAnswer | null;
  readonly helpers: boolean;
}

const readers: readonly PartReader[] = [day, deadline, bring];

/** Long announcements are read as far as this. */
const longest = 8000;

function partsOf(text: string, postedOn: string, lang: Language): Part[] {
  const found: Part[] = [];
  let event: string | null = null;
  for (const sentence of readSentences(text, postedOn, lang)) {
    const named = readers.flatMap((reader) => reader(sentence, event));
    event = named.find(({ kind }) => kind === 'day')?.on ?? event;
    found.push(
      ...named.map((part) => ({
        ...part,
        start: part.start + sentence.start,
        end: part.end + sentence.start,
      })),
    );
  }
  // What is over when it is posted is no date to know.
  return found.filter(({ on, lastOn }) => on === null || (lastOn ?? on) >= postedOn);
}

/** Each by its own name: the same day twice is numbered. */
function named(parts: readonly Part[]): AnnouncedPart[] {
  const count = new Map<string, number>();
  return parts.map((part) => {
    const plain = `${part.kind}:${part.on ?? '-'}`;
    const nth = (count.get(plain) ?? 0) + 1;
    count.set(plain, nth);
    return { ...part, key: nth === 1 ? plain : `${plain}:${nth}` };
  });
}

/**
 * Reads an announcement's words: days to know, last days, what to bring, and what is wanted.
 * @param postedOn the day on which it was posted, `YYYY-MM-DD`, by the school's calendar.
 */
export function readAnnouncement(whole: string, postedOn: string): ReadAnnouncement {
  const text = whole.slice(0, longest);
  const lang = languageOf(text);
  return {
    lang,
    parts: named(partsOf(text, postedOn, lang)),
    asks: wantedAnswer(text, lang),
    helpers: wantsHelpers(text, lang),
  };
}
