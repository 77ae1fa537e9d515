import type { Child, ChildTerms, TermCourse } from '@cadro/contract';
import { byCodePoint, courseFigures, scaleOf } from '@cadro/core';
import { attendanceOf } from '../../attendance';
import { type Db, HttpProblem } from '../../kit';
import { guardianById } from '../../household';
import { commentsOf } from '../commentStore';
import { coursesOf } from '../store';
import { schoolYears } from '../terms/terms';

import type { Report, ReportCourse } from './reportPage';

type Years = Awaited<ReturnType<typeof schoolYears>>;
type Term = ChildTerms['terms'][number];

/** The term that is asked for; else the one that runs, else the last that is over. */
function termAsked({ terms }: ChildTerms, termId: string | undefined): Term {
  const leaves = terms.filter(({ part }) => !terms.some(({ parent }) => parent === part));
  const over = leaves
    .filter(({ state }) => state === 'closed')
    .sort((a, b) => byCodePoint(b.endsOn, a.endsOn));
  const term = termId
    ? leaves.find(({ id }) => id === termId)
    : (leaves.find(({ state }) => state === 'running') ?? over[0]);
  if (!term) throw new HttpProblem('not-found');
  return term;
}

/** The grade of the term as every page has it, and how sure it is. */
function gradeOf({ grades }: TermCourse, { part }: Term): Pick<ReportCourse, 'grade' | 'state'> {
  const found = grades.find((each) => each.part === part);
  return { grade: found?.grade ?? null, state: found?.state ?? null };
}

/** The term's courses, each with the teacher's word on it: of the report card, else the last while the term runs. */
function coursesOfTerm(
  { answer: years, records: all }: Years,
  term: Term,
  comments: Awaited<ReturnType<typeof commentsOf>>,
): ReportCourse[] {
  const ofTerm = all.filter(({ term: own }) => own.id === term.id);
  const records = new Map(ofTerm.map(({ record }) => [record.id, record]));
  return years.courses
    .filter(({ courseId }) => term.courseIds.includes(courseId))
    .map((course): ReportCourse => {
      const record = records.get(course.courseId);
      const figures = record ? courseFigures(record) : null;
      const said = course.remarks.find(({ part }) => part === term.part)?.text;
      const word = comments.find((each) => each.course_id === course.courseId && each.subject === 'course');
      return {
        title: course.title,
        teacher: course.teacher,
        scale: record ? scaleOf(record.policy) : course.scale,
        figures,
        ...gradeOf(course, term),
        standards: (record?.standards ?? []).map(({ id, title }) => ({
          title: title ?? '',
          level: figures?.standards.find((standard) => standard.id === id)?.level ?? null,
        })),
        remark: said ?? (term.state === 'running' ? (word?.text ?? null) : null),
      };
    });
}

/**
 * What the printed page of a child's term says.
 * @param termId a term without parts of its own; absent: the one that runs.
 * @throws HttpProblem 404 for a term in which the child has no course.
 */
export async function reportOf(
  db: Db,
  ask: {
    readonly guardianId: string;
    readonly child: Child;
    readonly termId?: string | undefined;
    readonly now: Date;
  },
): Promise<Report> {
  const { guardianId, child, now } = ask;
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new HttpProblem('not-signed-in');
  const [years, rows, comments] = await Promise.all([
    schoolYears(db, guardianId, child, now),
    coursesOf(db, { studentIds: [child.id], guardianId, now }),
    commentsOf(db, [child.id], {}),
  ]);
  const term = termAsked(years.answer, ask.termId);
  const range = { from: term.startsOn, to: term.endsOn };
  const [attendance] = await attendanceOf(db, { guardianId }, [child], now, range);
  const [row] = rows;
  return {
    language: guardian.language,
    timeZone: child.timeZone,
    childName: `${child.givenName} ${child.familyName}`,
    schoolName: child.schoolName,
    year: child.year,
    term,
    asOf: now,
    source: { name: row?.source_name ?? child.schoolName, readAt: row?.read_at ?? null },
    courses: coursesOfTerm(years, term, comments),
    attendance: {
      days: attendance?.summary.schoolDays ?? 0,
      absent: attendance?.summary.daysAbsent ?? 0,
      lessons: attendance?.summary.periodsAbsent ?? 0,
      unexcused: attendance?.summary.unexcused ?? 0,
      late: attendance?.summary.tardies ?? 0,
    },
  };
}
