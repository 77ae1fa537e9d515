import type { DigestChild, DigestContent, Language } from '@cadro/contract';
import { formatsFor, onScale, type Formats } from './formats';

/** What a digest says beside its alerts. */
interface DigestWords {
  readonly title: (daily: boolean) => string;
  readonly span: (from: string, to: string) => string;
  readonly nothing: string;
  readonly sections: Readonly<
    Record<'good' | 'needs' | 'before' | 'coming' | 'attendance' | 'changed' | 'comments', string>
  >;
  readonly needsNone: string;
  readonly work: (title: string, course: string, test: boolean, possible: number) => string;
  readonly attended: (attendance: DigestChild['attendance']) => string;
  readonly more: (count: number) => string;
  readonly of: string;
}

const some = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

const words: Readonly<Record<Language, DigestWords>> = {
  en: {
    title: (daily) => (daily ? 'The day at a glance' : 'The week at a glance'),
    span: (from, to) => `${from} to ${to}`,
    nothing: 'Nothing new, and nothing that needs you.',
    sections: {
      good: 'Good news',
      needs: 'What needs you',
      before: 'Open from before',
      coming: 'The next seven days',
      attendance: 'Attendance',
      changed: 'Figures that moved',
      comments: 'Teachers wrote',
    },
    needsNone: 'Nothing new needs you.',
    work: (title, course, test, possible) =>
      `${title}, ${course}${test ? ', a test' : ''}, worth ${possible}`,
    attended: ({ schoolDays, lessonsMissed, unexplained, late }) =>
      schoolDays === 0
        ? 'No school days.'
        : lessonsMissed === 0 && late === 0
          ? `There on all of ${some(schoolDays, 'school day', 'school days')}, on time.`
          : [
              lessonsMissed === 0
                ? null
                : `${some(lessonsMissed, 'absence', 'absences')} in ${some(schoolDays, 'school day', 'school days')}${unexplained === 0 ? ', all explained' : `, ${unexplained} not explained`}`,
              late === 0 ? null : `late ${late === 1 ? 'once' : `${late} times`}`,
            ]
              .filter((part) => part !== null)
              .join('; ') + '.',
    more: (count) => `${some(count, 'more thing stands', 'more things stand')} in Cadro.`,
    of: 'of',
  },
  es: {
    title: (daily) => (daily ? 'El día de un vistazo' : 'La semana de un vistazo'),
    span: (from, to) => `${from} a ${to}`,
    nothing: 'Nada nuevo, y nada que le necesite.',
    sections: {
      good: 'Buenas noticias',
      needs: 'Lo que le necesita',
      before: 'Abierto desde antes',
      coming: 'Los próximos siete días',
      attendance: 'Asistencia',
      changed: 'Cifras que se movieron',
      comments: 'Los profesores escribieron',
    },
    needsNone: 'Nada nuevo le necesita.',
    work: (title, course, test, possible) =>
      `${title}, ${course}${test ? ', un examen' : ''}, vale ${possible}`,
    attended: ({ schoolDays, lessonsMissed, unexplained, late }) =>
      schoolDays === 0
        ? 'Sin días de clase.'
        : lessonsMissed === 0 && late === 0
          ? `Asistió ${some(schoolDays, 'día de clase', 'días de clase')}, sin retrasos.`
          : [
              lessonsMissed === 0
                ? null
                : `${some(lessonsMissed, 'ausencia', 'ausencias')} en ${some(schoolDays, 'día de clase', 'días de clase')}${unexplained === 0 ? ', todas explicadas' : `, ${unexplained} sin explicar`}`,
              late === 0 ? null : some(late, 'retraso', 'retrasos'),
            ]
              .filter((part) => part !== null)
              .join('; ') + '.',
    more: (count) => `${some(count, 'cosa más está', 'cosas más están')} en Cadro.`,
    of: 'de',
  },
};

export const digestWords = (language: Language): DigestWords => words[language];

/** The days of a digest as one line. */
export function digestSpan(language: Language, { fromOn, toOn }: DigestContent): string {
  const { date } = formatsFor(language, 'UTC');
  return words[language].span(date(fromOn), date(toOn));
}

/** A figure that moved: 'Tide tables: 84.2 → 86.0'. */
export const movedLine = (
  language: Language,
  formats: Formats,
  { courseTitle, before, now, outOf, decimals }: DigestChild['changed'][number],
): string => {
  const say = (value: number) => onScale(formats, value, { outOf, decimals }, words[language].of);
  return `${courseTitle}: ${say(before)} → ${say(now)}`;
};
