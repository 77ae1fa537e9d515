import type { CourseSummary, TermCourse, TermNode } from '@cadro/contract';
import { countedGrade } from '../grade';
import { cardLines, gradeLines, spanCells } from './files';

const grade = countedGrade({ decimals: 1 }, { posted: 80.4, display: 80.4, letter: 'B' });
const scale = { method: 'weighted', outOf: 100, decimals: 1, letters: [] } as const;
const course = (more: object = {}): TermCourse =>
  ({
    ...{ courseId: 'k', title: 'Kelp chemistry', credits: 1, creditsEarned: 0 },
    grades: [
      { part: 'year', depth: 0, title: null, grade },
      { part: 'exam', depth: 1, title: 'Exam', grade },
    ],
    remarks: [{ part: 'year', text: 'Neat at the bench.', author: 'A', writtenAt: '2026-11-10T16:00:00Z' }],
    ...more,
  }) as unknown as TermCourse;
const year = { part: 'year', title: 'School year', depth: 0 } as TermNode;

it('a file of spans holds what pages show, and our count only where it differs', () => {
  const figures = { ifLeft: 76.58333, ifMadeUp: null, looseEnds: [{}] };
  const summary = { figures, grade, scale } as unknown as CourseSummary;
  expect(spanCells(summary)).toMatchObject({ figure: 80.4, letter: 'B', count: null, ifLeft: 76.6, open: 1 });
  expect(spanCells({ ...summary, figures: null })).toMatchObject({
    ifLeft: null,
    ifMadeUp: null,
    open: null,
  });
  const count = { figure: 76.58, display: 76.6, decimals: 1, letter: 'C' };
  expect(spanCells({ ...summary, grade: { ...grade, count } }).count).toBe(76.6);
});

it('a file of terms has a line for each grade; an exam bears its own title', () => {
  const lines = gradeLines({ courses: [course()], terms: [year] } as never);
  expect(lines.map(({ title }) => title)).toEqual(['School year', 'Exam']);
});

it('report cards have a line for each cell of the grid, with its comment and the year’s credits', () => {
  const [line, ...none] = cardLines([course(), course({ grades: [] })], [year]);
  expect(none).toEqual([]);
  expect(line).toMatchObject({ title: 'School year', comment: 'Neat at the bench.', credits: 1 });
});
