import { dateIn, termOn } from '@cadro/core';
import { instantAt as instantInZone } from '@cadro/core/ical';
import type { Db } from '../db';

/** A term without parts of its own, as a course is divided into. */
export interface CourseTerm {
  readonly id: string;
  readonly externalId: string;
  readonly title: string;
  readonly startsOn: string;
  readonly endsOn: string;
}

interface Row {
  readonly course_id: string;
  readonly term_id: string;
  readonly external_id: string;
  readonly title: string;
  readonly starts_on: string;
  readonly ends_on: string;
}

/** The terms of each course, by date: one query. */
export async function termsOfCourses(
  db: Db,
  courseIds: readonly string[],
): Promise<Map<string, CourseTerm[]>> {
  const rows = await db('course_terms')
    .whereIn('course_id', [...courseIds])
    .orderBy('starts_on')
    .select<Row[]>('course_id', 'term_id', 'external_id', 'title', 'starts_on', 'ends_on');
  const terms = new Map<string, CourseTerm[]>();
  for (const { course_id, term_id, external_id, title, starts_on, ends_on } of rows) {
    const term = { id: term_id, externalId: external_id, title, startsOn: starts_on, endsOn: ends_on };
    terms.set(course_id, [...(terms.get(course_id) ?? []), term]);
  }
  return terms;
}

/** The instant of a time of day, `HH:MM`, where the school is; across a change of clocks by the zone's own rule. */
export const instantAt = (date: string, time: string, timeZone: string): Date =>
  new Date(instantInZone(timeZone, { on: date, time }));

export const startOfDay = (date: string, timeZone: string): Date => instantAt(date, '00:00', timeZone);

/** The last instant of a day where the school is, to the minute. */
export const endOfDay = (date: string, timeZone: string): Date => instantAt(date, '23:59', timeZone);

export const termEnd = ({ endsOn }: CourseTerm, timeZone: string): Date => endOfDay(endsOn, timeZone);

/** Whether a work belongs to a term: by what its source says, else by the date it was given out. */
export const isOfTerm = (
  item: { readonly term_external_id: string | null; readonly assigned_at: Date },
  term: CourseTerm,
  terms: readonly CourseTerm[],
  timeZone: string,
): boolean =>
  item.term_external_id && terms.some(({ externalId }) => externalId === item.term_external_id)
    ? item.term_external_id === term.externalId
    : termOn(terms, dateIn(timeZone, item.assigned_at)) === term;
