/**
 * What every connector turns its source's records into. Ids are the source's own; the writer resolves them.
 * Column names are the tables', so that a page goes in with one statement.
 */
export const neutralCollections = [
  'schools',
  'terms',
  'students',
  'childFiles',
  'childDemographics',
  'schoolPeople',
  'schoolReaches',
  'teachers',
  'courses',
  'enrolments',
  'courseTeachers',
  'categories',
  'items',
  'results',
  'schoolDetails',
  'contactDetails',
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
  'restrictions',
  'balances',
  'rides',
  'bulletins',
  'foundThings',
  'slots',
] as const;
export type NeutralCollection = (typeof neutralCollections)[number];

export interface NeutralRecord {
  readonly id: string;
  /** The source has taken it back. */
  readonly gone: boolean;
  readonly [column: string]: unknown;
}

/** Whose a record is that a household writes beside what another source tells of the same child. */
export interface Beside {
  readonly householdId: string;
  readonly studentId: string;
  /** The source whose records it may name: its child, terms, courses and works. */
  readonly sourceId: string;
}

export interface ResultNeutral extends NeutralRecord {
  readonly item_id: string;
  readonly student_id: string;
  readonly at: string;
  readonly status: string;
  readonly earned: number | null;
  readonly late: boolean;
  readonly levels: Readonly<Record<string, number>>;
  /** Told as all there is: it stands, whenever it is dated. */
  readonly whole?: boolean;
  /** A remark on the score, where the source has its remarks there. */
  readonly comment?: string | null;
}
