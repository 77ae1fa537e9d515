import type { CourseAnswer, CourseFigures, CourseRecord } from '@cadro/contract';
import {
  displayOf,
  exists,
  instantAs,
  instantOf,
  letterOf,
  normaliseCourse,
  replay,
  StandardsTally,
  standingsOf,
  SumTally,
  type Course,
  type Replayed,
  type Standing,
} from '../gradebook';
import { looseEndsOf } from './work/looseEnds';
import { isToCome, neededFor } from './tries/needed';
import {
  threeFigures,
  unweighed,
  type ThreeFigures,
  type WeighedChance,
  type WeighedLooseEnd,
} from './threeFigures';
import { trendOf, trendWeeks } from './trend';
import { dayMs } from '../dates';

const weekMs = 7 * dayMs;

/** What is asked beside the figures themselves. */
export interface Question {
  /** On the course's scale; or what to ask for, once the posted figure is known. */
  readonly targets?: readonly number[] | ((posted: number | null) => readonly number[]);
  /** From when on the changes of the figure are told; absent: none. An instant. */
  readonly since?: string | null;
}

const looseEndFigure = ({ standing, kind, recoverable, credit, deadlineMs, impact }: WeighedLooseEnd) => ({
  itemId: standing.item.id,
  kind,
  recoverable,
  credit,
  deadline: deadlineMs === null ? null : instantOf(deadlineMs),
  impact,
});

const chanceFigure = ({ standing, credit, deadlineMs, impact, most }: WeighedChance) => ({
  itemId: standing.item.id,
  credit,
  deadline: instantOf(deadlineMs),
  impact,
  most,
});

function movedBy(course: Course, { steps }: Replayed): CourseAnswer['moved'] {
  const { outOf } = course.policy;
  return steps.map(({ result, before, after }) => ({
    itemId: result.itemId,
    at: instantAs(result.at, result.atMs),
    delta: before === null || after === null ? null : (after - before) * outOf,
    posted: after === null ? null : after * outOf,
  }));
}

/** What a course of points or weights says about the time to come. */
function outlookOf(
  course: Course,
  all: readonly Standing[],
  tally: SumTally,
  targets: readonly number[],
): ThreeFigures & Pick<CourseAnswer, 'needed' | 'toCome'> {
  const standings = all.filter((standing) => exists(standing, course.asOfMs));
  const figures = threeFigures(course, standings, tally);
  const toCome = all.filter((standing) => isToCome(standing, course.asOfMs)).length;
  return { ...figures, needed: neededFor(course, all, tally, targets), toCome };
}

function standardsOutlook(course: Course, all: readonly Standing[]): ReturnType<typeof outlookOf> {
  const standings = all.filter((standing) => exists(standing, course.asOfMs));
  const looseEnds = unweighed(looseEndsOf(course, standings));
  return { ifLeft: null, ifMadeUp: null, best: null, looseEnds, chances: [], needed: [], toCome: 0 };
}

/**
 * Everything Cadro says in numbers about one course at the record's instant. Figures are on the course's
 * scale (`outOf`), fractions 0 to 1; null means there is nothing to say yet. The history is gone through once,
 * in order, and every figure is read from the sums it leaves.
 * @param record must fit its schema and be sound (`courseFault`); this neither checks nor throws.
 */
export function courseAnswer(record: CourseRecord, { targets = [], since }: Question = {}): CourseAnswer {
  const course = normaliseCourse(record);
  const { policy, asOfMs } = course;
  const tally = policy.method === 'standards' ? new StandardsTally(course) : new SumTally(course);
  const replayed = replay(course, tally, {
    instantsMs: trendWeeks.map((week) => asOfMs + week * weekMs),
    sinceMs: since ? Date.parse(since) : Infinity,
  });
  const fraction = tally.fraction();
  const posted = {
    posted: fraction === null ? null : fraction * policy.outOf,
    display: displayOf(policy, fraction),
    letter: letterOf(policy, fraction),
    categories: tally instanceof SumTally ? categoriesOf(course, tally) : [],
    standards: tally instanceof StandardsTally ? tally.standards() : [],
    trend: trendOf(
      trendWeeks.map((week, index) => ({ week, fraction: replayed.at[index] ?? null })),
      tally.valued,
    ),
    moved: movedBy(course, replayed),
  };
  const wanted = typeof targets === 'function' ? targets(posted.posted) : targets;
  const all = standingsOf(course, replayed.last);
  const { looseEnds, chances, ...outlook } =
    tally instanceof SumTally ? outlookOf(course, all, tally, wanted) : standardsOutlook(course, all);
  return {
    ...posted,
    ...outlook,
    looseEnds: looseEnds.map(looseEndFigure),
    chances: chances.map(chanceFigure),
  };
}

function categoriesOf({ policy }: Course, tally: SumTally): CourseFigures['categories'] {
  return tally.categories().map(({ cost, dropped, ...category }) => ({
    ...category,
    cost: cost === null ? null : cost * policy.outOf,
    dropped: [...dropped],
  }));
}

/** What is kept of a course between two changes of its record: its answer without what was asked beside. */
export function figuresOf({ toCome, needed, moved, ...figures }: CourseAnswer): CourseFigures {
  return figures;
}

export const courseFigures = (record: CourseRecord): CourseFigures => figuresOf(courseAnswer(record));
