import type { Preset } from '@cadro/contract';
import { presetRules, type AlertRules, type RuleName } from '../alerts';

/** Rules of which all are off but one: that one as a preset has it, with these changes. */
export const onlyRule =
  (preset: Preset) =>
  (name: RuleName, changes: object = {}, on = true): AlertRules => {
    const whole = presetRules(preset);
    const off = Object.entries(whole.rules).map(([each, rule]) => [each, { ...rule, on: false }]);
    const one = { ...whole.rules[name], on, ...changes };
    return { ...whole, rules: { ...(Object.fromEntries(off) as AlertRules['rules']), [name]: one } };
  };
