import type { AlertReason } from '@cadro/contract';
import { ruleNamed, type RuleName, type RuleSettings } from '../rules';

/** A reason with what its rule was set to, on the scale of its course; as it was where the rule has no numbers. */
export function withAsked<R extends AlertReason>(settings: RuleSettings, name: RuleName, reason: R): R {
  const outOf = 'outOf' in reason ? reason.outOf : 100;
  const asked = ruleNamed(name)?.asked?.(settings[name], (ofHundred) => (ofHundred / 100) * outOf);
  return asked ? { ...reason, asked } : reason;
}
