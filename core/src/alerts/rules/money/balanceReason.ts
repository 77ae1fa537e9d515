import type { BalanceReason } from '@cadro/contract';
import type { ChildFacts } from '../../facts';
import type { BalanceSeen, Known } from '../../history';
import type { Signal } from '../../signal';

/** A reason about money at school: each account and each fee stands in an alert of its own. */
export function balanceSignal(
  { studentId, attendanceSource }: ChildFacts,
  { value, knownAtMs }: Known<BalanceSeen>,
  rule: BalanceReason['rule'],
  about: Pick<BalanceReason, 'asked'>,
): Signal {
  const { id, kind, title, amount, currency, dueOn } = value;
  return {
    ...{ key: `${rule}:${studentId}:${id}`, kind: 'school', studentId, courseId: null, courseTitle: null },
    reason: {
      ...{ id: `${rule}:${id}`, at: new Date(knownAtMs).toISOString(), sourceName: attendanceSource },
      ...{ about: 'balance', rule, kind, title, amount, currency, dueOn, ...about },
    },
  };
}
