import { quarterId } from './days/sessions';
import { reportWords } from './reportWords';
import { itemId, teacherId } from './rows';
import type { SchoolSpec } from './schools/specs';
import { comments } from './teacherWords';
import type { Records } from './world';

/** What a school's teachers have written, on work, courses and report cards. */
export function putComments(school: SchoolSpec, records: Records): void {
  [...comments, ...reportWords]
    .filter((each) => each.school === school.id)
    .forEach((comment, index) => {
      const course = school.courses.find(({ id }) => id === comment.course);
      if (!course) throw new Error(`no course ${comment.course}`);
      records.put('comments', `comment-${index + 1}`, comment.at, {
        studentId: comment.student,
        classId: course.id,
        subject: comment.subject,
        text: comment.text,
        ...(comment.quarter ? { sessionId: quarterId('2026', comment.quarter) } : {}),
        ...(comment.item ? { assignmentId: itemId(course, comment.item) } : {}),
        teacherId: teacherId(course),
        writtenAt: comment.at,
        ...(comment.about ? { about: comment.about } : {}),
        ...(comment.recording ? { recording: comment.recording } : {}),
        ...(comment.elsewhere ? { elsewhere: comment.elsewhere } : {}),
      });
    });
}
