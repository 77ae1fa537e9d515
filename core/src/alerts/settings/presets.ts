import type { Preset } from '@cadro/contract';
import { byCodePoint } from '../../gradebook';
import { alertRules, type RuleSettings } from '../rules';
import type { AlertRules } from './alertRules';

/** So many go out in a day. */
const caps: Readonly<Record<Preset, number>> = { urgent: 3, usual: 5, everything: 12 };

/** The rules of a preset: each as it says of itself. */
export const presetRules = (preset: Preset): AlertRules => ({
  // of every rule's name, by its own schema
  rules: Object.fromEntries(alertRules.map(({ name, presets }) => [name, presets[preset]])) as RuleSettings,
  exceptions: [],
  capPerDay: caps[preset],
});

const sorted = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => byCodePoint(a, b)))
    : value;

/** Whether two settings say the same, in whatever order their members stand. */
export const sameSettings = <T extends object>(a: T, b: T): boolean =>
  JSON.stringify(a, sorted) === JSON.stringify(b, sorted);

/** The preset that rules are, whatever their exceptions; null for rules of one's own. */
export function presetOf({ rules, capPerDay }: Pick<AlertRules, 'rules' | 'capPerDay'>): Preset | null {
  const names = ['urgent', 'usual', 'everything'] as const;
  return (
    names.find((name) => caps[name] === capPerDay && sameSettings(presetRules(name).rules, rules)) ?? null
  );
}
