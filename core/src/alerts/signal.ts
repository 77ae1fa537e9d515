import type { AlertReason, AlertSubject } from '@cadro/contract';

/** A rule's finding: a reason for an alert about a subject. */
export interface Signal extends AlertSubject {
  readonly reason: AlertReason;
}

/** Whether a reason tells of what has happened, which is news for some days; the others hold until something changes. */
export const hasHappened = ({ about, rule }: AlertReason): boolean =>
  about === 'comment' || about === 'term' || rule === 'settled' || rule === 'sent-back';
