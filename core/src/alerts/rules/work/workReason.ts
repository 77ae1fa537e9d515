import type { AlertWork, LooseEndFigure, WorkReason } from '@cadro/contract';
import { instantOf } from '../../../gradebook';
import { doubtOf, type Doubt } from '../../../outlook';
import type { ChildFacts, CourseSight } from '../../facts';
import type { Signal } from '../../signal';

interface Finding {
  readonly rule: WorkReason['rule'];
  readonly id: string;
  readonly key: string;
  readonly kind: Signal['kind'];
  readonly itemId: string;
  readonly at: string;
  readonly work?: Partial<AlertWork>;
}

/** The alert about a course's open work: one cause, whichever work of it. */
export const workKey = (facts: ChildFacts, course: CourseSight): string =>
  `work:${facts.studentId}:${course.id}`;

/** What a loose end adds to the work it is. */
export const endOf = ({ kind, deadline, credit, impact }: LooseEndFigure): Partial<AlertWork> => ({
  kind,
  deadline,
  credit,
  impact,
});

/** How the classroom and the gradebook stand to each other about a work; null where they agree. */
export function doubtIn({ results, classroom }: CourseSight, itemId: string, asOfMs: number): Doubt | null {
  const last = results.get(itemId)?.at(-1)?.value;
  const seen = classroom.get(itemId);
  if (!seen) return null;
  return doubtOf(
    { status: last?.status ?? 'open', earned: last?.earned ?? null, atMs: last ? Date.parse(last.at) : null },
    { status: seen.status, earned: seen.earned, atMs: Date.parse(seen.at) },
    asOfMs,
  );
}

/** What the classroom says of a work where it stands apart from the gradebook for longer than scores travel. */
function apart(course: CourseSight, itemId: string, asOfMs: number): Pick<AlertWork, 'classroom'> {
  const seen = course.classroom.get(itemId);
  if (!seen || doubtIn(course, itemId, asOfMs) !== 'apart') return {};
  const { status, earned, at } = seen;
  return { classroom: { status, earned, at } };
}

/** A finding about one work of a course; none where the course does not know it. */
export function workSignal(facts: ChildFacts, course: CourseSight, finding: Finding): Signal[] {
  const item = course.items.get(finding.itemId);
  if (!item) return [];
  const last = course.results.get(item.id)?.at(-1)?.value;
  const { rule, id, key, kind, at, work } = finding;
  return [
    {
      key,
      kind,
      studentId: facts.studentId,
      courseId: course.id,
      courseTitle: course.title,
      reason: {
        id,
        at,
        sourceName: course.sourceName,
        about: 'work',
        rule,
        outOf: course.policy.outOf,
        decimals: course.policy.decimals,
        work: {
          itemId: item.id,
          title: item.title,
          kind: null,
          was: null,
          dueAt: item.dueAtMs === null ? null : instantOf(item.dueAtMs),
          deadline: null,
          credit: null,
          impact: null,
          earned: last?.earned ?? null,
          possible: item.possible,
          ...apart(course, item.id, facts.asOfMs),
          ...work,
        },
      },
    },
  ];
}

/** When a work came to stand as it does: its last result, else the date it was due. */
export function standsSince(course: CourseSight, itemId: string, asOfMs: number): string {
  const last = course.results.get(itemId)?.at(-1)?.value;
  const dueAtMs = course.items.get(itemId)?.dueAtMs ?? null;
  return last?.at ?? instantOf(dueAtMs ?? asOfMs);
}
