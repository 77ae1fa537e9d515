import { Type, type TObject } from '@sinclair/typebox';
import type { KeptRules } from '@cadro/contract';
import { alertRules, childRules, type RuleSettings } from '../rules';
import type { AlertRules, RuleChanges } from './alertRules';
import { presetRules } from './presets';

const strict = { additionalProperties: false };
const byName = (
  rules: readonly { readonly name: string; readonly settings: TObject }[],
  of: (settings: TObject) => TObject,
) => Type.Object(Object.fromEntries(rules.map(({ name, settings }) => [name, of(settings)])), strict);

/** What a guardian may set, with every rule's own limits: JSON Schema. */
export const alertRulesSchema: TObject = Type.Object({
  rules: byName(alertRules, (settings) => settings),
  exceptions: Type.Array(
    Type.Object({
      rules: Type.Partial(
        byName(childRules, (settings) => Type.Partial(settings)),
        strict,
      ),
    }),
  ),
});

/**
 * Rules as they were kept, whole: a rule that did not exist then is as usual, one that exists no more is left out.
 * What is kept has been checked by `alertRulesSchema` when it was set.
 */
export function readRules({ rules, exceptions, capPerDay }: KeptRules): AlertRules {
  const usual = presetRules('usual').rules;
  const known = alertRules.map(({ name }) => [name, { ...usual[name], ...rules[name] }]);
  const changes = (kept: KeptRules['exceptions'][number]['rules']) =>
    Object.fromEntries(childRules.flatMap(({ name }) => (kept[name] ? [[name, kept[name]]] : [])));
  return {
    rules: Object.fromEntries(known) as RuleSettings, // of every name, by its own schema
    exceptions: exceptions.map((each) => ({ ...each, rules: changes(each.rules) as RuleChanges })),
    capPerDay,
  };
}
