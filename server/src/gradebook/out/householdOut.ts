import type { OutChild } from '@cadro/core/out';
import type { Deps } from '../../kit';
import { childrenFor, householdOf } from '../../household';
import { wholeChild, wholeCourses, wholeItems, wholeTerms } from '../../records';
import { householdRecords } from '../figures/householdRecords';

/** The linked children with their courses of now, each by the record its household reckons by. */
export async function householdOut({ db, clock }: Deps, guardianId: string): Promise<OutChild[]> {
  const asOf = await clock.now();
  const children = await childrenFor(db, guardianId, 'read-record');
  const { id: householdId } = await householdOf(db, guardianId);
  const studentIds = children.map(({ id }) => id);
  const records = await householdRecords(db, { studentIds, householdId, asOf });
  const found: OutChild[] = [];
  for (const { id, givenName, familyName, year, schoolName, timeZone } of children) {
    const whole = await wholeChild(db, id);
    if (!whole) continue;
    const terms = await wholeTerms(db, whole.sourceId);
    const termOf = new Map(terms.map((term) => [term.externalId, term.id]));
    const courses = await wholeCourses(db, id);
    const items = await wholeItems(
      db,
      id,
      courses.map((course) => course.id),
    );
    found.push({
      ...{ id, givenName, familyName, year },
      school: { id: whole.school.id, name: schoolName, timeZone },
      terms: terms.map(({ parent, externalId: _own, ...term }) => ({
        ...term,
        parentId: parent === null ? null : (termOf.get(parent) ?? null),
      })),
      courses: records.flatMap(({ studentId, record, term }) => {
        const course = courses.find((each) => each.id === record.id);
        if (studentId !== id || !course) return [];
        const { title, room, period, teacher } = course;
        return [
          {
            ...{ title, room, period, record, termIds: [term.id] },
            teacher: teacher && { id: teacher.id, name: teacher.name },
            remarks: new Map(
              items.flatMap(({ id: itemId, remark }) => (remark === null ? [] : [[itemId, remark] as const])),
            ),
          },
        ];
      }),
    });
  }
  return found;
}
