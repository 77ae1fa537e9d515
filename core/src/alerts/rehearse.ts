import type { AlertReason, AlertSubject } from '@cadro/contract';
import type { AlertRules } from './settings/alertRules';
import { underCap } from './delivery/cap';
import { factsAt, type ChildFacts } from './facts';
import type { ChildHistory } from './history';
import { lookAtChild } from './look';
import { daysEarlier, slidesOf, type Slide } from './slides';
import type { AlertState } from './step';
import { dayMs } from '../dates';
import { byCodePoint } from '../gradebook';

/** What would have been told of one cause on one day. */
export interface RehearsedTelling extends AlertSubject {
  readonly atMs: number;
  readonly again: boolean;
  /** What it would have been about: what was new then. */
  readonly reasons: readonly AlertReason[];
  /** Whether it would have waited for the digest, more having gone out that day than the cap allows. */
  readonly inDigest: boolean;
}

/** The instants of a rehearsal, a day apart, the last one being the end. */
export function rehearsalDays(fromMs: number, toMs: number): number[] {
  const count = Math.max(0, Math.floor((toMs - fromMs) / dayMs));
  return Array.from({ length: count + 1 }, (_, index) => toMs - (count - index) * dayMs);
}

/**
 * What was known of a child on each of the days, oldest first.
 * @param progress is told how many of the days are done.
 */
export function factsOfDays(
  history: ChildHistory,
  days: readonly number[],
  progress: (done: number) => void = () => undefined,
): ChildFacts[] {
  return days.map((asOfMs, index) => {
    const facts = factsAt(history, asOfMs);
    progress(index + 1);
    return facts;
  });
}

/** One child's days under the rules: the first day takes in what is there. */
export function tellingsOf(
  days: readonly ChildFacts[],
  rules: AlertRules,
): Omit<RehearsedTelling, 'inDigest'>[] {
  let states: AlertState[] = [];
  return days.flatMap((facts, index) => {
    const { tellings, ...next } = lookAtChild(states, facts, { rules, silences: [], first: index === 0 });
    states = next.states;
    return tellings.flatMap(({ key, again, reasonIds }) => {
      const state = states.find((each) => each.key === key);
      if (!state) return [];
      const { kind, studentId, courseId, courseTitle } = state;
      const reasons = state.reasons.filter(({ id }) => reasonIds.includes(id));
      return [{ key, kind, studentId, courseId, courseTitle, atMs: facts.asOfMs, again, reasons }];
    });
  });
}

/** A slide with how many days earlier it would have been told. */
export interface CaughtSlide extends Slide {
  readonly studentId: string;
  readonly daysEarlier: number | null;
}

export interface Rehearsal {
  /** By time. */
  readonly tellings: readonly RehearsedTelling[];
  readonly slides: readonly CaughtSlide[];
}

/**
 * What the rules would have told over past days, each day on what was known then.
 * @param children the facts of each child, day by day, all on the same days.
 */
export function rehearse(children: readonly (readonly ChildFacts[])[], rules: AlertRules): Rehearsal {
  const told = children.map((days) => tellingsOf(days, rules));
  const byDay = new Map<number, Omit<RehearsedTelling, 'inDigest'>[]>();
  for (const telling of told.flat()) {
    byDay.set(telling.atMs, [...(byDay.get(telling.atMs) ?? []), telling]);
  }
  const tellings = [...byDay]
    .sort(([a], [b]) => a - b)
    .flatMap(([, ofDay]) => {
      const { now, digest } = underCap(ofDay, { told: 0, perDay: rules.capPerDay });
      return [
        ...now.map((each) => ({ ...each, inDigest: false })),
        ...digest.map((each) => ({ ...each, inDigest: true })),
      ];
    });
  const caught = children.flatMap((days, index) =>
    slidesOf(days).map((slide) => ({
      ...slide,
      studentId: days[0]?.studentId ?? '',
      daysEarlier: daysEarlier(slide, told[index] ?? []),
    })),
  );
  // The latest first, as what would have been told; a source has no order of courses that would mean anything.
  const slides = caught.sort((a, b) => b.shownMs - a.shownMs || byCodePoint(a.courseTitle, b.courseTitle));
  return { tellings, slides };
}
