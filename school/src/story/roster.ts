import { timeZone } from './days/calendar';
import { sessionsOf } from './days/sessions';
import { ref } from './rows';
import type { Reach, SchoolSpec, StudentSpec } from './schools/specs';
import type { Records } from './world';

/** How a school reaches somebody, as the standard's users have it; a postal address stands with what is the school's own. */
const reachMembers = ({ email, phone, sms, address }: Reach) => ({
  ...(email ? { email } : {}),
  ...(phone ? { phone } : {}),
  ...(sms ? { sms } : {}),
  ...(address ? { metadata: { address } } : {}),
});
const fileMembers = (file: NonNullable<StudentSpec['file']>) => ({
  ...reachMembers(file),
  agents: file.agents.map((id) => ref(id, 'user')),
});

/** The school itself, its terms, its students and whom it names for them. */
export function putRoster(school: SchoolSpec, records: Records, before: string): void {
  const { id, name, students } = school;
  const org = ref(id, 'org');
  records.put('orgs', id, before, { name, type: 'school', identifier: id, metadata: { timeZone } });
  for (const session of sessionsOf(school.semesters)) {
    records.put('academicSessions', session.id, before, {
      title: session.title,
      startDate: session.from,
      endDate: session.to,
      type: session.type,
      schoolYear: session.schoolYear,
      ...(session.parent ? { parent: ref(session.parent, 'academicSession') } : {}),
    });
  }
  for (const student of students) {
    records.put('users', student.id, before, {
      givenName: student.givenName,
      ...(student.called ? { preferredFirstName: student.called } : {}),
      familyName: student.familyName,
      enabledUser: 'true',
      grades: [student.year],
      roles: [{ roleType: 'primary', role: 'student', org }],
      ...(student.file ? fileMembers(student.file) : {}),
    });
    if (student.file) records.put('demographics', student.id, before, { birthDate: student.file.birthDate });
  }
  for (const agent of school.agents) {
    records.put('users', agent.id, before, {
      ...{ givenName: agent.givenName, familyName: agent.familyName, enabledUser: 'true' },
      roles: [{ roleType: 'primary', role: agent.role, org }],
      ...reachMembers(agent),
    });
  }
}
