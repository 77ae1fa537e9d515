import type { AlertReason, AlertSubject } from '@cadro/contract';

/** A rule's finding: a reason for an alert about a subject. */
export interface Signal extends AlertSubject {
  readonly reason: AlertReason;
}
