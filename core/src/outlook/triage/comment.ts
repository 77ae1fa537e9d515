import type { Matter } from '@cadro/contract';
import { byCodePoint } from '../../gradebook';
import type { CommentFacts, FamilyFacts } from './facts';

/** A teacher's words weigh as much as two points of a hundred: read, then decided. */
const commentStake = 0.02;

/** New comments, gathered per course; newest first. */
export function newComments(facts: FamilyFacts): Matter[] {
  const byCourse = new Map<string, CommentFacts[]>();
  for (const comment of facts.comments) {
    const key = `${comment.studentId}:${comment.courseId}`;
    byCourse.set(key, [...(byCourse.get(key) ?? []), comment]);
  }
  return [...byCourse].flatMap(([key, comments]): Matter[] => {
    const [first] = comments;
    if (!first) return [];
    return [
      {
        kind: 'comment',
        key: `comment:${key}`,
        studentId: first.studentId,
        courseId: first.courseId,
        courseTitle: first.courseTitle,
        stake: commentStake,
        expiresAt: null,
        alertIds: [],
        comments: [...comments]
          .sort((a, b) => byCodePoint(b.writtenAt, a.writtenAt))
          .map(({ itemId, itemTitle, subject, text, author, writtenAt }) => ({
            itemId,
            itemTitle,
            subject,
            text,
            author,
            writtenAt,
          })),
      },
    ];
  });
}
