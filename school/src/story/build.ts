import { at, dayAfter, dayOfWeek, nextSchoolDay, storyWeeks, termEnd, termWeeks } from './days/calendar';
import { scatter } from './chance';
import { putGrades, putPastYear } from './grades';
import { levelsOf } from './levels';
import { putAround, putSlots } from './days/around';
import { putAttendance } from './days/attendance';
import { putTold } from './days/told';
import { compositionsOf, nextQuarter, thisQuarter, yearId } from './days/sessions';
import { itemDetails, type SpecialItem } from './specialItem';
import { specialItems } from './specials';
import type { CourseSpec, SchoolSpec, WeeklySpec } from './schools/specs';
import { putTimetable } from './days/timetable';
import { putComments } from './comments';
import { putRoster } from './roster';
import { itemId, mailOf, ref, resultRow, teacherId } from './rows';
import { Records } from './world';

const before = at('2026-08-24', '09:00');

/** Makes one school's records for the whole term. Nothing here knows what day it is. */
class SchoolBuilder {
  readonly records = new Records();

  constructor(private readonly school: SchoolSpec) {}

  build(): Records {
    putRoster(this.school, this.records, before);
    for (const course of this.school.courses) {
      this.course(course);
      for (let week = 0; week < storyWeeks; week++) {
        for (const work of course.weekly)
          if (week >= (work.fromWeek ?? 0)) this.weeklyWork(course, work, week);
      }
    }
    for (const item of specialItems) if (item.school === this.school.id) this.specialWork(item);
    putComments(this.school, this.records);
    putAttendance(this.school, this.records);
    putTimetable(this.school, this.records, before);
    putTold(this.school, this.records, before);
    putAround(this.school.id, this.records, before);
    putSlots(this.school, this.records, before);
    putGrades(this.school, this.records);
    putPastYear(this.school, this.records, before);
    return this.records;
  }

  private put(collection: string, id: string, when: string, row: Record<string, unknown>): void {
    this.records.put(collection, id, when, row);
  }

  private course(course: CourseSpec): void {
    const school = ref(this.school.id, 'org');
    const teacher = teacherId(course);
    this.put('users', teacher, before, {
      givenName: course.teacher.givenName,
      familyName: course.teacher.familyName,
      enabledUser: 'true',
      ...(course.teacher.mail ? { email: mailOf(course) } : {}),
      roles: [{ roleType: 'primary', role: 'teacher', org: school }],
    });
    this.put('courses', `course-${course.id}`, before, {
      title: course.title,
      courseCode: course.id,
      org: school,
    });
    this.put('classes', course.id, before, {
      title: course.title,
      classCode: course.id,
      classType: 'scheduled',
      location: course.room,
      course: ref(`course-${course.id}`, 'course'),
      school,
      terms: [ref(yearId('2026'), 'academicSession')],
      periods: [course.period],
    });
    for (const user of [teacher, ...this.school.students.map(({ id }) => id)]) {
      this.put('enrollments', `${course.id}-${user}`, before, {
        role: user === teacher ? 'teacher' : 'student',
        primary: user === teacher ? 'true' : 'false',
        user: ref(user, 'user'),
        class: ref(course.id, 'class'),
        school,
      });
    }
    for (const category of course.categories) {
      this.put('categories', `${course.id}-${category.id}`, before, {
        title: category.title,
        weight: category.weight,
      });
    }
    this.put('classDetails', course.id, before, {
      policy: { ...course.policy, termEnd: at(termEnd, '23:59') },
      categories: course.categories.map(({ id, practice, dropLowest }) => ({
        id: `${course.id}-${id}`,
        counts: !practice,
        dropLowest: dropLowest ?? 0,
      })),
      standards: (course.standards ?? []).map((standard) => ({
        ...standard,
        levels: levelsOf(standard.id),
      })),
      credits: course.credits ?? 0,
      ...(course.creditArea ? { creditArea: course.creditArea } : {}),
      bump: course.bump ?? 0,
      compositions: compositionsOf('2026', this.school.semesters),
    });
  }

  private lineItem(course: CourseSpec, id: string, when: string, row: Record<string, unknown>): void {
    this.put('lineItems', id, when, {
      class: ref(course.id, 'class'),
      school: ref(this.school.id, 'org'),
      gradingPeriod: ref(thisQuarter, 'academicSession'),
      resultValueMin: 0,
      ...row,
    });
  }

  private weeklyWork(course: CourseSpec, work: WeeklySpec, week: number): void {
    const topic = course.topics[week] ?? '';
    const id = itemId(course, `${work.key}-${week + 1}`);
    // Not every course on the same weekdays.
    const shift = this.school.courses.indexOf(course) % 3;
    const assignDate = at(nextSchoolDay(dayOfWeek(week, work.assigned + shift)), '08:30');
    const dueDay = nextSchoolDay(dayOfWeek(week, work.due + shift));
    const dueDate = at(dueDay, work.dueAt);
    this.lineItem(course, id, assignDate, {
      ...(week < termWeeks ? {} : { gradingPeriod: ref(nextQuarter, 'academicSession') }),
      title: work.title(topic),
      assignDate,
      dueDate,
      category: ref(`${course.id}-${work.categoryId}`, 'category'),
      resultValueMax: work.possible,
    });
    this.put('assignments', id, assignDate, {
      kind: work.kind,
      instructions: work.instructions(topic),
      unit: topic,
    });
    for (const student of this.school.students) {
      this.weeklyResult(course, work, { week, id, dueDay, student: student.id });
    }
  }

  private weeklyResult(
    course: CourseSpec,
    work: WeeklySpec,
    { week, id, dueDay, student }: { week: number; id: string; dueDay: string; student: string },
  ): void {
    const goes = course.course[student];
    if (!goes) return;
    // Online before the end of the day, on paper when the lesson collects it.
    this.result(id, student, at(dueDay, work.online ? '20:40' : work.dueAt), { scoreStatus: 'submitted' });
    // A new quarter begins as the first one did.
    const weeks = Math.max(0, (week % termWeeks) - (goes.from ?? 0));
    const share =
      goes.start + goes.perWeek * weeks + goes.scatter * scatter(`${this.school.id}/${id}/${student}`);
    const score = Math.max(0.5, Math.min(work.possible, Math.round(share * work.possible * 2) / 2));
    const standard = work.standardId?.(week);
    const level = Math.max(1, Math.min(4, Math.round(score)));
    if (work.online) {
      this.onlineWork(
        work,
        { id, student, dueDay, topic: course.topics[week] ?? '' },
        standard ? level : score,
      );
    }
    this.result(id, student, at(nextSchoolDay(dayAfter(dueDay, 2)), '15:10'), {
      scoreStatus: 'fully graded',
      score: standard === undefined ? score : level,
      ...(standard
        ? {
            learningObjectiveSet: [
              { source: 'case', learningObjectiveResults: [{ learningObjectiveId: standard, score: level }] },
            ],
          }
        : {}),
    });
  }

  /** What the classroom sees of work that is handed in there; it knows the mark a day before the gradebook. */
  private onlineWork(
    work: WeeklySpec,
    { id, student, dueDay, topic }: { id: string; student: string; dueDay: string; topic: string },
    earned: number,
  ): void {
    const handedInAt = at(dueDay, '20:40');
    // Practice may be tried twice and has nothing to attach; all else is a sheet.
    const tries =
      work.kind === 'practice'
        ? [
            { at: at(dueDay, '19:05'), files: [] },
            { at: handedInAt, files: [] },
          ]
        : [{ at: handedInAt, files: [`${work.title(topic)}.pdf`] }];
    this.handIn(id, student, handedInAt, { state: 'handed-in', tries });
    const markedAt = at(nextSchoolDay(dayAfter(dueDay, 1)), '16:20');
    this.handIn(id, student, markedAt, { state: 'marked', earned, tries });
  }

  private result(item: string, student: string, when: string, row: Record<string, unknown>): void {
    this.put('results', `${item}-${student}`, when, {
      lineItem: ref(item, 'lineItem'),
      student: ref(student, 'user'),
      scoreDate: when.slice(0, 10),
      ...row,
    });
  }

  private specialWork(item: SpecialItem): void {
    const course = this.school.courses.find(({ id }) => id === item.course);
    if (!course) throw new Error(`no course ${item.course} at ${item.school}`);
    const id = itemId(course, item.key);
    const row = {
      title: item.title,
      assignDate: item.assignedAt,
      dueDate: item.dueAt,
      category: ref(`${course.id}-${item.categoryId}`, 'category'),
      resultValueMax: item.possible,
    };
    this.lineItem(course, id, item.assignedAt, row);
    if (item.removedAt) this.lineItem(course, id, item.removedAt, { ...row, status: 'tobedeleted' });
    const detail = Object.fromEntries(itemDetails.map((name) => [name, item[name]]));
    this.put('assignments', id, item.assignedAt, detail);
    for (const [student, results] of Object.entries(item.results)) {
      for (const result of results) this.result(id, student, result.at, resultRow(result));
    }
    for (const { student, at: when, state, earned } of item.handIns ?? []) {
      this.handIn(id, student, when, { state, ...(earned === undefined ? {} : { earned }) });
    }
    for (const { student, at: writtenAt, marks } of item.rubricMarks ?? []) {
      this.put('rubricMarks', `${id}-${student}`, writtenAt, {
        studentId: student,
        assignmentId: id,
        marks,
        writtenAt,
      });
    }
  }

  private handIn(item: string, student: string, when: string, row: Record<string, unknown>): void {
    this.put('handIns', `${item}-${student}`, when, {
      studentId: student,
      assignmentId: item,
      at: when,
      ...row,
    });
  }
}

export const buildSchool = (school: SchoolSpec): Records => new SchoolBuilder(school).build();
