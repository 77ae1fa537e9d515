import type { BalanceSeen, Known } from '@cadro/core';
import type { Db } from '../kit';
import { balancesOf } from '../records';

/** Money of several children at school, each as the school said it last: one query. */
export async function balancesSeen(
  db: Db,
  studentIds: readonly string[],
): Promise<(studentId: string) => Known<BalanceSeen>[]> {
  const rows = await balancesOf(db, studentIds);
  return (studentId) =>
    rows
      .filter(({ student_id }) => student_id === studentId)
      .map(({ external_id: id, kind, title, amount, currency, due_on: dueOn, as_of }) => ({
        knownAtMs: as_of.getTime(),
        value: { id, kind, title, amount, currency, dueOn },
      }));
}
