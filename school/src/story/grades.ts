import { at, schoolDays, storyEnd, termEnd } from './days/calendar';
import { pastCourses, storedParts } from './schools/pastYear';
import { compositionsOf, nextQuarter, quarterId, thisQuarter, yearId } from './days/sessions';
import type { SchoolSpec } from './schools/specs';
import { SchoolOffice } from './stated';
import type { Records } from './world';

/* What the schools say of their courses themselves: running figures every day, final ones after the quarter. */

/** The office prints at half past three; finals go out on the day the schools have named, or late. */
const printedAt = '15:30';
/** Until this day teachers still decide what was left open. */
const decided = '2026-11-09';
const reported = at('2026-11-10', '12:00');
const reportedLate = at('2026-11-13', '12:00');

/** What the office prints of a quarter at the end of each of its school days, where it is another than before. */
function putRunning(
  office: SchoolOffice,
  records: Records,
  id: string,
  common: object,
  days: readonly string[],
) {
  let last = '';
  for (const day of days) {
    const reportedAt = at(day, printedAt);
    const stated = office.figureAt(reportedAt);
    if (!stated || JSON.stringify(stated) === last) continue;
    last = JSON.stringify(stated);
    records.put('grades', id, reportedAt, { ...common, ...stated, state: 'running', reportedAt });
  }
}

/** Running figures of each school day, the first quarter's final ones, and what runs of the second. */
export function putGrades(school: SchoolSpec, records: Records): void {
  const later = schoolDays(storyEnd).filter((day) => day > termEnd);
  for (const course of school.courses) {
    if (course.policy.method === 'standards') continue;
    for (const { id: student } of school.students) {
      const of = (quarter: string) => ({
        office: new SchoolOffice(course, records, student, quarter),
        id: `${course.id}-${student}-${quarter}`,
        common: { studentId: student, classId: course.id, part: quarter },
      });
      const { office, id, common } = of(thisQuarter);
      putRunning(office, records, id, common, schoolDays());
      const final = office.figureAt(at(decided, '12:00'));
      const reportedAt = course.reportsLate ? reportedLate : reported;
      if (final) records.put('grades', id, reportedAt, { ...common, ...final, state: 'final', reportedAt });
      const next = of(nextQuarter);
      putRunning(next.office, records, next.id, next.common, later);
    }
  }
}

const ref = (sourcedId: string, type: string) => ({ sourcedId, type });

type PastCourse = NonNullable<(typeof pastCourses)[string]>[number];

interface Past {
  readonly school: SchoolSpec;
  readonly records: Records;
  /** When all of it had been written. */
  readonly before: string;
}

const teacherIdOf = ({ teacher }: PastCourse): string => `t-${teacher.familyName.toLowerCase()}`;

/** The course, its class, and who taught and attended it. */
function putClass({ school, records, before }: Past, course: PastCourse): void {
  const { id, title, student } = course;
  const org = ref(school.id, 'org');
  records.put('courses', `course-${id}`, before, { title, courseCode: id, org });
  records.put('classes', id, before, {
    title,
    classCode: id,
    classType: 'scheduled',
    course: ref(`course-${id}`, 'course'),
    school: org,
    terms: [ref(yearId('2025'), 'academicSession')],
  });
  for (const [user, role] of [
    [teacherIdOf(course), 'teacher'],
    [student, 'student'],
  ] as const) {
    records.put('enrollments', `${id}-${user}`, before, {
      role,
      primary: role === 'teacher' ? 'true' : 'false',
      user: ref(user, 'user'),
      class: ref(id, 'class'),
      school: org,
    });
  }
}

/** What was stored of it, the credits it gave, and how its year was made. */
function putStored({ school, records, before }: Past, course: PastCourse): void {
  const { id, student, credits, creditArea, bump } = course;
  const policy = school.courses[0]?.policy;
  records.put('classDetails', id, before, {
    categories: [],
    standards: [],
    credits,
    ...(creditArea ? { creditArea } : {}),
    bump: bump ?? 0,
    compositions: compositionsOf('2025', school.semesters),
  });
  for (const { part, fraction } of storedParts(course)) {
    const outOf = policy?.outOf ?? 100;
    const letter = policy?.letters?.find(({ from }) => fraction >= from - 1e-9)?.letter;
    records.put('grades', `${id}-${student}-${part}`, before, {
      studentId: student,
      classId: id,
      part,
      state: 'final',
      fraction,
      figure: Math.round(fraction * outOf * 10) / 10,
      ...(letter ? { letter } : {}),
      ...(part === yearId('2025') && credits > 0 ? { creditsEarned: credits } : {}),
      reportedAt: at('2026-06-26', '12:00'),
    });
  }
}

/** The words of its reports. */
function putRemarks({ records, before }: Past, course: PastCourse): void {
  const { id, student } = course;
  for (const { quarter, text } of course.remarks) {
    records.put('comments', `report-${id}-${quarter}`, before, {
      studentId: student,
      classId: id,
      subject: 'report-card',
      text,
      teacherId: teacherIdOf(course),
      sessionId: quarterId('2025', quarter),
      writtenAt: quarter === 2 ? at('2026-02-02', '12:00') : at('2026-06-26', '12:00'),
    });
  }
}

/** Last year's courses with what was stored of them, the credits they gave, and the words of the reports. */
export function putPastYear(school: SchoolSpec, records: Records, before: string): void {
  const past = { school, records, before };
  for (const course of pastCourses[school.id] ?? []) {
    putClass(past, course);
    putStored(past, course);
    putRemarks(past, course);
  }
  records.put('schoolDetails', school.id, before, {
    attendanceDesk: school.attendanceDesk,
    ...(school.gradePoints ? { gradePoints: school.gradePoints } : {}),
  });
  if (school.creditPlan) {
    for (const { id: student } of school.students) {
      records.put('creditPlans', `credits-${student}`, before, {
        studentId: student,
        areas: school.creditPlan,
      });
    }
  }
}
