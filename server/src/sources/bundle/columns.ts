import type { OneRosterName } from '@cadro/contract';

/** A row by its heading's names in small letters. */
export type Fields = Readonly<Record<string, string>>;
/** What a row of one table needs from others of the bundle. */
export interface Joined {
  /** A person's roles, as roles.csv has them. */
  readonly rolesOf: (userId: string) => readonly object[];
  /** The levels that a result has in learning objectives. */
  readonly levelsOf: (resultId: string) => readonly object[];
  /** What a score in words is worth by the scale the result is on, in points; null where nobody says it. */
  readonly worthOf: (result: Fields) => number | null;
}

const inSmall: Record<string, string> = {};

/** An empty field is not said. @param name of a column, as the standard writes it. */
export const text = (fields: Fields, name: string): string | undefined => {
  // Every field of every row comes by here: a name is turned into small letters once.
  const value = fields[(inSmall[name] ??= name.toLowerCase())];
  return value === undefined || value === '' ? undefined : value;
};
const list = (fields: Fields, name: string): string[] =>
  (text(fields, name) ?? '')
    .split(',')
    .map((each) => each.trim())
    .filter((each) => each !== '');
const ref = (sourcedId: string | undefined) => (sourcedId === undefined ? undefined : { sourcedId });
const refs = (fields: Fields, name: string) => list(fields, name).map((sourcedId) => ({ sourcedId }));
/** What Cadro itself has added to a row. */
const more = (fields: Fields) => {
  const cadro = text(fields, 'metadata.cadro');
  return cadro === undefined ? {} : { metadata: { cadro } };
};
const words = (value: string | undefined): string | undefined => value?.toLowerCase();

type Columns = (fields: Fields, joined: Joined) => Readonly<Record<string, unknown>>;

const columns: Readonly<Record<OneRosterName, Columns>> = {
  orgs: (f) => ({
    name: text(f, 'name'),
    type: words(text(f, 'type')),
    // A column beside the standard's, as the standard allows it.
    metadata: { timeZone: text(f, 'metadata.timeZone') },
  }),
  academicSessions: (f) => ({
    title: text(f, 'title'),
    type: text(f, 'type'),
    startDate: text(f, 'startDate'),
    endDate: text(f, 'endDate'),
    parent: ref(text(f, 'parentSourcedId')),
  }),
  courses: (f) => ({ title: text(f, 'title'), courseCode: text(f, 'courseCode') }),
  users: (f, { rolesOf }) => ({
    givenName: text(f, 'givenName'),
    familyName: text(f, 'familyName'),
    preferredFirstName: text(f, 'preferredGivenName') ?? text(f, 'preferredFirstName'),
    email: text(f, 'email'),
    phone: text(f, 'phone'),
    sms: text(f, 'sms'),
    agents: text(f, 'agentSourcedIds') === undefined ? undefined : refs(f, 'agentSourcedIds'),
    grades: list(f, 'grades'),
    // 1.1 has one role of a person and the places it holds at; 1.2 a table of them.
    role: words(text(f, 'role')),
    orgs: refs(f, 'orgSourcedIds'),
    roles: rolesOf(text(f, 'sourcedId') ?? ''),
  }),
  demographics: (f) => ({ birthDate: text(f, 'birthDate')?.slice(0, 10), sex: text(f, 'sex') }),
  classes: (f) => ({
    title: text(f, 'title'),
    classCode: text(f, 'classCode'),
    location: text(f, 'location'),
    course: ref(text(f, 'courseSourcedId')),
    school: ref(text(f, 'schoolSourcedId')),
    terms: [...refs(f, 'termSourcedIds'), ...refs(f, 'termSourcedId')],
    periods: list(f, 'periods'),
    ...more(f),
  }),
  enrollments: (f) => ({
    role: words(text(f, 'role')),
    user: ref(text(f, 'userSourcedId')),
    class: ref(text(f, 'classSourcedId')),
    school: ref(text(f, 'schoolSourcedId')),
    beginDate: text(f, 'beginDate'),
    endDate: text(f, 'endDate'),
  }),
  categories: (f) => ({ title: text(f, 'title'), weight: text(f, 'weight'), ...more(f) }),
  lineItems: (f) => ({
    title: text(f, 'title'),
    description: text(f, 'description'),
    assignDate: text(f, 'assignDate'),
    dueDate: text(f, 'dueDate'),
    class: ref(text(f, 'classSourcedId')),
    category: ref(text(f, 'categorySourcedId')),
    gradingPeriod: ref(text(f, 'gradingPeriodSourcedId') ?? text(f, 'academicSessionSourcedId')),
    resultValueMax: text(f, 'resultValueMax'),
    ...more(f),
  }),
  results: (f, { levelsOf, worthOf }) => {
    const levels = levelsOf(text(f, 'sourcedId') ?? '');
    return {
      lineItem: ref(text(f, 'lineItemSourcedId')),
      student: ref(text(f, 'studentSourcedId')),
      scoreStatus: words(text(f, 'scoreStatus')),
      score: text(f, 'score') ?? worthOf(f) ?? undefined,
      textScore: text(f, 'textScore'),
      scoreDate: text(f, 'scoreDate'),
      comment: text(f, 'comment'),
      late: text(f, 'late'),
      missing: text(f, 'missing'),
      incomplete: text(f, 'incomplete'),
      learningObjectiveSet: levels.length > 0 ? [{ learningObjectiveResults: levels }] : undefined,
    };
  },
};

/**
 * A row of a table as the record of an interface that it would be: so both are checked and read alike. What it does not
 * say is undefined.
 */
export const recordOf = (name: OneRosterName, fields: Fields, joined: Joined): Record<string, unknown> => ({
  sourcedId: text(fields, 'sourcedId'),
  status: words(text(fields, 'status')),
  dateLastModified: text(fields, 'dateLastModified'),
  ...columns[name](fields, joined),
});
