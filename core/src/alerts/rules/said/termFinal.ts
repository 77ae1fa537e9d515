import type { Language, TermReason } from '@cadro/contract';
import { courseGrade } from '../../../gradebook';
import type { ChildFacts } from '../../facts';
import type { GradeSeen } from '../../history';
import { gradeWords } from '../../words/formats';
import { childRule, type Told } from '../rule';
import { onAlways, ruleSettings } from '../set';

type Seen = ChildFacts['grades'][number];

const samePlace = (a: GradeSeen, b: GradeSeen): boolean => a.courseId === b.courseId && a.term === b.term;

/** The stored grades that hold, each with what was stored before it, if that was another. */
function finals({ grades }: ChildFacts): { seen: Seen; was: GradeSeen | null }[] {
  const stored = grades.filter(({ value }) => value.final);
  return stored.flatMap((seen, index) => {
    if (stored.slice(index + 1).some(({ value }) => samePlace(value, seen.value))) return [];
    const was = stored.slice(0, index).findLast(({ value }) => samePlace(value, seen.value))?.value ?? null;
    const other = was && (was.figure !== seen.value.figure || was.letter !== seen.value.letter);
    return [{ seen, was: other ? was : null }];
  });
}

/** The stored grade beside what we count for that term, on the scale of the course. */
function gradeIn(
  { courses }: ChildFacts,
  { courseId, term, ...stated }: GradeSeen,
): Pick<TermReason, 'grade' | 'gradeOutOf'> | null {
  const course = courses.find(({ id }) => id === courseId);
  const count = course?.countIn(term);
  if (!course || !count) return null;
  return { grade: courseGrade(course.policy, count, [stated]), gradeOutOf: course.policy.outOf };
}

const texts = {
  en: {
    of: 'of',
    final: (course: string, grade: string) => [`${course}, final`, grade].filter(Boolean).join(': '),
    thereIs: (course: string) => `${course}: the final grade is in`,
    changed: (course: string, was: string, now: string) =>
      `${course}: the final grade was changed from ${was} to ${now}`,
    changedAtAll: (course: string) => `${course}: the final grade was changed`,
    count: (grade: string) => `By our count it was ${grade}.`,
  },
  es: {
    of: 'de',
    final: (course: string, grade: string) =>
      [`${course}, calificación final`, grade].filter(Boolean).join(': '),
    thereIs: (course: string) => `${course}: ya está la calificación final`,
    changed: (course: string, was: string, now: string) =>
      `${course}: la calificación final cambió de ${was} a ${now}`,
    changedAtAll: (course: string) => `${course}: la calificación final cambió`,
    count: (grade: string) => `Según nuestra cuenta era ${grade}.`,
  },
} as const;

/** The grade of a reason as it is written; older looks kept its figure and letter alone. */
export function finalWords(
  language: Language,
  reason: TermReason,
  { formats }: Pick<Told, 'formats'>,
): string {
  const { figure, letter, grade, gradeOutOf = 100 } = reason;
  const decimals = grade?.decimals ?? 1;
  return gradeWords(
    formats,
    { display: grade?.display ?? figure, letter, decimals },
    gradeOutOf,
    texts[language].of,
  );
}

function saidOf(language: Language, reason: TermReason, told: Told) {
  const { of, final, thereIs, changed, changedAtAll, count } = texts[language];
  const { was, grade, ...rest } = reason;
  const course = reason.courseTitle ?? '';
  const now = finalWords(language, reason, told);
  const before = was && finalWords(language, { ...rest, ...was }, told);
  const ours = grade?.count
    ? [count(gradeWords(told.formats, { ...grade, ...grade.count }, reason.gradeOutOf ?? 100, of))]
    : [];
  const discreet = before ? changedAtAll(course) : thereIs(course);
  return { headline: before ? changed(course, before, now) : final(course, now), discreet, ours };
}

/** The school has stored a course's grade of a term for good, or has changed what it had stored. */
export const termFinal = childRule({
  name: 'term-final',
  about: 'term',
  event: true,
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'talk', place: 2, knobs: [] },
  find: (facts, ask) =>
    finals(facts).flatMap(({ seen: { value, knownAtMs }, was }) => {
      if (!ask(value.courseId).on || facts.asOfMs - knownAtMs > facts.newsMs) return [];
      const grade = gradeIn(facts, value);
      const changed = was ? `:${value.figure ?? ''}${value.letter ?? ''}` : '';
      return [
        {
          key: `term:${facts.studentId}:${value.term}`,
          kind: 'term',
          studentId: facts.studentId,
          courseId: null,
          courseTitle: null,
          reason: {
            id: `term-final:${value.courseId}:${value.term}${changed}`,
            at: value.at,
            sourceName: value.sourceName,
            about: 'term',
            rule: 'term-final',
            term: value.termTitle,
            courseTitle: value.courseTitle,
            figure: value.figure,
            letter: value.letter,
            ...(grade ?? {}),
            ...(was ? { was: { figure: was.figure, letter: was.letter } } : {}),
          },
        },
      ];
    }),
  words: {
    en: {
      name: 'A final grade',
      tell: (reason, told) => {
        const { ours, ...said } = saidOf('en', reason, told);
        return {
          ...said,
          facts: [...ours, `${reason.term}, reported ${told.formats.day(reason.at)}.`],
          rule: 'Cadro tells you when a grade is final.',
          next: 'See the term grades.',
        };
      },
    },
    es: {
      name: 'Una calificación final',
      tell: (reason, told) => {
        const { ours, ...said } = saidOf('es', reason, told);
        return {
          ...said,
          facts: [...ours, `${reason.term}, comunicada el ${told.formats.day(reason.at)}.`],
          rule: 'Se le avisa cuando una calificación es final.',
          next: 'Vea las calificaciones del periodo.',
        };
      },
    },
  },
});
