import type { SchoolReason } from '@cadro/contract';
import type { AnnouncementSeen, Known } from '../../history';
import type { ChildFacts } from '../../facts';
import type { Signal } from '../../signal';

/** A reason about an announcement: each stands in an alert of its own. */
export function schoolSignal(
  { studentId }: ChildFacts,
  { value, knownAtMs }: Known<AnnouncementSeen>,
  rule: SchoolReason['rule'],
): Signal {
  const { id, title, text, schoolName, courseId, courseTitle, wish, by } = value;
  return {
    ...{ key: `${rule}:${studentId}:${id}`, kind: 'school', studentId, courseId, courseTitle },
    reason: {
      ...{ id: `${rule}:${id}`, at: new Date(knownAtMs).toISOString(), sourceName: schoolName },
      ...{ about: 'school', rule, announcementId: id, title, text, wish, by },
    },
  };
}

/** What a school announced in the days of news and has not taken back. */
export const newlyAnnounced = ({ announcements, asOfMs, newsMs }: ChildFacts): Known<AnnouncementSeen>[] =>
  announcements.filter(({ value, knownAtMs }) => !value.gone && asOfMs - knownAtMs <= newsMs);

/** Whether somebody of the family had answered by an instant. */
export const isAnswered = ({ answeredAtMs }: AnnouncementSeen, asOfMs: number): boolean =>
  answeredAtMs !== null && answeredAtMs <= asOfMs;
