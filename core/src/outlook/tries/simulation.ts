import type { CourseRecord } from '@cadro/contract';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { instantOf, isOrdinary, type Standing } from '../../gradebook';
import { ownShares, priorScores, withoutAnyScore, type OwnShares } from './expected';
import { fallsIfLeft, leftValue } from '../work/leftValue';
import { kindOf, waitsSinceMs } from '../work/looseEnds';
import { isToCome } from './needed';
import { openSums } from '../work/opened';
import { driftOf, formOf } from './form';
import { unpublishedWork } from './unpublished';
import { dayMs } from '../../dates';

const weekMs = 7 * dayMs;
/** A term has no more weeks than this; what is longer is shown in larger steps. */
const mostSteps = 20;
/** After so many draws the way done is told, and the one who waits may stop. */
const between = 250;
const shownAt = [0.1, 0.25, 0.5, 0.75, 0.9] as const;

export interface SimulationAsk {
  readonly record: CourseRecord;
  readonly draws: number;
  readonly seed: number;
  /** On the course's scale; null: no chance is asked for. */
  readonly target: number | null;
}

/** The figures between which the middle of the draws lies at an instant, on the course's scale. */
export interface FanStep {
  readonly at: string;
  readonly low: number;
  readonly lowMiddle: number;
  readonly middle: number;
  readonly highMiddle: number;
  readonly high: number;
}

export interface Fan {
  /** From now to the end of the term. */
  readonly steps: readonly FanStep[];
  /** Share of the draws that reach the target, 0 to 1; null without one. */
  readonly chance: number | null;
  readonly toCome: number;
  /** How many works more are expected than are published, at the pace of the weeks so far. */
  readonly unpublished: number;
  readonly draws: number;
}

/** How far the mean of as many scores, drawn anew from these, lies from theirs: what so few scores leave unsure. */
function unsure({ all }: OwnShares, random: () => number): number {
  if (all.length === 0) return 0;
  const mean = (shares: readonly number[]) => shares.reduce((sum, share) => sum + share, 0) / shares.length;
  return mean(all.map(() => all[Math.floor(random() * all.length)]!)) - mean(all);
}

/** Work that is done and has no score yet. */
const isWaiting = (standing: Standing, asOfMs: number): boolean =>
  isOrdinary(standing.item) && waitsSinceMs(standing, asOfMs) !== null;

/** One score out of the child's own: from the category, and the fewer they are, the more often from all its scores. */
function draw({ all, of }: OwnShares, categoryId: string, random: () => number): number {
  const own = of(categoryId);
  const pick = (shares: readonly number[]) => shares[Math.floor(random() * shares.length)] ?? withoutAnyScore;
  return random() * (own.length + priorScores) < own.length ? pick(own) : pick(all);
}

function stepOf(atMs: number, figures: Float64Array): FanStep {
  const sorted = figures.slice().sort();
  const [low, lowMiddle, middle, highMiddle, high] = shownAt.map(
    (share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN,
  ) as [number, number, number, number, number];
  return { at: instantOf(atMs), low, lowMiddle, middle, highMiddle, high };
}

/** The instants at which a fan is told: from now on week by week, and the end. */
function stopsOf(asOfMs: number, endMs: number): number[] {
  const step = Math.max(weekMs, Math.ceil((endMs - asOfMs) / mostSteps));
  const stops: number[] = [];
  for (let at = asOfMs; at < endMs; at += step) stops.push(at);
  return [...stops, endMs];
}

/**
 * The rest of a term, drawn many times from the child's own scores. Loose ends stay as they are; work to come is handed in
 * as often as so far; what waits for its score gets one; work that has not been published yet comes at the pace and in the
 * kinds of the weeks so far; and the way the scores have gone goes on more or less, and wanders. Yields the share done
 * now and then, so that it can be shown or left; the same seed gives the same fan. Null for standards courses and where no
 * figure comes of it.
 */
export function* simulate(ask: SimulationAsk): Generator<number, Fan | null> {
  const { draws, seed, target } = ask;
  const unpublished = unpublishedWork(ask.record);
  const record = { ...ask.record, items: [...(ask.record.items ?? []), ...unpublished.items] };
  const opened = openSums(record);
  if (!opened) return null;
  const { course, tally, all, standings, figure } = opened;
  const { asOfMs, policy } = course;
  all.forEach((standing, index) => {
    const kind = kindOf(standing, course);
    if (kind && fallsIfLeft(kind)) tally.set(index, leftValue(policy));
  });
  const endMs = Math.max(policy.termEndMs, asOfMs);
  const stops = stopsOf(asOfMs, endMs);
  const coming = all
    .map((standing, index) => ({ standing, index }))
    .filter(({ standing }) => isToCome(standing, asOfMs) || isWaiting(standing, asOfMs))
    .map(({ standing, standing: { item }, index }) => ({
      index,
      item,
      waits: isWaiting(standing, asOfMs),
      dueMs: Math.min(Math.max(item.dueAtMs ?? endMs, asOfMs), endMs),
    }))
    .sort((a, b) => a.dueMs - b.dueMs);
  const own = ownShares(course, standings);
  const form = formOf(course, standings);
  const generator = xoroshiro128plus(seed);
  const random = () => uniformFloat64(generator);
  const figures = stops.map(() => new Float64Array(draws));
  for (let each = 0; each < draws; each++) {
    for (const { index } of coming) tally.set(index, null);
    const shift = unsure(own, random);
    const drift = driftOf(form, asOfMs, random);
    let next = 0;
    for (const [place, stop] of stops.entries()) {
      for (; next < coming.length && coming[next]!.dueMs <= stop; next++) {
        const { index, item, dueMs, waits } = coming[next]!;
        const chance = unpublished.chances.get(item.id);
        if (chance !== undefined && random() >= chance) continue;
        const level = draw(own, item.categoryId, random) + shift + drift(dueMs);
        const done = waits || random() >= form.missed;
        const share = Math.max(policy.floor, Math.min(1, Math.max(0, level)));
        tally.set(index, done ? share : leftValue(policy));
      }
      const now = figure();
      // Before the first score of a course there is no figure to draw: the term's end is what counts.
      figures[place]![each] = now ?? NaN;
    }
    if (each % between === between - 1) yield (each + 1) / draws;
  }
  const last = figures.at(-1)!;
  if (last.some(Number.isNaN)) return null;
  const steps = stops.flatMap((at, place) =>
    figures[place]!.some(Number.isNaN) ? [] : [stepOf(at, figures[place]!)],
  );
  const reached = target === null ? null : last.filter((value) => value >= target - 1e-9).length / draws;
  const toCome = all.filter((standing) => isToCome(standing, asOfMs)).length - unpublished.items.length;
  return { steps, chance: reached, toCome, unpublished: unpublished.expected, draws };
}
