import type { Silence } from '@cadro/contract';
import type { AlertRules } from './settings/alertRules';
import { withAsked } from './settings/asked';
import type { ChildFacts } from './facts';
import { childRules } from './rules';
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

/** What the rules find in a child's facts. */
export function signalsOf(facts: ChildFacts, rules: AlertRules, states: readonly AlertState[]): Signal[] {
  const stands = standsIn(states);
  const settings = new Map<string | null, AlertRules['rules']>();
  const ask = (courseId: string | null) => {
    const known = settings.get(courseId) ?? settingsFor(rules, facts.studentId, courseId);
    settings.set(courseId, known);
    return known;
  };
  const found = childRules.flatMap(({ name, find }) =>
    find(
      facts,
      (courseId) => ask(courseId)[name],
      (key) => stands(key, name),
    ).map((signal) => ({ ...signal, reason: withAsked(ask(signal.courseId), name, signal.reason) })),
  );
  return withoutEchoes(found.filter(isOfRunningTerm(facts)));
}

/**
 * One look at a child, in earnest or in rehearsal: the same.
 * @param ask.first takes in what is there without telling it.
 */
export function lookAtChild(
  states: readonly AlertState[],
  facts: ChildFacts,
  ask: { readonly rules: AlertRules; readonly silences: readonly Silence[]; readonly first: boolean },
): { states: AlertState[]; tellings: Telling[] } {
  return step({
    states,
    signals: signalsOf(facts, ask.rules, states),
    asOfMs: facts.asOfMs,
    silenced: (subject) => isSilenced(subject, ask.silences, facts.today),
    first: ask.first,
  });
}
