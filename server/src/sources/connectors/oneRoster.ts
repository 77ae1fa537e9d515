import {
  demographicsScope,
  oneRosterCollections,
  oneRosterPath,
  scopeOf,
  type ClassRow,
  type DemographicsRow,
  type EnrollmentRow,
  type LineItemRow,
  type OneRosterName,
  type ResultRow,
  type ResultStatus,
  type UserRow,
} from '@cadro/contract';
import { daysAfter, monthsAfter } from '@cadro/core';
import type { Static } from '@sinclair/typebox';
import type { Connector, Page } from '../connector';
import type { SchoolHttp } from '../schoolHttp';
import { listIn, pageSize, readPage, walk, type Translation } from './paging';

const gone = (row: { status: string }): boolean => row.status === 'tobedeleted';
const key = (row: { sourcedId: string; status: string }) => ({ id: row.sourcedId, gone: gone(row) });

/** The standard's words for a result → the record's six statuses. */
export function statusOf(row: Pick<ResultRow, 'scoreStatus' | 'missing' | 'incomplete'>): ResultStatus {
  switch (row.scoreStatus) {
    case 'exempt':
      return 'excused';
    case 'not submitted':
      return row.missing === 'true' ? 'missing' : 'open';
    case 'submitted':
      return 'handed-in';
    case 'partially graded':
      return row.incomplete === 'true' ? 'incomplete' : 'scored';
    case 'fully graded':
      return 'scored';
  }
}

const levelsOf = (row: ResultRow): Record<string, number> =>
  Object.fromEntries(
    (row.learningObjectiveSet ?? [])
      .flatMap(({ learningObjectiveResults }) => learningObjectiveResults)
      .flatMap(({ learningObjectiveId, score }) =>
        score === undefined ? [] : [[learningObjectiveId, score] as const],
      ),
  );

const reachOf = ({ email, phone, sms, metadata }: UserRow) => ({
  ...{ email: email ?? null, phone: phone ?? null, sms: sms ?? null },
  address: metadata?.address ?? null,
});

/** As what the standard lets somebody be named for a child. */
const relations = new Set(['guardian', 'parent', 'relative']);

const demographics: Translation<DemographicsRow> = (row) => ({
  childDemographics: { ...key(row), birth_date: row.birthDate ?? null, sex: row.sex ?? null },
});

const user: Translation<UserRow> = (row) => {
  const role = row.roles[0];
  if (role?.role === 'student') {
    return {
      students: {
        ...key(row),
        given_name: row.preferredFirstName ?? row.givenName,
        family_name: row.familyName,
        year: row.grades?.[0] ?? '',
        school_id: role.org.sourcedId,
      },
      childFiles: {
        ...{ ...key(row), student_id: row.sourcedId, ...reachOf(row) },
        agents: row.agents ? row.agents.map(({ sourcedId }) => sourcedId) : null,
      },
    };
  }
  if (role?.role === 'teacher') {
    const name = `${row.givenName} ${row.familyName}`;
    return { teachers: { ...key(row), name, email: row.email ?? null } };
  }
  if (!role || !relations.has(role.role)) return {};
  const name = `${row.preferredFirstName ?? row.givenName} ${row.familyName}`;
  return {
    schoolPeople: { ...key(row), name, relation: role.role },
    schoolReaches: { ...key(row), ...reachOf(row) },
  };
};

const schoolClass: Translation<ClassRow> = (row) => ({
  courses: {
    ...key(row),
    title: row.title,
    room: row.location ?? null,
    period: row.periods?.[0] ?? null,
    school_id: row.school.sourcedId,
    term_id: row.terms[0]?.sourcedId,
  },
});

const enrollment: Translation<EnrollmentRow> = (row) => {
  const common = { ...key(row), course_id: row.class.sourcedId };
  if (row.role === 'student') {
    return { enrolments: { ...common, student_id: row.user.sourcedId, active: !gone(row) } };
  }
  return row.role === 'teacher' && !gone(row)
    ? { courseTeachers: { ...common, id: row.class.sourcedId, teacher_id: row.user.sourcedId } }
    : {};
};

const lineItem: Translation<LineItemRow> = (row) => ({
  items: {
    ...key(row),
    title: row.title,
    description: row.description ?? null,
    course_id: row.class.sourcedId,
    category_id: row.category.sourcedId,
    possible: row.resultValueMax,
    assigned_at: row.assignDate,
    due_at: row.dueDate ?? null,
    term_external_id: row.gradingPeriod?.sourcedId ?? null,
    removed: gone(row),
  },
});

const result: Translation<ResultRow> = (row) => ({
  results: {
    ...key(row),
    item_id: row.lineItem.sourcedId,
    student_id: row.student.sourcedId,
    at: row.dateLastModified,
    status: gone(row) ? 'open' : statusOf(row),
    earned: gone(row) ? null : (row.score ?? null),
    late: row.late === 'true',
    levels: levelsOf(row),
  },
});

const translations: {
  readonly [N in OneRosterName]: Translation<Static<(typeof oneRosterCollections)[N]['row']>>;
} = {
  orgs: (row) =>
    row.type === 'school'
      ? { schools: { ...key(row), name: row.name, time_zone: row.metadata?.timeZone ?? 'UTC' } }
      : {},
  academicSessions: (row) => ({
    terms: {
      ...key(row),
      title: row.title,
      starts_on: row.startDate,
      // Until its end is told it runs for a year; the next term takes over when it begins.
      ends_on: row.endDate ?? daysAfter(monthsAfter(row.startDate, 12), -1),
      kind: row.type,
      // A session that names itself is at the top.
      parent_external_id: row.parent && row.parent.sourcedId !== row.sourcedId ? row.parent.sourcedId : null,
    },
  }),
  courses: () => ({}), // the catalogue entry behind a class; the class itself has all that is shown
  users: user,
  demographics,
  classes: schoolClass,
  enrollments: enrollment,
  categories: (row) => ({ categories: { ...key(row), title: row.title, weight: row.weight ?? 0 } }),
  lineItems: lineItem,
  results: result,
};

const members = { id: 'sourcedId', changed: 'dateLastModified' };
const isName = (name: string): name is OneRosterName => name in oneRosterCollections;

/** OneRoster 1.2 REST, rostering and gradebook, from the consumer's side. */
export class OneRosterConnector implements Connector {
  readonly collections: readonly string[];
  readonly optional: boolean;

  /** @param apart those collections that a school may refuse, or all the others. */
  constructor(
    private readonly http: SchoolHttp,
    { apart }: { readonly apart: boolean },
  ) {
    this.optional = apart;
    this.collections = Object.keys(oneRosterCollections).filter(
      (name) => isName(name) && (scopeOf(name) === demographicsScope) === apart,
    );
  }

  async *pages(name: string, since: string | null): AsyncGenerator<Page> {
    if (!isName(name)) throw new Error(`not a OneRoster collection: ${name}`);
    const pages = walk(
      async (from, offset) => {
        const { body, total } = await this.http.getJson(oneRosterPath(name), {
          sort: members.changed,
          orderBy: 'asc',
          ...(from ? { filter: `${members.changed}>'${from}'` } : {}),
          limit: String(pageSize),
          offset: String(offset),
        });
        return { rows: listIn(body, name), total };
      },
      members.changed,
      since,
    );
    const { row } = oneRosterCollections[name];
    for await (const rows of pages) yield readPage(rows, row, members, translations[name]);
  }
}
