import { PolicyRecord, type GoodNews } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { isDoneInClass, normaliseCourse, tiedUp } from '@cadro/core';
import type { ResultChange } from '../records';

/** The loose end a change tied up, in the core's judgement; null for every other change. */
function newsOf(change: ResultChange): GoodNews | null {
  const course = normaliseCourse({
    id: change.course_id,
    asOf: change.at.toISOString(),
    policy: parse('stored policy', PolicyRecord, change.policy),
    items: [
      {
        id: change.item_id,
        categoryId: '',
        possible: change.possible,
        counts: change.counts,
        extraCredit: change.extra_credit,
        dueAt: change.due_at && change.due_at.toISOString(),
        inClass: isDoneInClass(change.kind, change.in_class),
      },
    ],
  });
  const [item] = course.items;
  const before = change.before ?? { status: 'open', earned: null };
  const was = item && tiedUp(item, course.policy, before, change.after, change.at.getTime());
  if (!was) return null;
  return {
    studentId: change.student_id,
    courseId: change.course_id,
    courseTitle: change.course_title,
    itemId: change.item_id,
    title: change.title,
    was,
    now: { ...change.after, possible: change.possible },
    at: change.at.toISOString(),
  };
}

/** One piece of good news per work, the newest. */
export function goodNewsOf(changes: readonly ResultChange[]): GoodNews[] {
  const told = new Set<string>();
  return changes.flatMap((change) => {
    const news = newsOf(change);
    const key = `${change.student_id}:${change.item_id}`;
    if (!news || told.has(key)) return [];
    told.add(key);
    return [news];
  });
}
