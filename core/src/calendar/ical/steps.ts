import ICAL from 'ical.js';

/** A rule that is followed for so long without an end is given up: some that can be read never come. */
export class RuleTooLong extends RangeError {
  override readonly name = 'RuleTooLong';
}

/** How many steps may still be made; counted down while rules are followed. */
export interface Steps {
  left: number;
}

/** Enough for every day of forty years, whatever the rule. */
const stepsOfRule = 300_000;
export const stepsOfOne = (): Steps => ({ left: stepsOfRule });

let current: Steps | null = null;

/*
 * The parser looks for the next day of a rule in loops of its own, which end only where there is one. Each of its steps is
 * counted here, so that a rule for 30 February ends as well.
 */
const steps = ICAL.RecurIterator.prototype as unknown as Record<string, unknown>;
for (const name of Object.getOwnPropertyNames(steps)) {
  const { value: step } = Object.getOwnPropertyDescriptor(steps, name) ?? {};
  if (name === 'constructor' || typeof step !== 'function') continue;
  steps[name] = function counted(this: unknown, ...given: unknown[]): unknown {
    if (current && (current.left -= 1) < 0) throw new RuleTooLong('the rule is followed for too long');
    return (step as (...given: unknown[]) => unknown).apply(this, given);
  };
}

/**
 * Follows rules within so many steps.
 * @throws RuleTooLong where they are not enough.
 */
export function withinSteps<T>(allowed: Steps, follow: () => T): T {
  const outer = current;
  current = allowed;
  try {
    return follow();
  } finally {
    current = outer;
  }
}

/** Follows one rule of several, which have so many steps together and none of them more than one may take. */
export function withinShare<T>(together: Steps, follow: () => T): T {
  const most = Math.max(0, Math.min(stepsOfRule, together.left));
  const own = { left: most };
  try {
    return withinSteps(own, follow);
  } finally {
    together.left -= most - Math.max(0, own.left);
  }
}
