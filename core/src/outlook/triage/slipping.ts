import type { Matter } from '@cadro/contract';
import type { FamilyFacts } from './facts';
import { isInHand } from './inHand';

/** A course that has gone down for weeks and that nobody has in hand. At stake: what two more such weeks would cost. */
export function slipping(facts: FamilyFacts): Matter[] {
  return facts.courses.flatMap((course): Matter[] => {
    if (isInHand(facts, { studentId: course.studentId, topic: 'course', courseId: course.id })) return [];
    // What a term came to when it ended can only be read.
    if (Date.parse(course.termEnd) < Date.parse(facts.now)) return [];
    const { trend } = course.figures;
    if (trend.class !== 'slipping' || trend.slope === null) return [];
    return [
      {
        kind: 'slipping',
        key: `slipping:${course.studentId}:${course.id}`,
        studentId: course.studentId,
        courseId: course.id,
        courseTitle: course.title,
        stake: (-trend.slope / 100) * 2,
        expiresAt: null,
        alertIds: [],
        grade: course.grade,
        outOf: course.outOf,
        decimals: course.decimals,
        perWeek: (trend.slope / 100) * course.outOf,
      },
    ];
  });
}
