import type { ChildFacts } from './facts';

const dayMs = 24 * 60 * 60 * 1000;
/** A fall of so many points of a hundred is one that the figure shows to everyone. */
export const slidePoints = 5;
/** A fall counts from the best figure of these days. */
const windowMs = 28 * dayMs;
/** An alert for a course speaks of a slide that shows up to this long after it. */
const aheadMs = 28 * dayMs;

/** A course's figure that came down and stayed down for a while. */
export interface Slide {
  readonly courseId: string;
  readonly courseTitle: string;
  /** When it began, at its best, and when the figure first showed the fall. */
  readonly fromMs: number;
  readonly shownMs: number;
  readonly from: number;
  readonly to: number;
  readonly outOf: number;
  readonly decimals: number;
}

interface Day {
  readonly atMs: number;
  readonly posted: number;
}

/** The falls of one course, by its figure day by day. A next one begins only after half of the last is won back. */
function slidesIn(days: readonly Day[], outOf: number): Pick<Slide, 'fromMs' | 'shownMs' | 'from' | 'to'>[] {
  const least = (slidePoints / 100) * outOf;
  const slides: Pick<Slide, 'fromMs' | 'shownMs' | 'from' | 'to'>[] = [];
  let open = false;
  let since = -Infinity;
  for (const day of days) {
    const window = days.filter(({ atMs }) => atMs <= day.atMs && atMs > day.atMs - windowMs && atMs >= since);
    const best = window.reduce((top, each) => (each.posted >= top.posted ? each : top), day);
    const fall = best.posted - day.posted;
    if (open && fall < least / 2) {
      open = false;
      since = day.atMs;
    }
    if (!open && fall >= least - 1e-9) {
      open = true;
      slides.push({ fromMs: best.atMs, shownMs: day.atMs, from: best.posted, to: day.posted });
    }
  }
  return slides;
}

/** The real slides of a child's courses over the days of a rehearsal. */
export function slidesOf(days: readonly ChildFacts[]): Slide[] {
  const courses = new Map<string, { title: string; outOf: number; decimals: number; days: Day[] }>();
  for (const { asOfMs, courses: sights } of days) {
    for (const { id, title, answer, policy } of sights) {
      const { outOf, decimals } = policy;
      const course = courses.get(id) ?? { title, outOf, decimals, days: [] };
      courses.set(id, course);
      if (answer.posted !== null) course.days.push({ atMs: asOfMs, posted: answer.posted });
    }
  }
  return [...courses].flatMap(([courseId, { title, outOf, decimals, days: figures }]) =>
    slidesIn(figures, outOf).map((slide) => ({ courseId, courseTitle: title, outOf, decimals, ...slide })),
  );
}

/**
 * How many days before the figure showed a slide an alert for the course was told: 0 on the same day, negative when it
 * came after; null when none was. Good news is none.
 * @param tellings what was told of the course, by time.
 */
export function daysEarlier(
  slide: Slide,
  tellings: readonly { readonly courseId: string | null; readonly atMs: number; readonly kind: string }[],
): number | null {
  const about = tellings.filter(
    ({ courseId, kind, atMs }) =>
      courseId === slide.courseId &&
      (kind === 'figure' || kind === 'work') &&
      atMs >= Math.min(slide.fromMs, slide.shownMs - aheadMs) &&
      atMs <= slide.shownMs + 7 * dayMs,
  );
  const first = about[0];
  return first ? Math.round((slide.shownMs - first.atMs) / dayMs) : null;
}
