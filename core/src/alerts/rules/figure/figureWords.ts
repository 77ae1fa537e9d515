import type { FigureReason, Language } from '@cadro/contract';
import { gradeWords, onScale, shows } from '../../words/formats';
import type { Told } from '../rule';

interface Texts {
  readonly of: string;
  readonly byOurCount: (course: string) => string;
  readonly school: (grade: string) => string;
  readonly count: (grade: string) => string;
  readonly now: (figure: string) => string;
  readonly path: (before: string, day: string, now: string) => string;
  readonly movers: (list: string) => string;
  readonly see: string;
}
const texts: Readonly<Record<Language, Texts>> = {
  en: {
    of: 'of',
    byOurCount: (course) => `By our count, ${course}`,
    school: (grade) => `The school shows ${grade}.`,
    count: (grade) => `${grade} by our count.`,
    now: (figure) => `${figure} now.`,
    path: (before, day, now) => `${before} on ${day}, ${now} now.`,
    movers: (list) => `What moved it most: ${list}.`,
    see: 'Open the course and look at what moved it.',
  },
  es: {
    of: 'de',
    byOurCount: (course) => `Según nuestra cuenta, ${course}`,
    school: (grade) => `La escuela indica ${grade}.`,
    count: (grade) => `${grade} según nuestra cuenta.`,
    now: (figure) => `Ahora ${figure}.`,
    path: (before, day, now) => `${before} el ${day}, ahora ${now}.`,
    movers: (list) => `Lo que más la movió: ${list}.`,
    see: 'Abra la materia y mire qué la movió.',
  },
};

/**
 * What every rule about a figure says: where it was and is, what moved it, and to look at that. What moves is our
 * count: where the school's own grade differs, that is said, and the school's stands beside it.
 */
export function figureIn(language: Language, reason: FigureReason, { formats, courseTitle }: Told) {
  const { of, now: only, path, movers, see, byOurCount, school, count } = texts[language];
  const say = (value: number) => onScale(formats, value, reason, of);
  const { before, since, now, moved, grade } = reason;
  const differs = (grade?.count ?? null) !== null;
  const leading = grade ? gradeWords(formats, { ...grade, letter: null }, reason.outOf, of) : '';
  const own = before === null || since === null || say(before) === say(now);
  const way = own
    ? differs
      ? count(say(now))
      : only(say(now))
    : path(say(before), formats.day(since), say(now));
  const named = moved
    .filter(({ delta }) => shows(delta, reason))
    .map(({ title, delta }) => `${title} (${delta > 0 ? '+' : '−'}${say(Math.abs(delta))})`);
  const beside = differs && grade ? [school(gradeWords(formats, grade, reason.outOf, of))] : [];
  return {
    say,
    course: courseTitle,
    /** Of our count: named so where the school's grade differs. */
    name: differs ? byOurCount(courseTitle) : courseTitle,
    facts: [...beside, way, ...(named.length > 0 ? [movers(formats.list(named))] : [])],
    see,
    from: say(before ?? now),
    to: say(now),
    /** The grade as every page tells it. */
    grade: leading || say(now),
  };
}
