import { at } from './calendar';
import { schoolAround, schoolDayWeek } from '../schools/around';
import type { Records } from '../world';

/** What a school tells besides its gradebook, each from the day on which it was said. */
export function putAround(schoolId: string, records: Records, before: string): void {
  const { balances, rides, bulletins, found } = schoolAround[schoolId] ?? {
    balances: [],
    rides: [],
    bulletins: {},
    found: [],
  };
  for (const { id, student, kind, title, amount, dueOn, on } of balances) {
    const asOf = at(on, '08:00');
    records.put('balances', `${id}-${student}`, asOf, {
      ...{ studentId: student, kind, title, amount, currency: 'USD', dueOn: dueOn ?? null, asOf },
    });
  }
  for (const { student, note, ...ride } of rides)
    records.put('rides', `ride-${student}`, before, {
      ...{ ...ride, studentId: student, weekdays: schoolDayWeek, note: note ?? null },
    });
  for (const [date, text] of Object.entries(bulletins))
    records.put('bulletins', `bulletin-${date}`, at(date, '06:30'), { schoolId, date, text });
  found.forEach(({ title, place, on, until }, index) =>
    records.put('foundThings', `found-${index + 1}`, at(on, '15:00'), {
      ...{ schoolId, title, place, foundOn: on, keptUntil: until ?? null },
    }),
  );
}
