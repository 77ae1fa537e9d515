import type { AroundChild } from '@cadro/contract';
import { childrenFor } from '../household';
import { together, type Deps } from '../kit';
import { balancesOf, bulletinsOf, foundThingsOf, ridesOf, schoolDates } from '../records';

/** What else the schools tell of the children whose file one may see: a bounded number of queries. */
export async function aroundChildren({ db, clock }: Deps, guardianId: string): Promise<AroundChild[]> {
  const [children, now] = await Promise.all([childrenFor(db, guardianId, 'read-file'), clock.now()]);
  const ids = children.map(({ id }) => id);
  const dates = await schoolDates(db, ids, now);
  // Children of one household go to schools of one day but at the edge of the world: the latest of them holds.
  const today = [...dates.values()].sort().at(-1) ?? now.toISOString().slice(0, 10);
  const [balances, rides, bulletins, found] = await together(db, [
    () => balancesOf(db, ids),
    () => ridesOf(db, ids, today),
    () => bulletinsOf(db, ids, today),
    () => foundThingsOf(db, ids, today),
  ]);
  return children.map(({ id, schoolName }) => {
    const own = <T extends { readonly student_id: string }>(rows: readonly T[]) =>
      rows.filter(({ student_id }) => student_id === id);
    const [bulletin] = own(bulletins);
    return {
      studentId: id,
      schoolName,
      balances: own(balances).map(({ external_id, kind, title, amount, currency, due_on, as_of }) => ({
        ...{ id: external_id, kind, title, amount, currency, dueOn: due_on, asOf: as_of.toISOString() },
      })),
      rides: own(rides).map(({ external_id, title, stop, weekdays, to_school_at, home_at, note }) => ({
        ...{ id: external_id, title, stop, weekdays: [...weekdays], note },
        ...{ toSchoolAt: to_school_at, homeAt: home_at },
      })),
      bulletin: bulletin ? { on: bulletin.on_date, text: bulletin.text } : null,
      found: own(found).map(({ external_id, title, place, found_on, kept_until }) => ({
        ...{ id: external_id, title, place, foundOn: found_on, keptUntil: kept_until },
      })),
    };
  });
}
