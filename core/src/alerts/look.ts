import type { AlertSubject, Silence } from '@cadro/contract';
import type { AlertRules } from './settings/alertRules';
import { withAsked } from './settings/asked';
import type { ChildFacts } from './facts';
import { childRules } from './rules';
import type { Next } from './rules/rule';
import { settingsFor } from './settings/settings';
import type { Signal } from './signal';
import { isSilenced } from './delivery/silence';
import { standsIn, step, type AlertState, type Telling } from './step';

/**
 * Without falls that are told already by the works that made them: what is missing and what it did to the figure are one
 * cause. A fall stands by itself where such works explain less than half of it.
 */
function withoutEchoes(signals: readonly Signal[]): Signal[] {
  const told = new Set(
    signals.flatMap(({ courseId, reason }) =>
      reason.about === 'work' && reason.rule === 'loose-end' ? [`${courseId}:${reason.work.itemId}`] : [],
    ),
  );
  return signals.filter(({ courseId, reason }) => {
    if (reason.about !== 'figure' || reason.rule !== 'fallen' || reason.before === null) return true;
    const explained = reason.moved.reduce(
      (sum, { itemId, delta }) => sum + (told.has(`${courseId}:${itemId}`) ? Math.abs(delta) : 0),
      0,
    );
    return explained < (reason.before - reason.now) / 2 - 1e-9;
  });
}

/** A figure of a term that is over calls for nothing more: what the school stores of it is told by itself. */
function isOfRunningTerm({ courses, asOfMs }: ChildFacts): (signal: Signal) => boolean {
  const over = new Set(courses.flatMap(({ id, policy }) => (policy.termEndMs < asOfMs ? [id] : [])));
  return ({ kind, courseId }) => kind !== 'figure' || courseId === null || !over.has(courseId);
}

/** What rules are set to for a course of a child, or for the child. */
function askedOf(rules: AlertRules, studentId: string): (courseId: string | null) => AlertRules['rules'] {
  const settings = new Map<string | null, AlertRules['rules']>();
  return (courseId) => {
    const known = settings.get(courseId) ?? settingsFor(rules, studentId, courseId);
    settings.set(courseId, known);
    return known;
  };
}

/** What the rules find in a child's facts. */
export function signalsOf(facts: ChildFacts, rules: AlertRules, states: readonly AlertState[]): Signal[] {
  const stands = standsIn(states);
  const ask = askedOf(rules, facts.studentId);
  const found = childRules.flatMap(({ name, find }) =>
    find(
      facts,
      (courseId) => ask(courseId)[name],
      (key) => stands(key, name),
    ).map((signal) => ({ ...signal, reason: withAsked(ask(signal.courseId), name, signal.reason) })),
  );
  return withoutEchoes(found.filter(isOfRunningTerm(facts)));
}

/** When the rules next have something to say by the clock alone that is to be told in time: the first instant by course. */
export function nextLooks(facts: ChildFacts, rules: AlertRules): Next[] {
  const ask = askedOf(rules, facts.studentId);
  const first = new Map<string | null, number>();
  for (const { name, next } of childRules)
    for (const { courseId, atMs } of next?.(facts, (course) => ask(course)[name]) ?? [])
      if (atMs > facts.asOfMs && atMs < (first.get(courseId) ?? Infinity)) first.set(courseId, atMs);
  return [...first].map(([courseId, atMs]) => ({ courseId, atMs }));
}

/** What of a child a look is at, where not at all of it: some of its courses, its attendance. */
export interface LookedAt {
  readonly courses: ReadonlySet<string>;
  readonly attendance: boolean;
}

/** What is said to all of a class is of no course's figures or works. */
const isWithin =
  (part: LookedAt | null) =>
  ({ kind, courseId }: AlertSubject): boolean =>
    part === null ||
    (kind === 'attendance'
      ? part.attendance
      : kind !== 'school' && courseId !== null && part.courses.has(courseId));

/**
 * One look at a child, in earnest or in rehearsal: the same.
 * @param ask.first takes in what is there without telling it.
 * @param ask.part what the look is at; the facts need hold no more. What lies elsewhere stays as it is.
 */
export function lookAtChild(
  all: readonly AlertState[],
  facts: ChildFacts,
  ask: {
    readonly rules: AlertRules;
    readonly silences: readonly Silence[];
    readonly first: boolean;
    readonly part?: LookedAt | null;
  },
): { states: AlertState[]; tellings: Telling[] } {
  const within = isWithin(ask.part ?? null);
  const states = all.filter(within);
  return step({
    states,
    signals: signalsOf(facts, ask.rules, states).filter(within),
    asOfMs: facts.asOfMs,
    silenced: (subject) => isSilenced(subject, ask.silences, facts.today),
    first: ask.first,
  });
}
