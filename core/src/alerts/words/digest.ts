import {
  placeOfAlert,
  type DigestChild,
  type DigestContent,
  type DigestEntry,
  type Language,
} from '@cadro/contract';
import { counted, formatsFor, gradeWords, onScale, type Formats } from './formats';
import { tellAlert } from './tell';

/** What a digest says beside its alerts. */
interface DigestWords {
  readonly title: (daily: boolean) => string;
  readonly span: (from: string, to: string) => string;
  readonly nothing: string;
  readonly sections: Readonly<
    Record<
      | 'good'
      | 'needs'
      | 'before'
      | 'coming'
      | 'attendance'
      | 'changed'
      | 'comments'
      | 'school'
      | 'closed'
      | 'news',
      string
    >
  >;
  readonly needsNone: string;
  /** A teacher's words, with what they are about and their day: 'until Friday' means nothing without it. */
  readonly wrote: (author: string, about: string, day: string, text: string) => string;
  /** What a school announced, with the last day for an answer where one is wanted. */
  readonly school: (title: string, by: string | null) => string;
  /** Other works of the same course. */
  readonly also: (works: string) => string;
  readonly due: (works: number, big: number) => string;
  readonly attended: (attendance: DigestChild['attendance']) => string;
  readonly more: (count: number) => string;
  /** How our count moved, beside the school's grade. */
  readonly ourCount: (way: string, grade: string) => string;
  /** Works that can no longer be turned in, and what they count as. */
  readonly closed: (course: string, titles: readonly string[], list: string, as: string) => string;
  readonly news: (news: NonNullable<DigestChild['news']>) => string[];
  readonly of: string;
}

const words: Readonly<Record<Language, DigestWords>> = {
  en: {
    title: (daily) => (daily ? 'The day at a glance' : 'The week at a glance'),
    span: (from, to) => `${from} to ${to}`,
    nothing: 'Nothing new, and nothing that needs you.',
    sections: {
      good: 'Good news',
      needs: 'Needs you',
      before: 'Open from before',
      coming: 'Next 7 days',
      attendance: 'Attendance',
      changed: 'Moved',
      comments: 'Teachers wrote',
      school: 'From the schools',
      closed: 'Too late now',
      news: 'New',
    },
    needsNone: 'Nothing.',
    wrote: (author, about, day, text) => `${author}, ${about}, ${day}: “${text}”`,
    school: (title, by) => (by === null ? title : `${title} (answer by ${by})`),
    also: (works) => `also ${works}`,
    due: (works, big) =>
      works === 0
        ? 'Nothing due.'
        : big === 0
          ? `${counted(works, 'assignment', 'assignments')} due.`
          : `And ${works - big} more.`,
    attended: ({ schoolDays, daysMissed, lessonsMissed, unexplained, late }) =>
      schoolDays === 0
        ? 'No school days.'
        : lessonsMissed === 0 && late === 0
          ? `There${schoolDays === 1 ? '' : ` on all ${schoolDays} school days`}, on time.`
          : [
              lessonsMissed === 0
                ? null
                : `Missed ${counted(lessonsMissed, 'class', 'classes')} on ${daysMissed} of ${counted(schoolDays, 'school day', 'school days')}, ${unexplained === 0 ? 'explained' : `${unexplained} not explained`}`,
              late === 0 ? null : `late ${late === 1 ? 'once' : `${late} times`}`,
            ]
              .filter((part) => part !== null)
              .join('; ') + '.',
    more: (count) => `${count} more in Cadro.`,
    ourCount: (way, grade) => `${way} by our count (school: ${grade})`,
    closed: (course, { length }, list, as) =>
      length === 1
        ? `${course}: ${list} can no longer be turned in. It counts as ${as}.`
        : `${course}: ${list} can no longer be turned in. They count as ${as}.`,
    news: ({ scores, assigned }) => [
      ...(scores > 0 ? [counted(scores, 'score', 'scores')] : []),
      ...(assigned > 0 ? [counted(assigned, 'assignment', 'assignments')] : []),
    ],
    of: 'of',
  },
  es: {
    title: (daily) => (daily ? 'El día de un vistazo' : 'La semana de un vistazo'),
    span: (from, to) => `${from} a ${to}`,
    nothing: 'Nada nuevo, y nada que le necesite.',
    sections: {
      good: 'Buenas noticias',
      needs: 'Necesita su atención',
      before: 'Abierto desde antes',
      coming: 'Próximos 7 días',
      attendance: 'Asistencia',
      changed: 'Qué cambió',
      comments: 'Comentarios de los maestros',
      school: 'De las escuelas',
      closed: 'Ya es tarde',
      news: 'Novedades',
    },
    needsNone: 'Nada.',
    wrote: (author, about, day, text) => `${author}, ${about}, ${day}: «${text}»`,
    school: (title, by) => (by === null ? title : `${title} (responder hasta el ${by})`),
    also: (works) => `también ${works}`,
    due: (works, big) =>
      works === 0
        ? 'Ninguna entrega.'
        : big === 0
          ? `${counted(works, 'entrega', 'entregas')}.`
          : `Y ${works - big} más.`,
    attended: ({ schoolDays, daysMissed, lessonsMissed, unexplained, late }) =>
      schoolDays === 0
        ? 'Sin días de clase.'
        : lessonsMissed === 0 && late === 0
          ? `Asistió${schoolDays === 1 ? '' : ` los ${schoolDays} días de clase`}, siempre a tiempo.`
          : [
              lessonsMissed === 0
                ? null
                : `Faltó a ${counted(lessonsMissed, 'clase', 'clases')} en ${daysMissed} de ${counted(schoolDays, 'día', 'días')}, ${unexplained === 0 ? 'justificadas' : `${unexplained} sin explicar`}`,
              late === 0 ? null : counted(late, 'llegada tarde', 'llegadas tarde'),
            ]
              .filter((part) => part !== null)
              .join('; ') + '.',
    more: (count) => `${count} más en Cadro.`,
    ourCount: (way, grade) => `${way} según nuestra cuenta (escuela: ${grade})`,
    closed: (course, { length }, list, as) =>
      length === 1
        ? `${course}: ${list} ya no se puede entregar. Cuenta como ${as}.`
        : `${course}: ${list} ya no se pueden entregar. Cuentan como ${as}.`,
    news: ({ scores, assigned }) => [
      ...(scores > 0 ? [counted(scores, 'puntaje', 'puntajes')] : []),
      ...(assigned > 0 ? [counted(assigned, 'tarea', 'tareas')] : []),
    ],
    of: 'de',
  },
};

/** A digest's name. */
export const digestTitle = (language: Language, daily: boolean): string => words[language].title(daily);

/** The whole of a digest in which nothing is said of any child. */
export const digestNothing = (language: Language): string => words[language].nothing;

/** The days of a digest as one line. */
export function digestSpan(language: Language, { fromOn, toOn }: DigestContent): string {
  const { date } = formatsFor(language, 'UTC');
  return fromOn === toOn ? date(fromOn) : words[language].span(date(fromOn), date(toOn));
}

/** A line of a digest, and the address in the app where it leads. */
export interface DigestLine {
  readonly key: string;
  readonly text: string;
  readonly place: string | null;
}
export interface DigestSection {
  readonly title: string;
  readonly lines: readonly DigestLine[];
}

/** So many words of a teacher are quoted. */
const mostQuoted = 15;

/** A teacher's words: as many whole sentences as there is room for, at least some of the first. */
function shortened(text: string): string {
  const count = (part: string) => part.split(/\s+/).length;
  const sentences = text.trim().split(/(?<=[.!?…])\s+/);
  let said = '';
  for (const sentence of sentences) {
    const longer = said ? `${said} ${sentence}` : sentence;
    if (count(longer) > mostQuoted) break;
    said = longer;
  }
  if (said === text.trim()) return said;
  return `${said || text.trim().split(/\s+/).slice(0, mostQuoted).join(' ')} …`;
}

/** An entry in one line that is understood without opening it. */
function entryLine(language: Language, entry: DigestEntry, timeZone: string, formats: Formats): DigestLine {
  const { key, courseTitle, reasons } = entry;
  const { headline } = tellAlert(language, entry, { timeZone });
  const [first] = reasons;
  const works = [
    ...new Set(reasons.flatMap((reason) => (reason.about === 'work' ? [reason.work.title] : []))),
  ];
  const say = (): string => {
    if (first?.about === 'comment') {
      const about = first.itemTitle ?? courseTitle ?? '';
      return words[language].wrote(first.author, about, formats.day(first.at), shortened(first.text));
    }
    if (first?.about === 'school')
      return words[language].school(first.title, first.by && formats.day(first.by));
    if (first?.about !== 'work') return headline;
    const others = works.filter((title) => title !== first.work.title);
    if (others.length === 0) return `${headline} (${courseTitle ?? ''})`;
    return reasons.every(({ rule }) => rule === 'loose-end')
      ? `${headline}: ${formats.list(works)}`
      : `${headline} (${courseTitle ?? ''}), ${words[language].also(formats.list(others))}`;
  };
  return { key, text: say(), place: placeOfAlert(entry, reasons) };
}

/** How a figure moved: of our count where the school's grade is another, and then that, too. */
function movedLine(language: Language, formats: Formats, moved: DigestChild['changed'][number]): string {
  const { ourCount, of } = words[language];
  const { courseTitle, before, now, outOf, decimals, grade } = moved;
  const figure = (value: number) => onScale(formats, value, { outOf, decimals }, of);
  const way = `${figure(before)} → ${figure(now)}`;
  const said = grade?.count ? ourCount(way, gradeWords(formats, grade, outOf, of)) : way;
  return `${courseTitle}: ${said}`;
}

const line = (key: string, text: string, place: string | null = null): DigestLine => ({ key, text, place });

/** What can no longer be turned in, a line for each course. */
const closedLines = (language: Language, { studentId, closed = [] }: DigestChild, formats: Formats) =>
  closed.map(({ courseId, courseTitle, titles, countsAs }) => {
    const as = countsAs > 0 ? formats.percent(countsAs) : '0';
    const text = words[language].closed(courseTitle, titles, formats.list(titles), as);
    return line(`closed:${courseId}`, text, `/courses/${studentId}/${courseId}`);
  });

/** What a digest says of one child, section by section: in the app, by mail and on paper the same. */
export function digestSections(
  language: Language,
  child: DigestChild,
): { readonly sections: readonly DigestSection[]; readonly more: string | null } {
  const { sections, needsNone, due, attended, more, news } = words[language];
  const { studentId, timeZone, coming } = child;
  const came = child.news ? news(child.news) : [];
  const formats = formatsFor(language, timeZone);
  const entries = (all: readonly DigestEntry[]) =>
    all.map((entry) => entryLine(language, entry, timeZone, formats));
  const all: DigestSection[] = [
    { title: sections.good, lines: entries(child.good) },
    {
      title: sections.needs,
      lines: child.needs.length > 0 ? entries(child.needs) : [line('none', needsNone)],
    },
    { title: sections.comments, lines: entries(child.comments) },
    { title: sections.school, lines: entries(child.school ?? []) },
    {
      title: sections.coming,
      lines: [
        ...coming.big.map(({ itemId, courseId, courseTitle, title, dueAt }) =>
          line(
            itemId,
            `${formats.day(dueAt)}: ${title} (${courseTitle})`,
            `/courses/${studentId}/${courseId}/${itemId}`,
          ),
        ),
        ...(coming.works === coming.big.length && coming.works > 0
          ? []
          : [line('works', due(coming.works, coming.big.length), '/work')]),
      ],
    },
    {
      title: sections.attendance,
      lines: [line('attendance', attended(child.attendance), `/days/attendance/${studentId}`)],
    },
    {
      title: sections.changed,
      lines: child.changed.map((moved) =>
        line(moved.courseId, movedLine(language, formats, moved), `/courses/${studentId}/${moved.courseId}`),
      ),
    },
    { title: sections.closed, lines: closedLines(language, child, formats) },
    { title: sections.before, lines: entries(child.before) },
    {
      title: sections.news,
      lines: came.length > 0 ? [line('news', `${formats.list(came)}.`, '/brief/new')] : [],
    },
  ];
  return {
    sections: all.filter(({ lines }) => lines.length > 0),
    more: child.more > 0 ? more(child.more) : null,
  };
}
