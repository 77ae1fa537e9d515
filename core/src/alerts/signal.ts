import type { AlertReason, AlertSubject, RuleName, RuleSettings } from '@cadro/contract';
import type { ChildFacts } from './facts';

/** A rule's finding: a reason for an alert about a subject. */
export interface Signal extends AlertSubject {
  readonly reason: AlertReason;
}

/** Whether a reason tells of what has happened, which is news for some days; the others hold until something changes. */
export const hasHappened = ({ about, rule }: AlertReason): boolean =>
  about === 'comment' || about === 'term' || rule === 'settled' || rule === 'sent-back';

/** Whether a reason by a rule stands in the alert of a key already; a rule lets go later than it takes hold. */
export type Stands = (key: string, rule: RuleName) => boolean;

/** One rule: what of a child's facts is told. `ask` is given the settings that hold for a course, or for the child. */
export interface ChildRule {
  readonly name: RuleName;
  find(facts: ChildFacts, ask: (courseId: string | null) => RuleSettings, stands: Stands): Signal[];
}
