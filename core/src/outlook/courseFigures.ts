import type { CourseFigures, CourseRecord } from '@cadro/contract';
import { assessStandards, displayOf, letterOf, normaliseCourse, standingsAt } from '../gradebook';
import { threeFigures } from './threeFigures';
import { trendOf } from './trend';

const instant = (ms: number): string => new Date(ms).toISOString().replace('.000Z', 'Z');

/**
 * Everything Cadro says in numbers about one course at the record's instant. Figures are on the course's
 * scale (`outOf`), fractions 0 to 1; null means there is nothing to say yet.
 */
export function courseFigures(record: CourseRecord): CourseFigures {
  const course = normaliseCourse(record);
  const { policy } = course;
  const standings = standingsAt(course, course.asOfMs);
  const { posted, ifLeft, ifMadeUp, best, looseEnds } = threeFigures(course, standings);
  return {
    posted: posted.fraction === null ? null : posted.fraction * policy.outOf,
    display: displayOf(policy, posted.fraction),
    letter: letterOf(policy, posted.fraction),
    categories: posted.categories.map(({ id, fraction, earnedMass, mass }) => ({
      id,
      fraction,
      earned: earnedMass,
      possible: mass,
    })),
    standards: policy.method === 'standards' ? [...assessStandards(course, standings).standards] : [],
    ifLeft,
    ifMadeUp,
    best,
    looseEnds: looseEnds.map(({ standing, kind, recoverable, credit, deadlineMs, impact }) => ({
      itemId: standing.item.id,
      kind,
      recoverable,
      credit,
      deadline: deadlineMs === null ? null : instant(deadlineMs),
      impact,
    })),
    trend: trendOf(course, standings),
  };
}
