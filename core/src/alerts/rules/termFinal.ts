import type { ChildRule } from '../signal';

/** The school has stored a course's figure of a term for good. */
export const termFinal: ChildRule = {
  name: 'term-final',
  find: (facts, ask) =>
    facts.grades.flatMap(({ value, knownAtMs }) => {
      if (!ask(value.courseId)['term-final'].on || facts.asOfMs - knownAtMs > facts.newsMs) return [];
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
};
