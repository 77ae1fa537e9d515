import type { Matter } from '@cadro/contract';
import { byCodePoint } from '../../gradebook';
import { absence } from './absence';
import { asked } from './asked';
import { newComments } from './comment';
import type { FamilyFacts } from './facts';
import { handed } from './handed';
import { lookAgain } from './lookAgain';
import { mendable, underneath } from './looseWork';
import { meeting } from './meeting';
import { replies } from './reply';
import { slipping } from './slipping';
import { withTold } from './told';
import { waiting } from './waiting';
import { dayMs } from '../../dates';

export type * from './facts';
export { closedDoors, closedSince } from './closedDoors';

type TriageRule = (facts: FamilyFacts) => Matter[];

/** Earlier rules speak for a course before later ones: a course has one matter made from its figures. */
const figureRules: readonly TriageRule[] = [underneath, mendable, slipping];
const otherRules: readonly TriageRule[] = [
  handed,
  lookAgain,
  replies,
  meeting,
  asked,
  absence,
  waiting,
  newComments,
];

/** What expires first counts for more: half as much again within three days, a fifth within a week. */
function urgency(expiresAt: string | null, now: string): number {
  if (expiresAt === null) return 1;
  const days = (Date.parse(expiresAt) - Date.parse(now)) / dayMs;
  if (days < 0) return 0.5;
  return days <= 3 ? 1.5 : days <= 7 ? 1.2 : 1;
}

/** A comment on a child's work that has a matter already is read there. */
function withoutEchoes(matters: readonly Matter[], facts: FamilyFacts): Matter[] {
  const key = (studentId: string, itemId: string | null) => `${studentId}:${itemId}`;
  const named = new Set([
    ...matters.flatMap((matter) =>
      'looseEnds' in matter ? matter.looseEnds.map(({ itemId }) => key(matter.studentId, itemId)) : [],
    ),
    ...facts.followUps.flatMap(({ studentId, itemIds }) => itemIds.map((itemId) => key(studentId, itemId))),
  ]);
  return matters.flatMap((matter): Matter[] => {
    if (matter.kind !== 'comment') return [matter];
    const comments = matter.comments.filter(
      ({ itemId }) => itemId === null || !named.has(key(matter.studentId, itemId)),
    );
    return comments.length > 0 ? [{ ...matter, comments }] : [];
  });
}

/**
 * The matters of the Brief, what is most at stake and expires first at the top.
 * Order: stake × urgency, greatest first; then the earlier end; then the course's title.
 */
export function triage(facts: FamilyFacts): Matter[] {
  const spokenFor = new Set<string>();
  const ofFigures = figureRules.flatMap((rule) =>
    rule(facts).filter(({ studentId, courseId }) => {
      const course = `${studentId}:${courseId}`;
      if (spokenFor.has(course)) return false;
      spokenFor.add(course);
      return true;
    }),
  );
  const others = otherRules.flatMap((rule) => rule(facts));
  const matters = withTold(withoutEchoes([...ofFigures, ...others], facts), facts);
  const rank = ({ stake, expiresAt }: Matter) => stake * urgency(expiresAt, facts.now);
  return matters.sort(
    (a, b) =>
      rank(b) - rank(a) ||
      (a.expiresAt ?? '9').localeCompare(b.expiresAt ?? '9') ||
      byCodePoint(a.courseTitle ?? '', b.courseTitle ?? '') ||
      byCodePoint(a.key, b.key),
  );
}
