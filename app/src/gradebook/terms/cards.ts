import type { TFunction } from 'i18next';
import type { ChildTerms, TermCourse, TermGrade, TermNode } from '@cadro/contract';
import { cardLines, type GradeLine } from '@cadro/core';

/** Terms without parts of their own. */
export const leavesOf = (terms: readonly TermNode[]): TermNode[] =>
  terms.filter(({ part }) => !terms.some(({ parent }) => parent === part));

/** For a narrow screen: what has begun, first the terms themselves, then what is made of them. */
export function narrowed(terms: readonly TermNode[]): TermNode[][] {
  const begun = terms.filter(({ state }) => state !== 'ahead');
  const leaves = leavesOf(begun);
  return [leaves, begun.filter((term) => !leaves.includes(term))].filter(({ length }) => length > 0);
}

type Cell = string | number | null;

/** The first columns of every file of grades by term, as `gradeCells` fills them. */
export const gradeColumns = (t: TFunction): string[] => [
  t('terms.csv.course'),
  t('terms.csv.term'),
  t('terms.csv.state'),
  t('course.csv.figure'),
  t('terms.csv.letter'),
  t('terms.csv.by'),
];

/** @param state how sure it is, in words. */
export const gradeCells = (t: TFunction, { course, title, grade }: GradeLine, state: string): Cell[] => [
  ...[course.title, title, state, grade.display, grade.letter],
  t(`terms.by.${grade.by}`),
];

/** The grid as rows for a spreadsheet: a row for each course and term, then the attendance of each term. */
export function cardRows(
  t: TFunction,
  { attendance }: ChildTerms,
  { terms, courses }: { readonly terms: readonly TermNode[]; readonly courses: readonly TermCourse[] },
  words: (grade: TermGrade, term: TermNode | undefined) => string,
): Cell[][] {
  const grades = cardLines(courses, terms).map((line): Cell[] => [
    ...gradeCells(t, line, words(line.found, line.term)),
    ...[line.credits, null, null, line.comment],
  ]);
  const attended = terms.flatMap((term): Cell[][] => {
    const found = attendance.find(({ part }) => part === term.part);
    if (!found) return [];
    const { daysMissed, late } = found;
    return [[t('cards.attendance'), term.title, null, null, null, null, null, daysMissed, late, null]];
  });
  return [...grades, ...attended];
}
