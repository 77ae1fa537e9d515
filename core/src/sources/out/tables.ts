import type { OneRosterName } from '@cadro/contract';
import type { OutRow, OutTables } from './oneRoster';

/** A file of a bundle as its lines, its heading first. */
export interface OutFile {
  readonly name: string;
  readonly lines: readonly (readonly string[])[];
}

type Cell = (row: OutRow) => unknown;
const member =
  (...path: readonly string[]): Cell =>
  (row) =>
    path.reduce<unknown>(
      (value, name) =>
        typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[name] : undefined,
      row,
    );
const ids =
  (name: string): Cell =>
  (row) =>
    (Array.isArray(row[name]) ? row[name] : [])
      .map((each: { sourcedId?: string }) => each.sourcedId)
      .join(',');
const list =
  (name: string): Cell =>
  (row) =>
    (Array.isArray(row[name]) ? row[name] : []).join(',');
const more: Cell = (row) => {
  const said = member('metadata', 'cadro')(row);
  return said === undefined ? '' : JSON.stringify(said);
};

/** Columns in the standard's order; one that is not told here is empty. */
const columns: Readonly<Record<Exclude<OneRosterName, 'demographics'>, Readonly<Record<string, Cell>>>> = {
  orgs: {
    ...{ name: member('name'), type: member('type'), identifier: () => '', parentSourcedId: () => '' },
    'metadata.timeZone': member('metadata', 'timeZone'),
  },
  academicSessions: {
    ...{
      title: member('title'),
      type: member('type'),
      startDate: member('startDate'),
      endDate: member('endDate'),
    },
    ...{ parentSourcedId: member('parent', 'sourcedId'), schoolYear: member('schoolYear') },
  },
  courses: {
    ...{ schoolYearSourcedId: () => '', title: member('title'), courseCode: () => '', grades: () => '' },
    ...{ orgSourcedId: member('org', 'sourcedId'), subjects: () => '', subjectCodes: () => '' },
  },
  users: {
    ...{ enabledUser: member('enabledUser'), username: () => '', userIds: () => '' },
    ...{ givenName: member('givenName'), familyName: member('familyName'), middleName: () => '' },
    ...{ identifier: () => '', email: () => '', sms: () => '', phone: () => '', agentSourcedIds: () => '' },
    ...{
      grades: list('grades'),
      primaryOrgSourcedId: (row) => member('roles', '0', 'org', 'sourcedId')(row),
    },
  },
  classes: {
    ...{ title: member('title'), grades: () => '', courseSourcedId: member('course', 'sourcedId') },
    ...{ classCode: () => '', classType: member('classType'), location: member('location') },
    ...{ schoolSourcedId: member('school', 'sourcedId'), termSourcedIds: ids('terms'), subjects: () => '' },
    ...{ subjectCodes: () => '', periods: list('periods'), 'metadata.cadro': more },
  },
  enrollments: {
    ...{ classSourcedId: member('class', 'sourcedId'), schoolSourcedId: member('school', 'sourcedId') },
    ...{ userSourcedId: member('user', 'sourcedId'), role: member('role'), primary: () => '' },
    ...{ beginDate: () => '', endDate: () => '' },
  },
  categories: { title: member('title'), weight: member('weight'), 'metadata.cadro': more },
  lineItems: {
    ...{ title: member('title'), description: member('description'), assignDate: member('assignDate') },
    ...{ dueDate: member('dueDate'), classSourcedId: member('class', 'sourcedId') },
    ...{ categorySourcedId: member('category', 'sourcedId'), gradingPeriodSourcedId: () => '' },
    ...{ resultValueMin: member('resultValueMin'), resultValueMax: member('resultValueMax') },
    'metadata.cadro': more,
  },
  results: {
    ...{
      lineItemSourcedId: member('lineItem', 'sourcedId'),
      studentSourcedId: member('student', 'sourcedId'),
    },
    ...{ scoreStatus: member('scoreStatus'), score: member('score'), textScore: () => '' },
    ...{ scoreDate: member('scoreDate'), comment: member('comment'), late: member('late') },
    ...{ missing: member('missing'), incomplete: member('incomplete') },
  },
};

const text = (value: unknown): string =>
  typeof value === 'string'
    ? value
    : typeof value === 'number' || typeof value === 'boolean'
      ? String(value)
      : '';

function fileOf(name: string, rows: readonly OutRow[], own: Readonly<Record<string, Cell>>): OutFile {
  const all = {
    sourcedId: member('sourcedId'),
    status: member('status'),
    dateLastModified: member('dateLastModified'),
    ...own,
  };
  return {
    name: `${name}.csv`,
    lines: [Object.keys(all), ...rows.map((row) => Object.values(all).map((cell) => text(cell(row))))],
  };
}

/** What stands in tables of their own in a bundle: people's roles, and results' levels. */
function besides({ users, results }: OutTables): OutFile[] {
  const roles = users.flatMap((row): OutRow[] => {
    const [first] = (row['roles'] ?? []) as readonly { role: string; org: { sourcedId: string } }[];
    return first
      ? [
          {
            sourcedId: `${row.sourcedId}:role`,
            user: row.sourcedId,
            role: first.role,
            org: first.org.sourcedId,
          },
        ]
      : [];
  });
  const levels = results.flatMap((row) => {
    const [set] = (row['learningObjectiveSet'] ?? []) as readonly {
      learningObjectiveResults: readonly { learningObjectiveId: string; score: number }[];
    }[];
    return (set?.learningObjectiveResults ?? []).map(({ learningObjectiveId, score }) => ({
      ...{
        sourcedId: `${row.sourcedId}:${learningObjectiveId}`,
        result: row.sourcedId,
        learningObjectiveId,
        score,
      },
    }));
  });
  return [
    fileOf('roles', roles, {
      ...{ userSourcedId: member('user'), roleType: () => 'primary', role: member('role') },
      ...{ beginDate: () => '', endDate: () => '', orgSourcedId: member('org') },
    }),
    fileOf('resultLearningObjectiveIds', levels, {
      ...{ resultSourcedId: member('result'), learningObjectiveId: member('learningObjectiveId') },
      score: member('score'),
    }),
  ];
}

/** The files of a OneRoster 1.2 bundle: every table whole, with its manifest. */
export function bundleFiles(tables: OutTables): OutFile[] {
  const named = Object.entries(columns).map(([name, own]) =>
    fileOf(name, tables[name as keyof typeof columns], own),
  );
  const files = [...named, ...besides(tables)];
  const manifest = [
    ['propertyName', 'value'],
    ['manifest.version', '1.0'],
    ['oneroster.version', '1.2'],
    ['source.systemName', 'Cadro'],
    ...files.map(({ name }) => [`file.${name.replace(/\.csv$/, '')}`, 'bulk']),
  ];
  return [{ name: 'manifest.csv', lines: manifest }, ...files];
}
