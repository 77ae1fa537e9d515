import type { Language, ResultStatus } from '@cadro/contract';
import { daysAfter } from '../../dates';
import { numberOf } from '../tables/cells';
import { readDay, type Order } from '../tables/days';
import { statusOfWord } from '../tables/words';
import { plainTitle } from './match';

/** What a line of free text says of an assignment; null is not said. */
export interface Line {
  /** Place of the course among those that were named to the reader. */
  readonly course: number | null;
  readonly title: string;
  readonly dueOn: string | null;
  readonly earned: number | null;
  readonly possible: number | null;
  readonly percent: number | null;
  readonly status: ResultStatus;
  readonly category: string | null;
}

export interface LineAsked {
  readonly lang: Language;
  /** The date on which it is read, `YYYY-MM-DD`. */
  readonly today: string;
  /** Titles of the courses and categories it may be about. */
  readonly courses: readonly string[];
  readonly categories: readonly string[];
}

const orders: Readonly<Record<Language, Order>> = { en: 'month-first', es: 'day-first' };
const weekdays: readonly RegExp[] = [
  /\b(?:sun(?:day)?|dom(?:ingo)?)\b/i,
  /\b(?:mon(?:day)?|lun(?:es)?)\b/i,
  /\b(?:tue(?:s(?:day)?)?|martes)\b/i,
  /\b(?:wed(?:nesday)?|mi[eé](?:rcoles)?)\b/i,
  /\b(?:thu(?:rs?(?:day)?)?|jue(?:ves)?)\b/i,
  /\b(?:fri(?:day)?|vie(?:rnes)?)\b/i,
  /\b(?:sat(?:urday)?|s[aá]b(?:ado)?)\b/i,
];

/** What is left of a line while its parts are taken out of it. */
class Rest {
  constructor(public text: string) {}

  /** Takes the first match out. */
  take(pattern: RegExp): RegExpExecArray | null {
    const found = pattern.exec(this.text);
    if (found)
      this.text = `${this.text.slice(0, found.index)} | ${this.text.slice(found.index + found[0].length)}`;
    return found;
  }
}

const amount = String.raw`(\d{1,5}(?:[.,]\d{1,2})?)`;
const before = String.raw`(?:\b(?:due|for|on|by|turn in by|para el|para|vence el|vence|el|entregar el)\s+)`;
const months = String.raw`(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec|ene|abr|ago|set|dic)[a-z]*\.?`;
const dates: readonly RegExp[] = [
  /\b\d{4}-\d{2}-\d{2}\b/,
  new RegExp(
    String.raw`${before}?\b\d{1,2}(?:st|nd|rd|th)?\s+(?:de |of )?${months}(?:,?\s+(?:de |del )?\d{4})?\b`,
    'i',
  ),
  new RegExp(String.raw`${before}?\b${months}\s+\d{1,2}(?:st|nd|rd|th)?(?:,?\s+\d{4})?\b`, 'i'),
  /\b\d{1,2}[/.-]\d{1,2}[/.-]\d{2,4}\b/,
  new RegExp(String.raw`${before}?\b(?:today|tomorrow|yesterday|hoy|mañana|ayer)\b`, 'i'),
];

/** The day of the week that was, for what has a score; the one that comes, for what has none. */
function weekday(
  day: number,
  { today, isOver }: { readonly today: string; readonly isOver: boolean },
): string {
  const ahead = (day - new Date(`${today}T00:00:00Z`).getUTCDay() + 7) % 7;
  return daysAfter(today, isOver && ahead > 0 ? ahead - 7 : ahead);
}

/** Two numbers with a stroke are points, unless it is said that they are a day. */
const led = new RegExp(String.raw`${before}\d{1,2}[/.-]\d{1,2}(?:[/.-]\d{2,4})?\b`, 'i');

function takeLed(rest: Rest, { lang, today }: LineAsked): string | null {
  const found = led.exec(rest.text);
  const day = found && readDay(found[0], { order: orders[lang], today });
  if (day) rest.take(led);
  return day;
}

function takeDay(rest: Rest, { lang, today }: LineAsked, isOver: boolean): string | null {
  for (const pattern of dates) {
    const found = rest.take(pattern);
    const day = found && readDay(found[0], { order: orders[lang], today });
    if (day) return day;
    if (found) rest.text = rest.text.replace(' | ', found[0]);
  }
  for (const [day, pattern] of weekdays.entries()) {
    const named = new RegExp(
      String.raw`${before}?(?:(?:next|this|last|el próximo|este|el)\s+)?${pattern.source}`,
      'i',
    );
    if (rest.take(named)) return weekday(day, { today, isOver });
  }
  return null;
}

const scores = {
  of: new RegExp(
    String.raw`\b${amount}\s*(?:\/|out of|of|de|sobre)\s*${amount}(?:\s*(?:points?|pts?|puntos?))?\b`,
    'i',
  ),
  percent: new RegExp(String.raw`\b${amount}\s*%`),
  worth: new RegExp(
    String.raw`(?:\b(?:worth|out of|vale|valor|sobre)\s+${amount}(?:\s*(?:points?|pts?|puntos?))?\b|\b${amount}\s*(?:points?|pts?|puntos?)\b|\/\s*${amount}\b)`,
    'i',
  ),
};
const statusWords =
  /\b(missing|not (?:turned|handed) in|never turned in|excused|exempt|incomplete|(?:turned|handed) in|submitted|not graded(?: yet)?|no entregad[oa]|sin entregar|faltante|falta|justificad[oa]|exent[oa]|incomplet[oa]|entregad[oa]|sin calificar)\b/i;

const value = (digits: string | undefined): number | null => numberOf(digits ?? '');

function takeScore(rest: Rest): Pick<Line, 'earned' | 'possible' | 'percent' | 'status'> {
  const both = rest.take(scores.of);
  const percent = value(rest.take(scores.percent)?.[1]);
  const worth = rest.take(scores.worth);
  const said = rest.take(statusWords)?.[1];
  const scored = both !== null || percent !== null;
  return {
    earned: value(both?.[1]),
    possible: value(both?.[2]) ?? value(worth?.slice(1).find((digits) => digits !== undefined)),
    percent,
    status: (said && statusOfWord(said)) || (scored ? 'scored' : 'open'),
  };
}

const wordsOf = (text: string): string[] => plainTitle(text).split(' ').filter(Boolean);
/** Small words of which no course is known. */
const small = new Set([
  'the',
  'and',
  'for',
  'of',
  'to',
  'de',
  'del',
  'la',
  'el',
  'las',
  'los',
  'y',
  'in',
  'en',
]);

/** The course a line names: most of whose words, or their beginnings, stand in it. */
function courseIn(
  text: string,
  courses: readonly string[],
): { place: number; words: readonly string[] } | null {
  const said = wordsOf(text);
  let best: { place: number; words: readonly string[] } | null = null;
  courses.forEach((title, place) => {
    const own = wordsOf(title).filter((word) => !small.has(word));
    const words = said.filter(
      (word) =>
        word.length > 2 &&
        !small.has(word) &&
        own.some((each) => each === word || (word.length > 3 && each.startsWith(word))),
    );
    if (words.length > 0 && words.length > (best?.words.length ?? 0)) best = { place, words };
  });
  return best;
}

/** Takes the words of a course's name out of a title, unless nothing is left then. */
function without(title: string, words: readonly string[]): string {
  const kept = title.split(/\s+/).filter((word) => !words.includes(plainTitle(word)));
  return kept.length > 0 ? kept.join(' ') : title;
}

const tidy = (text: string): string => {
  const title = text
    .replace(/\s+/g, ' ')
    .replace(/^[\s:–—-]+|[\s:–—-]+$/g, '')
    .replace(/\s+(?:on|due|for|by|el|para)$/i, '');
  return title.charAt(0).toLocaleUpperCase() + title.slice(1);
};

/**
 * Reads one line of free text about an assignment, in English or Spanish.
 * @example readLine('math quiz Friday 17/20', asked) // { course: 0, title: 'Quiz', earned: 17, possible: 20, … }
 * @example readLine('essay due 12 Nov worth 50, projects', asked) // { title: 'Essay', possible: 50, category: 'projects', … }
 */
export function readLine(text: string, asked: LineAsked): Line {
  const rest = new Rest(text.normalize('NFC').replace(/[|]/g, ' ').slice(0, 300));
  const said = takeLed(rest, asked);
  const score = takeScore(rest);
  const dueOn = said ?? takeDay(rest, asked, score.status !== 'open');
  const [first = '', ...others] = rest.text
    .split(/[,;|]/)
    .map((piece) => piece.replace(/\s+/g, ' ').trim())
    .filter((piece) => /[\p{L}\p{N}]/u.test(piece));
  const known = (piece: string) =>
    asked.categories.find((each) => {
      const [a, b] = [plainTitle(each), plainTitle(piece)];
      return a === b || a === `${b}s` || `${a}s` === b;
    });
  const named = others.find((piece) => known(piece) !== undefined);
  // What stands alone behind a comma is the kind of work it is.
  const behind = named ?? (/[,;]/.test(text) ? others.at(-1) : undefined);
  const more = others.filter((piece) => piece !== behind);
  const title = [first, ...more].join(' ');
  const course = courseIn(title, asked.courses);
  return {
    ...score,
    course: course?.place ?? null,
    title: tidy(course ? without(title, course.words) : title),
    dueOn,
    category: behind === undefined ? null : (known(behind) ?? behind),
  };
}
