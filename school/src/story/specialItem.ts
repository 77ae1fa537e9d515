/*
 * What the weekly round does not give: the difficulties of the story. Days are the schools' own, times local.
 */
export interface SpecialItem {
  readonly school: string;
  readonly course: string;
  readonly key: string;
  readonly categoryId: string;
  readonly title: string;
  readonly kind: string;
  readonly possible: number;
  readonly multiplier?: number;
  readonly assignedAt: string;
  readonly dueAt: string;
  readonly undated?: true;
  readonly extraCredit?: true;
  readonly counts?: false;
  readonly acceptedUntil?: string;
  readonly redo?: 'yes' | 'no' | 'ask';
  readonly instructions?: string;
  readonly where?: string;
  readonly supplies?: readonly string[];
  readonly unit?: string;
  /** Sheets the school's own pages hold, by file name. */
  readonly files?: readonly { title: string; href: string }[];
  readonly rubric?: readonly {
    id: string;
    title: string;
    levels: readonly { level: number; text: string }[];
  }[];
  readonly rubricMarks?: readonly {
    student: string;
    at: string;
    marks: readonly { criterionId: string; level: number }[];
  }[];
  /** Put up by mistake and taken back. */
  readonly removedAt?: string;
  readonly results: Readonly<Record<string, readonly SpecialResult[]>>;
  /** What the classroom itself knows, where it is ahead of the gradebook or says otherwise. */
  readonly handIns?: readonly {
    student: string;
    at: string;
    state: 'handed-in' | 'marked';
    earned?: number;
  }[];
}
export interface SpecialResult {
  readonly at: string;
  readonly status: 'exempt' | 'fully graded' | 'not submitted' | 'partially graded' | 'submitted';
  readonly score?: number;
  readonly text?: string;
  readonly missing?: true;
  readonly incomplete?: true;
  readonly late?: true;
}

/** What the feed tells of a work. */
export const itemDetails = [
  'kind',
  'instructions',
  'where',
  'supplies',
  'redo',
  'acceptedUntil',
  'counts',
  'extraCredit',
  'multiplier',
  'undated',
  'unit',
  'files',
  'rubric',
] as const satisfies readonly (keyof SpecialItem)[];
