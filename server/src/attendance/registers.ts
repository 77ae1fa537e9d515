import { daysAfter, type CodeMeaningFrom, type GivenMark, type Known } from '@cadro/core';
import { groupBy, together, type Db } from '../kit';
import { schoolTerms } from '../records';
import { yearOf } from './overview';
import { longestYearDays, withPresence } from './presence';
import { everyone, marksOf, meaningsOf, type MarkRow } from './store';

/** What one household reads of one child's attendance, each mark with when it was known. */
export interface RegisterHistory {
  readonly marks: readonly Known<GivenMark & { readonly courseTitle: string | null }>[];
  readonly meanings: readonly CodeMeaningFrom[];
}

/** A day's marks are known when the day is over, unless they say otherwise. */
const endOfDayMs = (on: string): number => Date.parse(`${on}T23:59:59Z`);

const seen = ({ knownAt, on, period, courseId, courseTitle, code, means, markedAt, by }: MarkRow) => ({
  knownAtMs: knownAt?.getTime() ?? (markedAt ? Date.parse(markedAt) : endOfDayMs(on)),
  value: { on, period, courseId, courseTitle, code, means, markedAt, by },
});

/**
 * The registers of several children in the school year that runs, as each of their households reads them: six queries,
 * however many children.
 * @param today a date; where a source names no year, more than a year before it is left out.
 */
export async function registersOf(
  db: Db,
  studentIds: readonly string[],
  today: string,
): Promise<(studentId: string, householdId: string) => RegisterHistory> {
  const since = daysAfter(today, -longestYearDays);
  const [terms, marks, meanings] = await together(db, [
    () => schoolTerms(db, studentIds),
    () => marksOf(db, studentIds, everyone, { from: since }),
    () => meaningsOf(db, studentIds, everyone),
  ]);
  const ofStudent = ({ studentId }: { readonly studentId: string }) => studentId;
  const [termsBy, marksBy, meaningsBy] = [
    groupBy(terms, ofStudent),
    groupBy(marks, ofStudent),
    groupBy(meanings, ofStudent),
  ];
  return (studentId, householdId) => {
    const began = yearOf(termsBy.get(studentId) ?? [], today)?.from ?? since;
    const own = (each: { readonly householdId: string | null }) =>
      each.householdId === null || each.householdId === householdId;
    return {
      marks: withPresence(
        (marksBy.get(studentId) ?? []).filter((row) => own(row) && row.on >= began),
        termsBy.get(studentId) ?? [],
        today,
      ).map(seen),
      meanings: (meaningsBy.get(studentId) ?? [])
        .filter(own)
        .map(({ code, from, kind, excused, label, said }) => ({ code, from, kind, excused, label, said })),
    };
  };
}
