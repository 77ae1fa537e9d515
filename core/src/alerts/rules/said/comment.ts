import { Type } from '@sinclair/typebox';
import { commentSubjects } from '@cadro/contract';
import { childRule } from '../rule';
import { ruleSettings } from '../set';

/** What a teacher wrote, of the chosen subjects. */
export const comment = childRule({
  name: 'comment',
  about: 'comment',
  event: true,
  settings: ruleSettings({
    subjects: Type.Array(Type.Union(commentSubjects.map((subject) => Type.Literal(subject))), {
      maxItems: commentSubjects.length,
      uniqueItems: true,
    }),
  }),
  presets: {
    urgent: { on: false, subjects: [] },
    // The Brief, what is new and the digest have them; eight letters of praise in a week are no alerts.
    usual: { on: false, subjects: ['course'] },
    everything: { on: true, subjects: ['score', 'work', 'rubric', 'course', 'report-card'] },
  },
  page: {
    ...{ group: 'talk', place: 1, knobs: [], differs: 'course' },
    choices: { param: 'subjects', from: commentSubjects, said: 'subjects' },
  },
  find: (facts, ask) =>
    facts.comments.flatMap(({ value, knownAtMs }) => {
      const { on, subjects } = ask(value.courseId);
      if (!on || !subjects.includes(value.subject) || facts.asOfMs - knownAtMs > facts.newsMs) return [];
      const { id, courseId, courseTitle, itemId, itemTitle, subject, text, author } = value;
      return [
        {
          key: `comment:${facts.studentId}:${courseId}`,
          kind: 'comment',
          studentId: facts.studentId,
          courseId,
          courseTitle,
          reason: {
            id: `comment:${id}`,
            at: value.writtenAt,
            sourceName: value.sourceName,
            about: 'comment',
            rule: 'comment',
            commentId: id,
            subject,
            author,
            text,
            itemId,
            itemTitle,
          },
        },
      ];
    }),
  words: {
    en: {
      name: 'A teacher’s comment',
      tell: ({ author, itemTitle, subject, text, at }, { formats, courseTitle }) => ({
        headline: `${author} wrote about ${itemTitle ?? courseTitle}`,
        facts: [
          `“${text}”`,
          `Written ${formats.day(at)}${subject === 'course' ? ', about the course' : ''}.`,
        ],
        rule: 'Cadro tells you about new comments.',
        next: 'Read it with the assignment or course.',
      }),
    },
    es: {
      name: 'Un comentario de un maestro',
      tell: ({ author, itemTitle, subject, text, at }, { formats, courseTitle }) => ({
        headline: `${author} escribió sobre ${itemTitle ?? courseTitle}`,
        facts: [
          `«${text}»`,
          `Escrito el ${formats.day(at)}${subject === 'course' ? ', sobre la materia' : ''}.`,
        ],
        rule: 'Se le avisa de comentarios nuevos.',
        next: 'Léalo junto a la tarea o la materia.',
      }),
    },
  },
});
