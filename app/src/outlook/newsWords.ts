import type { Href } from 'expo-router';
import type { TFunction } from 'i18next';
import type { NewsLine } from '@cadro/contract';
import { lessonWord, markWord } from '../attendance';
import type { Format } from '../i18n';

type Of<K extends NewsLine['kind']> = Extract<NewsLine, { kind: K }>;

/** A score as it is written: '24 of 30', or '21 → 24 of 30' where it was put right. */
function scoreText(t: TFunction, format: Format, { earned, was, possible }: Of<'score'>): string | null {
  if (earned === null) return null;
  const score = t('item.score', { earned: format.amount(earned), possible: format.amount(possible) });
  return was === null ? score : t('news.changed', { was: format.amount(was), score });
}

/** By which day, in words. */
const dueText = (t: TFunction, format: Format, dueAt: string | null): string =>
  dueAt === null ? t('news.undated') : t('news.due', { day: format.day(dueAt) });

/** Lessons that were marked alike are said together: 'Rowing geometry, Tide tables: absent, explained'. */
function attendanceText(t: TFunction, format: Format, { lessons }: Of<'attendance'>): string {
  const byMark = new Map<string, string[]>();
  for (const { courseTitle, period, mark, excused } of lessons) {
    const word = markWord(t, { kind: mark, excused, code: '' });
    byMark.set(word, [...(byMark.get(word) ?? []), lessonWord(t, { courseTitle, period })]);
  }
  return [...byMark]
    .map(([what, titles]) => t('days.mark', { lesson: format.list([...new Set(titles)]), what }))
    .join('; ');
}

const gradeText = (format: Format, { figure, letter }: Of<'stored'>): string =>
  [...(figure === null ? [] : [format.amount(figure)]), ...(letter === null ? [] : [letter])].join(' ');

/** What a score is beside its number: put right, or no longer missing; a first one says it by itself. */
const scoreSaid = (t: TFunction, { was, stood }: Of<'score'>): string =>
  was !== null ? t('news.said.changed') : stood ? t(`news.was.${stood}`) : '';

interface NewsText {
  readonly what: string;
  /** Beside child and course; empty for nothing more. */
  readonly said: string;
  /** Of a score: the number. */
  readonly score: string | null;
}

/** A line of what is new in words. */
export const newsText = (t: TFunction, format: Format, line: NewsLine): NewsText =>
  line.kind === 'score'
    ? { what: line.title, said: scoreSaid(t, line), score: scoreText(t, format, line) }
    : { ...otherText(t, format, line), score: null };

function otherText(
  t: TFunction,
  format: Format,
  line: Exclude<NewsLine, Of<'score'>>,
): { what: string; said: string } {
  switch (line.kind) {
    case 'standing':
      return { what: line.title, said: t(`news.standing.${line.status}`) };
    case 'assigned':
      return {
        what: line.title,
        said: t('news.said.assigned', { due: dueText(t, format, line.dueAt) }),
      };
    case 'moved':
      return {
        what: line.title,
        said: t('news.said.moved', {
          due: dueText(t, format, line.dueAt),
          was: dueText(t, format, line.was),
        }),
      };
    case 'withdrawn':
      return { what: line.title, said: t('news.said.withdrawn') };
    case 'remark':
      return {
        what: t('news.quoted', { text: line.text }),
        said: line.title ? t('news.said.remarkOn', { author: line.author, title: line.title }) : line.author,
      };
    case 'attendance':
      return { what: attendanceText(t, format, line), said: format.day(line.on) };
    case 'stored':
      return {
        what: t('news.stored', { term: line.term, grade: gradeText(format, line) }),
        said: t('news.said.stored'),
      };
    case 'announced':
      return { what: line.title, said: t('news.said.announced') };
  }
}

/** Lines of a day that are told together: what is new of one child, what one child turned in. */
const together = (line: NewsLine): string | null =>
  line.kind === 'assigned' || (line.kind === 'standing' && line.status === 'handed-in')
    ? `${line.studentId}:${line.kind}`
    : null;

/** The lines of a day as they stand: each for itself, or several of a child in one. */
export function newsRows(lines: readonly NewsLine[]): (readonly [NewsLine, ...NewsLine[]])[] {
  const rows = new Map<string, [NewsLine, ...NewsLine[]]>();
  lines.forEach((line, place) => {
    const key = together(line) ?? String(place);
    const row = rows.get(key);
    if (row) row.push(line);
    else rows.set(key, [line]);
  });
  return [...rows.values()];
}

/** Several of a child in one: how many, and which. */
export function severalText(
  t: TFunction,
  format: Format,
  lines: readonly NewsLine[],
): { what: string; said: string } {
  const given = lines.flatMap((line) => (line.kind === 'assigned' ? [line] : []));
  const titles = lines.flatMap((line) => ('title' in line && line.title ? [line.title] : []));
  return given.length > 0
    ? {
        what: t('news.several.assigned', { count: lines.length }),
        said: given
          .map(({ title, dueAt }) => t('news.several.each', { title, due: dueText(t, format, dueAt) }))
          .join('; '),
      }
    : { what: t('news.several.turnedIn', { count: lines.length }), said: titles.join('; ') };
}

/** Where a line leads. */
export function newsHref(line: NewsLine): Href {
  switch (line.kind) {
    case 'announced':
      return '/talk';
    case 'attendance':
      return `/days/${line.studentId}/${line.on}`;
    case 'stored':
    case 'withdrawn':
      return `/courses/${line.studentId}/${line.courseId}`;
    default:
      return line.itemId
        ? `/courses/${line.studentId}/${line.courseId}/${line.itemId}`
        : `/courses/${line.studentId}/${line.courseId}`;
  }
}
