import { teacherId } from '../rows';
import { schoolContacts } from '../schools/contacts';
import type { SchoolSpec } from '../schools/specs';
import type { Records } from '../world';
import { at } from './calendar';
import { linkCodes } from './schoolLife';

/** Puts in a school’s announcements, its contacts and its link codes. */
export function putTold(school: SchoolSpec, records: Records, before: string): void {
  school.announcements.forEach((each, index) => {
    const { on, title, text, course, student, wish, by, helpers } = each;
    const postedAt = at(on, '09:00');
    records.put('announcements', `announcement-${index + 1}`, postedAt, {
      ...{ title, text, postedAt, classId: course ?? null, studentId: student ?? null },
      ...{ wish: wish ?? null, by: by ? at(by, '16:00') : null, helpers: helpers ?? null },
    });
  });
  for (const contact of schoolContacts[school.id] ?? []) {
    const { course, id, mail, students, mailboxClosed: _, ...told } = contact;
    const taught = school.courses.find((each) => each.id === course);
    records.put('contacts', taught ? teacherId(taught) : id, before, {
      ...told,
      ...{ schoolId: school.id, mail: mail ?? null, studentIds: students ?? null },
    });
  }
  for (const code of linkCodes) {
    if (code.school !== school.id) continue;
    const { student, expiresAt } = code;
    records.put('linkCodes', `code-${student}`, before, {
      ...{ code: code.code, studentId: student, expiresAt },
    });
  }
}
