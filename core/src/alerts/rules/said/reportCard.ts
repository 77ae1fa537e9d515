import { childRule } from '../rule';
import { onAlways, ruleSettings } from '../set';

/** A report card is there: the first of its comments, or of its figures, has come. */
export const reportCard = childRule({
  name: 'report-card',
  about: 'term',
  event: true,
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'talk', place: 3, knobs: [] },
  find: (facts, ask) => {
    if (!ask(null).on) return [];
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
  words: {
    en: {
      name: 'A report card',
      tell: ({ term, at }, { formats }) => ({
        headline: `The report card is out${term ? `: ${term}` : ''}`,
        facts: [`The first comments came in on ${formats.day(at)}.`],
        rule: 'Cadro tells you when a report card is out.',
        next: 'Read it together.',
      }),
    },
    es: {
      name: 'Un boletín',
      tell: ({ term, at }, { formats }) => ({
        headline: `Ya está el boletín${term ? `: ${term}` : ''}`,
        facts: [`Los primeros comentarios llegaron el ${formats.day(at)}.`],
        rule: 'Se le avisa cuando hay un boletín.',
        next: 'Léanlo juntos.',
      }),
    },
  },
});
