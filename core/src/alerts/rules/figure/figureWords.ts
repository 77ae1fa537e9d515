import type { FigureReason, Language } from '@cadro/contract';
import { onScale, shows } from '../../words/formats';
import type { Told } from '../rule';

interface Texts {
  readonly of: string;
  readonly now: (figure: string) => string;
  readonly path: (before: string, day: string, now: string) => string;
  readonly movers: (list: string) => string;
  readonly see: string;
}
const texts: Readonly<Record<Language, Texts>> = {
  en: {
    of: 'of',
    now: (figure) => `${figure} now.`,
    path: (before, day, now) => `${before} on ${day}, ${now} now.`,
    movers: (list) => `What moved it most: ${list}.`,
    see: 'Open the course and look at what moved it.',
  },
  es: {
    of: 'de',
    now: (figure) => `Ahora ${figure}.`,
    path: (before, day, now) => `${before} el ${day}, ahora ${now}.`,
    movers: (list) => `Lo que más la movió: ${list}.`,
    see: 'Abra la asignatura y mire qué la movió.',
  },
};

/** What every rule about a figure says: where it was and is, what moved it, and to look at that. */
export function figureIn(language: Language, reason: FigureReason, { formats, courseTitle }: Told) {
  const { of, now: only, path, movers, see } = texts[language];
  const say = (value: number) => onScale(formats, value, reason, of);
  const { before, since, now, moved } = reason;
  const way =
    before === null || since === null || say(before) === say(now)
      ? only(say(now))
      : path(say(before), formats.day(since), say(now));
  const named = moved
    .filter(({ delta }) => shows(delta, reason))
    .map(({ title, delta }) => `${title} (${delta > 0 ? '+' : '−'}${say(Math.abs(delta))})`);
  const facts = named.length > 0 ? [way, movers(formats.list(named))] : [way];
  return { say, course: courseTitle, facts, see, from: say(before ?? now), to: say(now) };
}
