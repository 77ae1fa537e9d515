import { childRule } from '../rule';
import { onAlways, ruleSettings } from '../set';

/** The school has stored a course's figure of a term for good. */
export const termFinal = childRule({
  name: 'term-final',
  about: 'term',
  event: true,
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'talk', place: 2, knobs: [] },
  find: (facts, ask) =>
    facts.grades.flatMap(({ value, knownAtMs }) => {
      if (!ask(value.courseId).on || facts.asOfMs - knownAtMs > facts.newsMs) return [];
      return [
        {
          key: `term:${facts.studentId}:${value.term}`,
          kind: 'term',
          studentId: facts.studentId,
          courseId: null,
          courseTitle: null,
          reason: {
            id: `term-final:${value.courseId}:${value.term}`,
            at: value.reportedAt,
            sourceName: value.sourceName,
            about: 'term',
            rule: 'term-final',
            term: value.termTitle,
            courseTitle: value.courseTitle,
            figure: value.figure,
            letter: value.letter,
          },
        },
      ];
    }),
  words: {
    en: {
      name: 'A final figure',
      tell: ({ term, courseTitle, figure, letter, at }, { formats }) => ({
        headline: `${courseTitle ?? ''} is final${letter || figure !== null ? `: ${letter ?? figure}` : ''}`,
        facts: [`${term}, reported ${formats.day(at)}.`],
        rule: 'You are told when the school stores a figure for good.',
        next: 'Look at the term.',
      }),
    },
    es: {
      name: 'Una cifra definitiva',
      tell: ({ term, courseTitle, figure, letter, at }, { formats }) => ({
        headline: `${courseTitle ?? ''} es definitiva${letter || figure !== null ? `: ${letter ?? figure}` : ''}`,
        facts: [`${term}, comunicada el ${formats.day(at)}.`],
        rule: 'Se le avisa cuando el colegio guarda una cifra definitiva.',
        next: 'Mire el periodo.',
      }),
    },
  },
});
