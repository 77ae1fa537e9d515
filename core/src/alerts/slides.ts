import type { ChildFacts } from './facts';
import { saysSomething } from './trace';
import { dayMs } from '../dates';

/** A fall of so many points of a hundred is one that the figure shows to everyone. */
export const slidePoints = 5;
/** A fall counts from the best figure of these days. */
const windowMs = 28 * dayMs;
/** Standards are judged in whole levels: there a fall is one from here on. */
const standardsSlidePoints = 12;
/** An alert that comes this long after the figure showed it is still about the slide. */
const lateMs = 7 * dayMs;

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
function slidesIn(days: readonly Day[], least: number): Pick<Slide, 'fromMs' | 'shownMs' | 'from' | 'to'>[] {
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
  const courses = new Map<
    string,
    { title: string; outOf: number; decimals: number; least: number; days: Day[] }
  >();
  for (const { asOfMs, courses: sights } of days) {
    for (const sight of sights) {
      const { id, title, answer, policy } = sight;
      const { outOf, decimals, method } = policy;
      const least = ((method === 'standards' ? standardsSlidePoints : slidePoints) / 100) * outOf;
      const course = courses.get(id) ?? { title, outOf, decimals, least, days: [] };
      courses.set(id, course);
      if (answer.posted !== null && saysSomething(sight))
        course.days.push({ atMs: asOfMs, posted: answer.posted });
    }
  }
  return [...courses].flatMap(([courseId, { title, outOf, decimals, least, days: figures }]) =>
    slidesIn(figures, least).map((slide) => ({ courseId, courseTitle: title, outOf, decimals, ...slide })),
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
      atMs >= slide.fromMs &&
      atMs <= slide.shownMs + lateMs,
  );
  const first = about[0];
  return first ? Math.round((slide.shownMs - first.atMs) / dayMs) : null;
}
