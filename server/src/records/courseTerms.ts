import { dateIn, termOn } from '@cadro/core';
import { endOfDay } from '../kit';

/** A term without parts of its own, as a course is divided into. */
export interface CourseTerm {
  readonly id: string;
  readonly externalId: string;
  readonly title: string;
  readonly startsOn: string;
  readonly endsOn: string;
}

/** The last instant of a term. */
export const termEnd = ({ endsOn }: Pick<CourseTerm, 'endsOn'>, timeZone: string): Date =>
  endOfDay(endsOn, timeZone);

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
