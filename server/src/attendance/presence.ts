import { daysAfter, impliedPresence } from '@cadro/core';
import type { MarkRow } from './store';

/** The days of presence that follow from a family's marks alone, as marks of theirs. */
export function withPresence(
  marks: readonly MarkRow[],
  terms: readonly { readonly startsOn: string }[],
  today: string,
): MarkRow[] {
  const [first] = marks;
  const began = terms
    .map(({ startsOn }) => startsOn)
    .filter((on) => on <= today && on >= daysAfter(today, -longestYearDays));
  const from = began.sort()[0];
  if (!first || from === undefined) return [...marks];
  const { studentId, householdId } = first;
  const implied = impliedPresence(marks, { from, to: today }).map((mark) => ({
    ...{ ...mark, studentId, householdId, courseTitle: null, note: null, markedBy: null, knownAt: null },
  }));
  return [...marks, ...implied];
}

/** No school year is longer. */
export const longestYearDays = 400;
