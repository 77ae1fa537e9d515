export * from './delivery/cap';
export * from './digest/digest';
export * from './facts';
export * from './history';
export * from './look';
export { alertRules, ruleNamed, type RuleName, type RuleSettings } from './rules';
export type { Next } from './rules/rule';
export {
  knobWords,
  ruleGroups,
  type Knob,
  type AnyRule,
  type Sentences,
  type UpkeepFacts,
} from './rules/rule';
export * from './settings/alertRules';
export * from './settings/presets';
export * from './settings/schema';
export * from './rehearse';
export { hasPassed } from './delivery/passed';
export * from './delivery/retry';
export * from './settings/scale';
export * from './settings/settings';
export * from './signal';
export * from './delivery/silence';
export * from './slides';
export * from './step';
export * from './delivery/upkeep';
export * from './delivery/when';
export * from './words';
