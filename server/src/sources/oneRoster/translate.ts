import {
  CategoryMore,
  ClassMore,
  ItemMore,
  type ClassRow,
  type DemographicsRow,
  type EnrollmentRow,
  type LineItemRow,
  type oneRosterCollections,
  type OneRosterName,
  type OrgRow,
  type AcademicSessionRow,
  type CategoryRow,
  type ResultRow,
  type ResultStatus,
  type UserRow,
} from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import { daysAfter, isTimeZone, monthsAfter } from '@cadro/core';
import type { Static, TSchema } from '@sinclair/typebox';
import type { Neutrals, Told, Translation } from '../translation';
import { dateOfMoment, instantOf } from './moments';

interface Base {
  readonly sourcedId: string;
  readonly status?: string;
}
const gone = ({ status }: Base): boolean => status === 'tobedeleted' || status === 'inactive';
const key = (row: Base) => ({ id: row.sourcedId, gone: gone(row) });

const isTrue = (flag: boolean | string | undefined): boolean =>
  flag === true || (typeof flag === 'string' && /^(true|1|y|yes)$/i.test(flag.trim()));

/** An amount as a number; null where the row does not say it. */
const amount = (value: number | string | undefined): number | null =>
  value === undefined ? null : Number(value);

/** The standard's words for a result → the record's six statuses. */
export function statusOf(
  row: Pick<ResultRow, 'scoreStatus' | 'missing' | 'incomplete' | 'score'>,
): ResultStatus {
  switch (row.scoreStatus) {
    case 'exempt':
      return 'excused';
    case 'not submitted':
      return isTrue(row.missing) ? 'missing' : 'open';
    case 'submitted':
      return 'handed-in';
    case 'partially graded':
      return isTrue(row.incomplete) ? 'incomplete' : 'scored';
    case 'fully graded':
      return 'scored';
    default:
      if (row.score !== undefined) return 'scored';
      return isTrue(row.missing) ? 'missing' : 'open';
  }
}

const noLevels: Record<string, number> = {};
const levelsOf = ({ learningObjectiveSet: sets }: ResultRow): Record<string, number> =>
  sets === undefined || sets.length === 0
    ? noLevels
    : Object.fromEntries(
        sets
          .flatMap(({ learningObjectiveResults }) => learningObjectiveResults)
          .flatMap(({ learningObjectiveId, score }) =>
            score === undefined ? [] : [[learningObjectiveId, Number(score)] as const],
          ),
      );

const reachOf = ({ email, phone, sms, metadata }: UserRow) => ({
  ...{ email: email ?? null, phone: phone ?? null, sms: sms ?? null },
  address: metadata?.address ?? null,
});

/** As what the standard lets somebody be named for a child. */
const relations = new Set(['guardian', 'parent', 'relative']);

/** What somebody is, and at which school; 1.2 lists roles, 1.1 has one. */
function roleOf({ roles, role, orgs }: UserRow): { role: string; school: string | null } | null {
  const ranked = [...(roles ?? [])].sort(
    (a, b) => Number(b.roleType === 'primary') - Number(a.roleType === 'primary'),
  );
  const first = ranked.find(({ role: each }) => each === 'student') ?? ranked[0];
  if (first) return { role: first.role, school: first.org?.sourcedId ?? null };
  return role === undefined ? null : { role, school: orgs?.[0]?.sourcedId ?? null };
}

const org: Translation<OrgRow> = (row, { zone }) => {
  if (row.type !== 'school') return {};
  const told = row.metadata?.timeZone;
  const fits = told === undefined || isTimeZone(told);
  return {
    schools: { ...key(row), name: row.name, time_zone: told !== undefined && fits ? told : zone },
    ...(fits ? {} : { doubts: [{ fault: 'unknown-zone', detail: told }] }),
  };
};

const session: Translation<AcademicSessionRow> = (row, { zone }) => {
  const starts = dateOfMoment(row.startDate, zone);
  // Until its end is told it runs for a year; the next term takes over when it begins.
  const ends = row.endDate ? dateOfMoment(row.endDate, zone) : daysAfter(monthsAfter(starts, 12), -1);
  return {
    terms: {
      ...key(row),
      title: row.title,
      starts_on: starts,
      ends_on: ends < starts ? starts : ends,
      kind: row.type,
      // A session that names itself is at the top.
      parent_external_id: row.parent && row.parent.sourcedId !== row.sourcedId ? row.parent.sourcedId : null,
    },
  };
};

const demographics: Translation<DemographicsRow> = (row) => ({
  childDemographics: { ...key(row), birth_date: row.birthDate ?? null, sex: row.sex ?? null },
});

const user: Translation<UserRow> = (row) => {
  const { role, school } = roleOf(row) ?? { role: '', school: null };
  if (role === 'student') {
    return {
      students: {
        ...key(row),
        given_name: row.preferredFirstName ?? row.givenName,
        family_name: row.familyName,
        year: row.grades?.[0] ?? '',
        school_id: school,
      },
      childFiles: {
        ...{ ...key(row), student_id: row.sourcedId, ...reachOf(row) },
        agents: row.agents ? row.agents.map(({ sourcedId }) => sourcedId) : null,
      },
    };
  }
  if (role === 'teacher') {
    const name = `${row.givenName} ${row.familyName}`;
    return { teachers: { ...key(row), name, email: row.email ?? null } };
  }
  if (!relations.has(role)) return {};
  const name = `${row.preferredFirstName ?? row.givenName} ${row.familyName}`;
  return {
    schoolPeople: { ...key(row), name, relation: role },
    schoolReaches: { ...key(row), ...reachOf(row) },
  };
};

/** What Cadro itself has added to a row, where it fits; a file has it as text. */
function moreOf<S extends TSchema>(
  schema: S,
  row: { readonly metadata?: { readonly cadro?: unknown } },
): Static<S> | null {
  const told = row.metadata?.cadro;
  if (told === undefined) return null;
  try {
    const said: unknown = typeof told === 'string' ? JSON.parse(told) : told;
    return misfits(schema, said).length === 0 ? (said as Static<S>) : null; // it fits
  } catch {
    return null; // no JSON: another's member of the same name
  }
}

const schoolClass: Translation<ClassRow> = (row) => ({
  ...gradedBy(row),
  courses: {
    ...key(row),
    title: row.title,
    room: row.location ?? null,
    period: row.periods?.[0] ?? null,
    school_id: row.school.sourcedId,
    term_id: row.terms[0]?.sourcedId,
    term_ids: row.terms.map(({ sourcedId }) => sourcedId),
    removed: gone(row),
  },
});

/** How a class is graded, where its row says it. */
function gradedBy(row: ClassRow): Neutrals {
  const more = moreOf(ClassMore, row);
  if (!more) return {};
  return {
    courseDetails: {
      ...{ ...key(row), policy: more.policy, policy_told: true, standards: more.standards ?? [] },
      ...{ credits: 0, credit_area: null, bump: 0, composition: [] },
    },
  };
}

const enrollment: Translation<EnrollmentRow> = (row, { zone }) => {
  const common = { ...key(row), course_id: row.class.sourcedId };
  if (row.role === 'student') {
    const ends_on = row.endDate === undefined ? null : dateOfMoment(row.endDate, zone);
    return {
      enrolments: { ...common, student_id: row.user.sourcedId, told_active: !gone(row), ends_on },
    };
  }
  return row.role === 'teacher' && !gone(row)
    ? { courseTeachers: { ...common, id: row.class.sourcedId, teacher_id: row.user.sourcedId } }
    : {};
};

const category: Translation<CategoryRow> = (row) => {
  const more = moreOf(CategoryMore, row);
  return {
    categories: { ...key(row), title: row.title, weight: amount(row.weight) ?? 0 },
    ...(more
      ? {
          courseCategories: {
            ...{ ...key(row), counts: true, drop_lowest: more.dropLowest, course_id: more.class },
          },
        }
      : {}),
  };
};

/** The category of what has none; it is made of the class, so that its weight is nobody else's. */
const noCategoryOf = (classId: string): string => `~none:${classId}`;

/** How an assignment counts, where its row says it. */
function countedBy(row: LineItemRow): Neutrals {
  const more = moreOf(ItemMore, row);
  if (!more) return {};
  const { counts, extraCredit, inClass, multiplier, acceptedUntil } = more;
  return {
    itemDetails: {
      ...{
        ...key(row),
        kind: null,
        in_class: inClass ?? null,
        instructions: null,
        place: null,
        supplies: [],
      },
      ...{ redo: null, accepted_until: acceptedUntil ?? null, counts: counts ?? true },
      ...{ extra_credit: extraCredit ?? false, multiplier: multiplier ?? 1, undated: false, unit: null },
      ...{ files: [], rubric: [] },
    },
  };
}

const lineItem: Translation<LineItemRow> = (row, { zone, now }) => {
  const classId = row.class.sourcedId;
  const due = row.dueDate === undefined ? null : instantOf(row.dueDate, zone, 'end');
  const assigned = row.assignDate === undefined ? null : instantOf(row.assignDate, zone, 'start');
  const changed = row.dateLastModified === undefined ? now : instantOf(row.dateLastModified, zone, 'start');
  return {
    ...(row.category ? {} : { categories: { id: noCategoryOf(classId), gone: false, title: '', weight: 0 } }),
    items: {
      ...key(row),
      title: row.title,
      description: row.description ?? null,
      course_id: classId,
      category_id: row.category?.sourcedId ?? noCategoryOf(classId),
      possible: amount(row.resultValueMax) ?? 0,
      // Where nobody says when it was given out, it is known at the latest since then.
      assigned_at: assigned ?? (due !== null && due < changed ? due : changed),
      assigned_told: assigned !== null,
      due_at: due,
      term_external_id: row.gradingPeriod?.sourcedId ?? null,
      removed: gone(row),
    },
    ...countedBy(row),
  };
};

const earlier = (a: string, b: string): string => (a < b ? a : b);

const result: Translation<ResultRow> = (row, { zone, now }) => {
  const when = row.dateLastModified ?? row.scoreDate;
  const comment = row.comment?.trim() ?? '';
  const isGone = gone(row);
  return {
    results: {
      id: row.sourcedId,
      gone: isGone,
      item_id: row.lineItem.sourcedId,
      student_id: row.student.sourcedId,
      // One that lies ahead would hide all that come before it.
      at: earlier(when === undefined ? now : instantOf(when, zone, 'start'), now),
      status: isGone ? 'open' : statusOf(row),
      earned: isGone ? null : amount(row.score),
      late: isTrue(row.late),
      levels: levelsOf(row),
      comment: isGone || comment === '' ? null : comment,
    },
  };
};

type RowOf<N extends OneRosterName> = Static<(typeof oneRosterCollections)[N]['row']>;
const translations: { readonly [N in OneRosterName]: Translation<RowOf<N>> } = {
  orgs: org,
  academicSessions: session,
  courses: () => ({}), // the catalogue entry behind a class; the class itself has all that is shown
  users: user,
  demographics,
  classes: schoolClass,
  enrollments: enrollment,
  categories: category,
  lineItems: lineItem,
  results: result,
};

/** What a row of the standard, which its schema has let through, is as neutral records. */
export const translateRow = (name: OneRosterName, row: unknown, told: Told) =>
  (translations[name] as Translation<never>)(row as never, told); // the schema of the same name has checked it
