import type { RuleSettings } from '@cadro/contract';
import { instantOf } from '../../gradebook';
import { withAsked } from '../settings/asked';
import type { Signal } from '../signal';
import { dayMs } from '../../dates';

/** What concerns the guardian and not one child. */
export interface UpkeepFacts {
  readonly guardianId: string;
  readonly asOfMs: number;
  /** The sources of the guardian's children; `readAt` is the last whole reading, an instant. */
  readonly sources: readonly { readonly id: string; readonly name: string; readonly readAt: string }[];
  /** When the guardian last looked; null where that was never. */
  readonly lookedAt: string | null;
}

/** A source that has been silent for days, and a guardian who has not looked for days. */
export function upkeepSignals(facts: UpkeepFacts, rules: RuleSettings): Signal[] {
  const subject = {
    kind: 'upkeep',
    studentId: null,
    courseId: null,
    courseTitle: null,
  } as const;
  const daysSince = (at: string): number => Math.floor((facts.asOfMs - Date.parse(at)) / dayMs);
  const silent = rules['source-silent'];
  const looked = rules['not-looked'];
  const signals: Signal[] = [];
  for (const { id, name, readAt } of silent.on ? facts.sources : []) {
    const days = daysSince(readAt);
    if (days < silent.days) continue;
    signals.push({
      ...subject,
      key: `source:${id}`,
      reason: {
        ...{ id: 'source-silent', at: instantOf(Date.parse(readAt) + silent.days * dayMs), sourceName: name },
        ...{ about: 'upkeep', rule: 'source-silent', since: readAt, days },
      },
    });
  }
  if (looked.on && facts.lookedAt !== null && daysSince(facts.lookedAt) >= looked.days) {
    signals.push({
      ...subject,
      key: `look:${facts.guardianId}`,
      reason: {
        ...{
          id: 'not-looked',
          at: instantOf(Date.parse(facts.lookedAt) + looked.days * dayMs),
          sourceName: '',
        },
        ...{ about: 'upkeep', rule: 'not-looked', since: facts.lookedAt, days: daysSince(facts.lookedAt) },
      },
    });
  }
  return signals.map((signal) => ({ ...signal, reason: withAsked(rules, signal.reason) }));
}
