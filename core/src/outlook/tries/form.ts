import { isOrdinary, type Course, type Standing } from '../../gradebook';
import { fallsIfLeft } from '../work/leftValue';
import { kindOf } from '../work/looseEnds';
import { isHonest } from './expected';
import { medianSlope } from '../trend';
import { dayMs } from '../../dates';

const weekMs = 7 * dayMs;
/** So many scores outweigh the doubt that a way up or down was chance. */
const priorSlope = 8;
/** A child's level wanders by about this share of the scale in a week, up or down. */
const wanderPerWeek = 0.02;
/** Before anything was missed it may happen: as if half a work of ten had been. */
const priorMissed = 0.5;
const priorDue = 10;

/** How a child's scores in a course have gone: what the rest of the term may be drawn from. */
export interface Form {
  /** How far a week of the way so far moves a share, drawn towards none while scores are few. */
  readonly slope: number;
  /** The middle of the time of the scores, milliseconds since 1970. */
  readonly centreMs: number;
  /** How often work that was due has been left, a share. */
  readonly missed: number;
}

/** A draw of what time does to a child's scores: added to a share that is reached at an instant. */
export type Drift = (atMs: number) => number;

export function formOf(course: Course, standings: readonly Standing[]): Form {
  const scored = standings.flatMap((standing): [number, number][] => {
    const { item, earned, atMs } = standing;
    if (!isHonest(standing, course)) return [];
    return [[(item.dueAtMs ?? atMs ?? course.asOfMs) / weekMs, Math.min(1, (earned ?? 0) / item.possible)]];
  });
  const apart = scored.filter(([week], index) => scored.findIndex(([other]) => other === week) === index);
  const weeks = scored.map(([week]) => week);
  const centre = weeks.length > 0 ? weeks.reduce((sum, week) => sum + week, 0) / weeks.length : 0;
  const due = standings.filter(
    ({ item, status }) => isOrdinary(item) && status !== 'excused' && status !== 'open',
  );
  const left = standings.filter((standing) => {
    const kind = kindOf(standing, course);
    return kind !== null && (fallsIfLeft(kind) || kind === 'zero' || kind === 'at-floor');
  });
  return {
    slope: ((medianSlope(apart) ?? 0) * scored.length) / (scored.length + priorSlope),
    centreMs: scored.length > 0 ? centre * weekMs : course.asOfMs,
    missed: (left.length + priorMissed) / (due.length + priorDue),
  };
}

/** One way the rest of the term may go: how much of the way so far goes on, and how far the level wanders beside it. */
export function driftOf({ slope, centreMs }: Form, asOfMs: number, random: () => number): Drift {
  const goesOn = random();
  // The sum of twelve even draws less six is as good as a normal one.
  const away = Array.from({ length: 12 }, random).reduce((sum, each) => sum + each, -6);
  return (atMs) => {
    const since = (atMs - centreMs) / weekMs;
    const ahead = Math.max(0, (atMs - asOfMs) / weekMs);
    return slope * goesOn * since + away * wanderPerWeek * Math.sqrt(ahead);
  };
}
