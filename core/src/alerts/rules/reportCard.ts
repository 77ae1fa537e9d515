import type { ChildRule } from '../signal';

/** A report card is there: the first of its comments, or of its figures, has come. */
export const reportCard: ChildRule = {
  name: 'report-card',
  find: (facts, ask) => {
    if (!ask(null)['report-card'].on) return [];
    const titles = new Map(facts.grades.map(({ value }) => [value.term, value.termTitle]));
    const told = new Set<string>();
    return facts.comments.flatMap(({ value, knownAtMs }) => {
      const { term } = value;
      const news = facts.asOfMs - knownAtMs <= facts.newsMs;
      if (value.subject !== 'report-card' || term === null || !news || told.has(term)) return [];
      told.add(term);
      return [
        {
          key: `term:${facts.studentId}:${term}`,
          kind: 'term',
          studentId: facts.studentId,
          courseId: null,
          courseTitle: null,
          reason: {
            id: `report-card:${term}`,
            at: value.writtenAt,
            sourceName: value.sourceName,
            about: 'term',
            rule: 'report-card',
            term: titles.get(term) ?? '',
            courseTitle: null,
            figure: null,
            letter: null,
          },
        },
      ];
    });
  },
};
