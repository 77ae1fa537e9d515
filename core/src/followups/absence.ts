import type { AbsenceClaim, AbsenceLesson, CourseRecord } from '@cadro/contract';
import type { ReadMark } from '../attendance';
import { normaliseCourse, standingsAt } from '../gradebook';
import { kindOf } from '../outlook';

/** The marks a claim is about: of the lesson named, or of every lesson of the day. */
export const marksAbout = <M extends ReadMark>(lessons: readonly AbsenceLesson[], marks: readonly M[]): M[] =>
  marks.filter(({ mark }) =>
    lessons.some(({ on, period }) => on === mark.on && (period === null || period === mark.period)),
  );

const unexplained = ({ meaning }: ReadMark): boolean =>
  meaning === null || (meaning.kind === 'absent' && !meaning.excused);

/**
 * Whether the register now says what was asked for.
 * - told ahead: every lesson named is marked, and none as absent without a reason;
 * - explained: none of its lessons is an absence without a reason any more;
 * - objected to: no lesson bears the mark any more that was objected to.
 * Example: 'U' on the 19th was explained, and the 19th says 'E' now: true.
 */
export function registerAgrees(claim: AbsenceClaim, marks: readonly ReadMark[], today: string): boolean {
  const about = marksAbout(claim.lessons, marks);
  const marked = claim.lessons.every((lesson) => marksAbout([lesson], about).length > 0);
  switch (claim.purpose) {
    case 'ahead':
      return marked && claim.lessons.every(({ on }) => on <= today) && !about.some(unexplained);
    case 'explain':
      return marked && !about.some(unexplained);
    case 'object':
      return (
        marked &&
        claim.lessons.every((lesson) =>
          marksAbout([lesson], about).every(
            ({ mark, meaning }) => meaning !== null && mark.code !== lesson.code,
          ),
        )
      );
    case 'catch-up':
      return false;
  }
}

/** Whether all the work is in and none of it is a loose end: scored, handed in or excused. False without any work. */
export function caughtUp(records: readonly CourseRecord[], itemIds: readonly string[]): boolean {
  const settled = new Set(
    records.flatMap((record) => {
      if (!(record.items ?? []).some(({ id }) => itemIds.includes(id))) return [];
      const course = normaliseCourse(record);
      return standingsAt(course, course.asOfMs).flatMap((standing) => {
        const done = ['scored', 'handed-in', 'excused'].includes(standing.status);
        return done && kindOf(standing, course) === null ? [standing.item.id] : [];
      });
    }),
  );
  return itemIds.length > 0 && itemIds.every((id) => settled.has(id));
}
