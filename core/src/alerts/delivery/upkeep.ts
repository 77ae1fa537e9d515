import { guardianRules, type RuleSettings } from '../rules';
import type { UpkeepFacts } from '../rules/rule';
import { withAsked } from '../settings/asked';
import type { Signal } from '../signal';

/** What the rules about the guardian find: a source that has been silent, a guardian who has not looked. */
export const upkeepSignals = (facts: UpkeepFacts, rules: RuleSettings): Signal[] =>
  guardianRules.flatMap(({ name, find }) =>
    find(facts, rules[name]).map((signal) => ({ ...signal, reason: withAsked(rules, name, signal.reason) })),
  );
