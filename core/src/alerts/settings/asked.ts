import type { AlertReason, RuleSettings } from '@cadro/contract';

/** The numbers of the rule that found a reason, on the scale of its course; none where the rule has no numbers. */
function askedOf(rules: RuleSettings, reason: AlertReason): AlertReason['asked'] {
  const outOf = 'outOf' in reason ? reason.outOf : 100;
  const points = (ofHundred: number) => (ofHundred / 100) * outOf;
  const { rule } = reason;
  switch (rule) {
    case 'fallen':
    case 'improved':
      return { amount: points(rules[rule].points), days: rules[rule].days };
    case 'slipping':
      return { amount: points(rules.slipping.perWeek), days: null };
    case 'loose-end':
      return rules[rule].effect > 0 && rules[rule].atOnce === 1
        ? { amount: points(rules[rule].effect), days: null }
        : undefined;
    case 'big-work':
      return { amount: points(rules[rule].effect), days: rules[rule].days };
    case 'late':
      return { amount: rules.late.times, days: rules.late.days };
    case 'days-missed':
      return { amount: rules[rule].percent, days: null };
    case 'deadline':
    case 'unmarked':
    case 'source-silent':
    case 'not-looked':
      return { amount: null, days: rules[rule].days };
    default:
      return undefined;
  }
}

/** A reason with what its rule was set to. */
export function withAsked<R extends AlertReason>(rules: RuleSettings, reason: R): R {
  const asked = askedOf(rules, reason);
  return asked ? { ...reason, asked } : reason;
}
