import { at } from './calendar';
import { teacherId } from '../rows';
import type { SchoolSpec } from '../schools/specs';
import { schoolSlots } from '../schools/slots';
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

/** The times that a school's teachers and desks offer for a talk. */
export function putSlots(school: SchoolSpec, records: Records, before: string): void {
  for (const { id, course, contact, on, from, to, way, place, href, students, bookedFor } of schoolSlots[
    school.id
  ] ?? []) {
    const taught = school.courses.find((each) => each.id === course);
    records.put('slots', id, before, {
      ...{ contactId: taught ? teacherId(taught) : contact, studentIds: students ?? null },
      ...{ startsAt: at(on, from), endsAt: at(on, to), way, place: place ?? null, href: href ?? null },
      ...{ taken: bookedFor !== undefined, bookedFor: bookedFor ?? null },
    });
  }
}
