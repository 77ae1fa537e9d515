import type { SchoolDay } from './schoolDays';

/** A work by the days on which it was given out and is due, where the school is. */
export interface DatedWork {
  readonly itemId: string;
  readonly courseId: string;
  readonly assignedOn: string;
  readonly dueOn: string | null;
}

export interface TouchedWork {
  readonly itemId: string;
  readonly on: string;
  readonly assigned: boolean;
  readonly due: boolean;
}

/** Where a child was away from lessons, `trip` when the school had taken them elsewhere. */
export interface Away {
  readonly on: string;
  readonly courseId: string;
  readonly trip: boolean;
}

/**
 * Lessons a child was not in: absent, or on a trip. A day marked as a whole (a mark without a course) was missed in
 * all of that day's lessons.
 * @param meets the courses that met on a day, by the timetable.
 */
export function awayFrom(days: readonly SchoolDay[], meets: (date: string) => readonly string[]): Away[] {
  return days.flatMap(({ date, lessons }) =>
    lessons.flatMap(({ courseId, kind }): Away[] => {
      if (kind !== 'absent' && kind !== 'activity') return [];
      const courses = courseId === null ? meets(date) : [courseId];
      return courses.map((each) => ({ on: date, courseId: each, trip: kind === 'activity' }));
    }),
  );
}

/** The work an absence touched: of the missed lesson's course, given out or due on that day. By day, then as given. */
export function touchedWork(away: readonly Away[], works: readonly DatedWork[]): TouchedWork[] {
  return away.flatMap(({ on, courseId }) =>
    works.flatMap((work): TouchedWork[] => {
      const assigned = work.assignedOn === on;
      const due = work.dueOn === on;
      return work.courseId === courseId && (assigned || due)
        ? [{ itemId: work.itemId, on, assigned, due }]
        : [];
    }),
  );
}
