import type { Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';

/** An answer somebody asked for. */
const replyStake = 0.1;

/** Unread answers of teachers, the last of each thread. */
export function replies(facts: FamilyFacts): Matter[] {
  return facts.replies.map((reply) => ({
    kind: 'reply',
    key: `reply:${reply.threadId}`,
    studentId: reply.studentId,
    courseId: null,
    courseTitle: null,
    stake: replyStake,
    expiresAt: null,
    alertIds: [],
    threadId: reply.threadId,
    author: reply.author,
    text: reply.text,
    receivedAt: reply.receivedAt,
  }));
}
