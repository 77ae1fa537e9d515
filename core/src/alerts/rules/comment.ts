import type { ChildRule } from '../signal';

/** What a teacher wrote, of the chosen subjects. */
export const comment: ChildRule = {
  name: 'comment',
  find: (facts, ask) =>
    facts.comments.flatMap(({ value, knownAtMs }) => {
      const { on, subjects } = ask(value.courseId).comment;
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
};
