import type { ChangeKind } from './changeLogStore';
import type { NeutralCollection } from './neutral';

export interface TableShape {
  readonly table: string;
  /** Own columns with their types, as they come in a neutral record. */
  readonly columns: Readonly<Record<string, string>>;
  /** Columns that hold another record's id of the same source; a `?` after the table allows none. */
  readonly refs?: Readonly<Record<string, string>>;
  /** Adds to rows that another collection made; never makes rows itself. */
  readonly updatesOnly?: true;
  /** What has no row to add to is nobody's concern, and does not wait for one. */
  readonly passesUnknown?: true;
  /** A record that the source took back is deleted; elsewhere a flag column says it. */
  readonly deletesGone?: true;
  /** What differs is news to the children it concerns. */
  readonly log?: ChangeKind;
  /** Where it is written beside another source's record, it is the household's own; a work is of the one child. */
  readonly owned?: 'household' | 'child';
  /** Whether it keeps when it was known: since it first came, or since it last differed. */
  readonly known?: 'first' | 'last';
}

/** Where each neutral collection is written. Results are not here: their history is append-only. */
/** How somebody is reached, as a school has it on file. */
const reach = { email: 'text', phone: 'text', sms: 'text', address: 'text' } as const;

export const tableShapes: Readonly<Record<Exclude<NeutralCollection, 'results'>, TableShape>> = {
  schools: { table: 'schools', columns: { name: 'text', time_zone: 'text' } },
  terms: {
    table: 'terms',
    columns: { title: 'text', starts_on: 'date', ends_on: 'date', kind: 'text', parent_external_id: 'text' },
  },
  schoolDetails: {
    table: 'schools',
    columns: { grade_points: 'jsonb' },
    refs: { attendance_desk_id: 'teachers?' },
    updatesOnly: true,
  },
  students: {
    table: 'students',
    columns: { given_name: 'text', family_name: 'text', year: 'text', gone: 'boolean' },
    refs: { school_id: 'schools' },
  },
  childFiles: {
    table: 'child_files',
    columns: { ...reach, agents: 'jsonb' },
    refs: { student_id: 'students' },
    deletesGone: true,
  },
  // Of teachers and others nothing of the kind is kept.
  childDemographics: {
    table: 'child_files',
    columns: { birth_date: 'date', sex: 'text' },
    updatesOnly: true,
    passesUnknown: true,
  },
  schoolPeople: {
    table: 'school_people',
    columns: { name: 'text', relation: 'text' },
    deletesGone: true,
  },
  schoolReaches: {
    table: 'school_reaches',
    columns: reach,
    deletesGone: true,
  },
  teachers: { table: 'teachers', columns: { name: 'text', email: 'text' } },
  contactDetails: {
    table: 'teachers',
    columns: {
      ...{ kind: 'text', phone: 'text', room: 'text', hours: 'text', answers_for: 'text' },
      ...{ language: 'text', habits: 'text', for_students: 'jsonb', gone: 'boolean' },
    },
    refs: { school_id: 'schools?' },
    updatesOnly: true,
  },
  courses: {
    table: 'courses',
    owned: 'household',
    columns: { title: 'text', room: 'text', period: 'text', term_ids: 'jsonb', removed: 'boolean' },
    refs: { school_id: 'schools', term_id: 'terms' },
  },
  enrolments: {
    table: 'enrolments',
    columns: { told_active: 'boolean', ends_on: 'date' },
    refs: { student_id: 'students', course_id: 'courses' },
  },
  courseTeachers: { table: 'courses', columns: {}, refs: { teacher_id: 'teachers' }, updatesOnly: true },
  categories: { table: 'categories', columns: { title: 'text', weight: 'float8', gone: 'boolean' } },
  items: {
    table: 'items',
    log: 'work',
    known: 'first',
    owned: 'child',
    columns: {
      title: 'text',
      description: 'text',
      possible: 'float8',
      assigned_at: 'timestamptz',
      assigned_told: 'boolean',
      due_at: 'timestamptz',
      term_external_id: 'text',
      removed: 'boolean',
    },
    refs: { course_id: 'courses', category_id: 'categories' },
  },
  courseDetails: {
    table: 'courses',
    log: 'course',
    columns: {
      policy: 'jsonb',
      policy_told: 'boolean',
      standards: 'jsonb',
      credits: 'float8',
      credit_area: 'text',
      bump: 'float8',
      composition: 'jsonb',
    },
    updatesOnly: true,
  },
  courseCategories: {
    table: 'categories',
    columns: { counts: 'boolean', drop_lowest: 'integer' },
    refs: { course_id: 'courses' },
    updatesOnly: true,
  },
  itemDetails: {
    table: 'items',
    log: 'work',
    columns: {
      kind: 'text',
      in_class: 'boolean',
      instructions: 'text',
      place: 'text',
      supplies: 'jsonb',
      redo: 'text',
      accepted_until: 'timestamptz',
      counts: 'boolean',
      extra_credit: 'boolean',
      multiplier: 'float8',
      undated: 'boolean',
      unit: 'text',
      files: 'jsonb',
      rubric: 'jsonb',
    },
    updatesOnly: true,
  },
  grades: {
    table: 'grades',
    log: 'grade',
    known: 'last',
    columns: {
      part: 'text',
      state: 'text',
      fraction: 'float8',
      figure: 'float8',
      letter: 'text',
      credits_earned: 'float8',
      reported_at: 'timestamptz',
    },
    refs: { student_id: 'students', course_id: 'courses' },
    deletesGone: true,
  },
  rubricMarks: {
    table: 'rubric_marks',
    columns: { marks: 'jsonb', written_at: 'timestamptz' },
    refs: { student_id: 'students', item_id: 'items' },
    deletesGone: true,
  },
  handIns: {
    table: 'hand_ins',
    columns: { status: 'text', earned: 'float8', at: 'timestamptz', tries: 'jsonb' },
    refs: { student_id: 'students', item_id: 'items' },
    deletesGone: true,
  },
  creditPlans: {
    table: 'credit_plans',
    columns: { areas: 'jsonb' },
    refs: { student_id: 'students' },
    deletesGone: true,
  },
  comments: {
    table: 'comments',
    log: 'comment',
    known: 'last',
    owned: 'household',
    columns: {
      subject: 'text',
      text: 'text',
      term_external_id: 'text',
      written_at: 'timestamptz',
      about: 'jsonb',
      recording: 'jsonb',
      elsewhere: 'text',
    },
    refs: { student_id: 'students', course_id: 'courses', item_id: 'items?', author_id: 'teachers?' },
    deletesGone: true,
  },
  marks: {
    table: 'attendance_marks',
    log: 'mark',
    known: 'last',
    columns: {
      on_date: 'date',
      period: 'text',
      code: 'text',
      note: 'text',
      marked_by: 'text',
      marked_at: 'timestamptz',
    },
    refs: { student_id: 'students', course_id: 'courses?' },
    deletesGone: true,
  },
  attendanceCodes: {
    table: 'attendance_codes',
    columns: { code: 'text', kind: 'text', excused: 'boolean', label: 'text', valid_from: 'date' },
    deletesGone: true,
  },
  lessons: {
    table: 'lessons',
    columns: { rotation_day: 'text', period: 'text', starts_at: 'text', ends_at: 'text', room: 'text' },
    refs: { course_id: 'courses' },
    deletesGone: true,
  },
  schoolDays: {
    table: 'school_days',
    columns: { on_date: 'date', open: 'boolean', rotation_day: 'text', title: 'text' },
    refs: { school_id: 'schools' },
    deletesGone: true,
  },
  schoolEvents: {
    table: 'school_events',
    columns: {
      kind: 'text',
      title: 'text',
      on_date: 'date',
      last_on: 'date',
      starts_at: 'text',
      ends_at: 'text',
      place: 'text',
      href: 'text',
    },
    refs: { school_id: 'schools', course_id: 'courses?' },
    deletesGone: true,
  },
  lessonNotes: {
    table: 'lesson_notes',
    columns: { on_date: 'date', done: 'text', homework: 'text', files: 'jsonb' },
    refs: { course_id: 'courses' },
    deletesGone: true,
  },
  announcements: {
    table: 'announcements',
    known: 'first',
    columns: {
      ...{ title: 'text', text: 'text', posted_at: 'timestamptz', gone: 'boolean' },
      ...{ wish: 'jsonb', answer_by: 'timestamptz', helpers: 'boolean', href: 'text' },
    },
    refs: { school_id: 'schools?', course_id: 'courses?', student_id: 'students?' },
  },
  restrictions: {
    table: 'told_restrictions',
    columns: { what: 'text', agent: 'text' },
    refs: { student_id: 'students', course_id: 'courses?' },
    deletesGone: true,
  },
  balances: {
    table: 'balances',
    columns: {
      ...{ kind: 'text', title: 'text', amount: 'float8', currency: 'text', due_on: 'date' },
      as_of: 'timestamptz',
    },
    refs: { student_id: 'students' },
    deletesGone: true,
  },
  rides: {
    table: 'rides',
    columns: {
      ...{ title: 'text', stop: 'text', weekdays: 'jsonb', to_school_at: 'text', home_at: 'text' },
      ...{ note: 'text', starts_on: 'date', ends_on: 'date' },
    },
    refs: { student_id: 'students' },
    deletesGone: true,
  },
  bulletins: {
    table: 'bulletins',
    columns: { on_date: 'date', text: 'text' },
    refs: { school_id: 'schools' },
    deletesGone: true,
  },
  foundThings: {
    table: 'found_things',
    columns: { title: 'text', place: 'text', found_on: 'date', kept_until: 'date' },
    refs: { school_id: 'schools' },
    deletesGone: true,
  },
  slots: {
    table: 'slots',
    columns: {
      ...{ starts_at: 'timestamptz', ends_at: 'timestamptz', for_students: 'jsonb', way: 'text' },
      ...{ place: 'text', href: 'text', taken: 'boolean', booked_for: 'text', gone: 'boolean' },
    },
    refs: { teacher_id: 'teachers' },
  },
  linkCodes: {
    table: 'link_codes',
    columns: { code_hash: 'text', expires_at: 'timestamptz' },
    refs: { student_id: 'students' },
    deletesGone: true,
  },
};
