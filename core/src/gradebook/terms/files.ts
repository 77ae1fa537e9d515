import type {
  ChildTerms,
  CourseGrade,
  CourseSummary,
  TermCourse,
  TermGrade,
  TermNode,
} from '@cadro/contract';
import { roundHalfAway } from '../display';

/* What files of grades hold, cell by cell; null is an empty cell. Whoever writes one adds the words and nothing else. */

/** A course beside the others: figures as every page shows them, since a file does not know better. */
export function spanCells({ figures, grade, scale }: CourseSummary) {
  const shown = (value: number | null | undefined): number | null =>
    value === null || value === undefined ? null : roundHalfAway(value, scale.decimals);
  return {
    ...{ figure: grade.display, outOf: scale.outOf, letter: grade.letter, by: grade.by },
    count: grade.count?.display ?? null,
    ...{ ifLeft: shown(figures?.ifLeft), ifMadeUp: shown(figures?.ifMadeUp) },
    open: figures?.looseEnds.length ?? null,
  };
}

/** A course's grade in one term, or in an exam that is none. */
export interface GradeLine {
  readonly course: TermCourse;
  readonly found: TermGrade;
  readonly term: TermNode | undefined;
  /** The term's own title, else the exam's. */
  readonly title: string;
  readonly grade: CourseGrade;
}

const lineOf = (course: TermCourse, found: TermGrade, term: TermNode | undefined): GradeLine => ({
  ...{ course, found, term, grade: found.grade },
  title: term?.title ?? found.title ?? found.part,
});

/** Every grade of every course, in the order in which the year is made. */
export const gradeLines = ({ courses, terms }: ChildTerms): GradeLine[] =>
  courses.flatMap((course) =>
    course.grades.map((found) =>
      lineOf(
        course,
        found,
        terms.find(({ part }) => part === found.part),
      ),
    ),
  );

/** A cell of the report cards for each course and term that has one, with the teacher's words and a year's credits. */
export const cardLines = (
  courses: readonly TermCourse[],
  terms: readonly TermNode[],
): (GradeLine & { readonly comment: string | null; readonly credits: number | null })[] =>
  courses.flatMap((course) =>
    terms.flatMap((term) => {
      const found = course.grades.find(({ part }) => part === term.part);
      if (!found) return [];
      return [
        {
          ...lineOf(course, found, term),
          comment: course.remarks.find(({ part }) => part === term.part)?.text ?? null,
          credits: term.depth === 0 ? course.creditsEarned || course.credits : null,
        },
      ];
    }),
  );
