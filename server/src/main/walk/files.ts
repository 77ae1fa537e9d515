import { cardLines, gradeLines, roundHalfAway, spanCells, yearColumns, type GradeLine } from '@cadro/core';
import type { Seen } from './evening';
import type { Said } from './said';

/* What the files (CSV) of grades hold, and what the pages say of the same. */

const cells = (...all: readonly (string | number | null)[]): string =>
  all.map((each) => each ?? '–').join(' ');
const graded = ({ grade }: Pick<GradeLine, 'grade'>): string => cells(grade.display, grade.letter);

export function inFiles({ courses, details, terms }: Seen): Said[] {
  const spans = courses.flatMap((course): Said[] => {
    const { figure, letter, count, open, ifLeft, ifMadeUp } = spanCells(course);
    const about = `file's line of ${course.studentId}:${course.id}`;
    const page = details.find(({ id, studentId }) => id === course.id && studentId === course.studentId);
    if (!page) return [];
    const { grade, figures, scale } = page;
    const shown = (value: number | null | undefined): string =>
      value === null || value === undefined
        ? '–'
        : roundHalfAway(value, scale.decimals).toFixed(scale.decimals);
    const written = (value: number | null): string => value?.toFixed(scale.decimals) ?? '–';
    return [
      {
        ...{ place: 'file of spans', about },
        text: cells(figure, letter, count, open, written(ifLeft), written(ifMadeUp)),
      },
      {
        ...{ place: 'course', about },
        text: cells(
          ...[grade.display, grade.letter, grade.count?.display ?? null, figures?.looseEnds.length ?? null],
          ...[shown(figures?.ifLeft), shown(figures?.ifMadeUp)],
        ),
      },
    ];
  });
  const ofTerms = terms.flatMap((years): Said[] => {
    const about = ({ course, found }: GradeLine) =>
      `file's grade of ${years.studentId}:${course.courseId} in ${found.part}`;
    const top = years.terms.find(({ depth }) => depth === 0);
    const own = years.courses.filter(({ courseId }) => top?.courseIds.includes(courseId));
    const cards = top ? cardLines(own, yearColumns(years.terms, top)) : [];
    const page = (line: GradeLine): Said[] => {
      const detail = details.find(
        ({ id, studentId, term }) =>
          id === line.course.courseId && studentId === years.studentId && term.id === line.term?.id,
      );
      return detail && detail.scale.method !== 'standards'
        ? [{ place: 'course', about: about(line), text: graded(detail) }]
        : [];
    };
    return [
      ...gradeLines(years).flatMap((line) => [
        { place: 'file of terms', about: about(line), text: graded(line) },
        ...page(line),
      ]),
      ...cards.map((line) => ({ place: 'file of report cards', about: about(line), text: graded(line) })),
    ];
  });
  return [...spans, ...ofTerms];
}
