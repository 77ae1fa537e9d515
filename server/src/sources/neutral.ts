/**
 * What every connector turns its source's records into. Ids are the source's own; the writer resolves them.
 * Column names are the tables', so that a page goes in with one statement.
 */
export const neutralCollections = [
  'schools',
  'terms',
  'students',
  'teachers',
  'courses',
  'enrolments',
  'courseTeachers',
  'categories',
  'items',
  'results',
  'schoolDetails',
  'courseDetails',
  'courseCategories',
  'itemDetails',
  'grades',
  'rubricMarks',
  'handIns',
  'creditPlans',
  'comments',
  'attendanceCodes',
  'marks',
  'lessons',
  'schoolDays',
  'schoolEvents',
  'lessonNotes',
  'announcements',
  'linkCodes',
] as const;
export type NeutralCollection = (typeof neutralCollections)[number];

export interface NeutralRecord {
  readonly id: string;
  /** The source has taken it back. */
  readonly gone: boolean;
  readonly [column: string]: unknown;
}

export interface ResultNeutral extends NeutralRecord {
  readonly item_id: string;
  readonly student_id: string;
  readonly at: string;
  readonly status: string;
  readonly earned: number | null;
  readonly late: boolean;
  readonly levels: Readonly<Record<string, number>>;
}

/** A record that did not fit its schema, reported with the reason and left out. */
export interface BrokenRecord {
  readonly externalId: string;
  readonly reason: string;
  readonly raw: unknown;
}

export interface Page {
  readonly records: readonly { readonly collection: NeutralCollection; readonly record: NeutralRecord }[];
  readonly broken: readonly BrokenRecord[];
  /** Greatest change instant on this page, or null for an empty one. */
  readonly changedUpTo: string | null;
}

/** Reads one kind of source. `pages` yields what changed at or after `since`, oldest change first. */
export interface Connector {
  readonly collections: readonly string[];
  pages(collection: string, since: string | null): AsyncIterable<Page>;
}
