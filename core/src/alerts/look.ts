import type { Silence } from '@cadro/contract';
import type { AlertRules } from './settings/alertRules';
import { withAsked } from './settings/asked';
import type { ChildFacts } from './facts';
import { childRules } from './rules';
import { settingsFor } from './settings/settings';
import type { Signal } from './signal';
import { isSilenced } from './delivery/silence';
import { standsIn, step, type AlertState, type Telling } from './step';

/** What the rules find in a child's facts. */
export function signalsOf(facts: ChildFacts, rules: AlertRules, states: readonly AlertState[]): Signal[] {
  const stands = standsIn(states);
  const settings = new Map<string | null, AlertRules['rules']>();
  const ask = (courseId: string | null) => {
    const known = settings.get(courseId) ?? settingsFor(rules, facts.studentId, courseId);
    settings.set(courseId, known);
    return known;
  };
  return childRules.flatMap(({ name, find }) =>
    find(
      facts,
      (courseId) => ask(courseId)[name],
      (key) => stands(key, name),
    ).map((signal) => ({ ...signal, reason: withAsked(ask(signal.courseId), name, signal.reason) })),
  );
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
