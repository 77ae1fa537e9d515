import { Type, type Static, type TObject } from '@sinclair/typebox';
import { DateOnly, Moment } from '../shared/scalars';

/*
 * OneRoster, the parts Cadro reads (consumer side, 1.1 and 1.2, from an interface or a bundle of files) and the simulated
 * schools write (provider side, 1.2). What a school need not tell is optional here even where the standard demands it:
 * a record is refused only where Cadro could not reckon with it. Members that Cadro does not read are ignored.
 */
const Id = Type.String({ minLength: 1, maxLength: 300 });
/** A line as people write it: a title, a name. */
const Line = Type.String({ minLength: 1, maxLength: 1000 });
const Words = Type.String({ maxLength: 20_000 });
const optional = <T extends Parameters<typeof Type.Optional>[0]>(schema: T) => Type.Optional(schema);
const base = {
  sourcedId: Id,
  /** Active where it is not said. */
  status: optional(
    Type.Union([Type.Literal('active'), Type.Literal('tobedeleted'), Type.Literal('inactive')]),
  ),
  dateLastModified: optional(Moment),
};
const Ref = Type.Object({ href: optional(Type.String()), sourcedId: Id, type: optional(Type.String()) });
/** `true` as a word or as what it is. */
const Flag = Type.Union([Type.Boolean(), Type.String({ maxLength: 20 })]);
/** A number of 0 or more, as a number or written out. */
const Amount = Type.Union([
  Type.Number({ minimum: 0, maximum: 1e9 }),
  Type.String({ pattern: '^\\s*[0-9]{1,9}([.][0-9]{1,15})?\\s*$' }),
]);

export const OrgRow = Type.Object({
  ...base,
  name: Line,
  type: Type.String(),
  metadata: optional(Type.Object({ timeZone: optional(Type.String({ maxLength: 100 })) })),
});
export const AcademicSessionRow = Type.Object({
  ...base,
  title: Line,
  startDate: Moment,
  /** The standard demands it; a school may not have set it yet. */
  endDate: optional(Moment),
  type: Type.String({ maxLength: 100 }),
  parent: optional(Ref),
});
export const CourseRow = Type.Object({
  ...base,
  title: Line,
  courseCode: optional(Type.String()),
});
/** What Cadro itself adds to a row; read softly: what does not fit is not there. */
const More = optional(Type.Object({ cadro: Type.Optional(Type.Unknown()) }));
export const ClassRow = Type.Object({
  ...base,
  title: Line,
  classCode: optional(Type.String()),
  location: optional(Type.String({ maxLength: 300 })),
  course: optional(Ref),
  school: Ref,
  terms: Type.Array(Ref, { minItems: 1, maxItems: 100 }),
  periods: optional(Type.Array(Type.String({ maxLength: 100 }))),
  metadata: More,
});
const Role = Type.Object({
  roleType: optional(Type.String()),
  role: Type.String({ maxLength: 100 }),
  org: optional(Ref),
});
export const UserRow = Type.Object({
  ...base,
  givenName: Line,
  preferredFirstName: optional(Line),
  familyName: Line,
  email: optional(Type.String({ maxLength: 300 })),
  phone: optional(Type.String({ maxLength: 300 })),
  sms: optional(Type.String({ maxLength: 300 })),
  /** Who is named for this person: of a child its parents, guardians, relatives. */
  agents: optional(Type.Array(Ref, { maxItems: 100 })),
  /** Where the source has a postal address. */
  metadata: optional(Type.Object({ address: optional(Words) })),
  grades: optional(Type.Array(Type.String({ maxLength: 20 }))),
  /** As 1.2 tells them; 1.1 has one role and the places it holds at. */
  roles: optional(Type.Array(Role)),
  role: optional(Type.String({ maxLength: 100 })),
  orgs: optional(Type.Array(Ref)),
});
export const DemographicsRow = Type.Object({
  ...base,
  birthDate: optional(DateOnly),
  sex: optional(Type.String({ maxLength: 100 })),
});
export const EnrollmentRow = Type.Object({
  ...base,
  role: Type.String({ maxLength: 100 }),
  user: Ref,
  class: Ref,
  school: optional(Ref),
  primary: optional(Flag),
  beginDate: optional(Moment),
  endDate: optional(Moment),
});
export const CategoryRow = Type.Object({
  ...base,
  title: Line,
  weight: optional(Amount),
  metadata: More,
});
export const LineItemRow = Type.Object({
  ...base,
  title: Line,
  description: optional(Words),
  assignDate: optional(Moment),
  dueDate: optional(Moment),
  class: Ref,
  category: optional(Ref),
  gradingPeriod: optional(Ref),
  resultValueMin: optional(Type.Unknown()),
  resultValueMax: Amount,
  metadata: More,
});
const Objective = Type.Object({ learningObjectiveId: Id, score: optional(Amount) });
export const scoreStatuses = [
  'exempt',
  'fully graded',
  'not submitted',
  'partially graded',
  'submitted',
] as const;
export const ResultRow = Type.Object({
  ...base,
  lineItem: Ref,
  student: Ref,
  /** Where it is not said, a score says it. */
  scoreStatus: optional(Type.Union(scoreStatuses.map((status) => Type.Literal(status)))),
  score: optional(Amount),
  textScore: optional(Type.String({ maxLength: 300 })),
  scoreDate: optional(Moment),
  comment: optional(Words),
  late: optional(Flag),
  missing: optional(Flag),
  incomplete: optional(Flag),
  inProgress: optional(Flag),
  learningObjectiveSet: optional(
    Type.Array(
      Type.Object({ source: optional(Type.String()), learningObjectiveResults: Type.Array(Objective) }),
    ),
  ),
});
export type OrgRow = Static<typeof OrgRow>;
export type AcademicSessionRow = Static<typeof AcademicSessionRow>;
export type ClassRow = Static<typeof ClassRow>;
export type UserRow = Static<typeof UserRow>;
export type DemographicsRow = Static<typeof DemographicsRow>;
export type EnrollmentRow = Static<typeof EnrollmentRow>;
export type CategoryRow = Static<typeof CategoryRow>;
export type LineItemRow = Static<typeof LineItemRow>;
export type ResultRow = Static<typeof ResultRow>;

export interface OneRosterCollection {
  readonly service: 'rostering' | 'gradebook';
  /** Asked for by a scope of its own, which a school may refuse. */
  readonly apart?: true;
  readonly row: TObject;
}
/** In reading order: what is referred to comes before what refers to it. */
export const oneRosterCollections = {
  orgs: { service: 'rostering', row: OrgRow },
  academicSessions: { service: 'rostering', row: AcademicSessionRow },
  courses: { service: 'rostering', row: CourseRow },
  users: { service: 'rostering', row: UserRow },
  demographics: { service: 'rostering', row: DemographicsRow, apart: true },
  classes: { service: 'rostering', row: ClassRow },
  enrollments: { service: 'rostering', row: EnrollmentRow },
  categories: { service: 'gradebook', row: CategoryRow },
  lineItems: { service: 'gradebook', row: LineItemRow },
  results: { service: 'gradebook', row: ResultRow },
} as const satisfies Record<string, OneRosterCollection>;
export type OneRosterName = keyof typeof oneRosterCollections;
export const isOneRosterName = (name: string): name is OneRosterName =>
  Object.hasOwn(oneRosterCollections, name);

/** Versions of the standard that Cadro reads; the newest first, as they are asked for. */
export const oneRosterVersions = ['1.2', '1.1'] as const;
export type OneRosterVersion = (typeof oneRosterVersions)[number];

const scopeBase = (version: OneRosterVersion): string =>
  `https://purl.imsglobal.org/spec/or/${version === '1.2' ? 'v1p2' : 'v1p1'}/scope`;
/** What is asked for at the door, of everything but what stands apart. */
export const oneRosterScopes = (version: OneRosterVersion): readonly string[] => [
  `${scopeBase(version)}/roster-core.readonly`,
  `${scopeBase(version)}/${version === '1.2' ? 'gradebook-core.readonly' : 'gradebook.readonly'}`,
];
/** Birthdays and the like: a school gives them to whom it wants to. */
export const demographicsScope = (version: OneRosterVersion): string =>
  `${scopeBase(version)}/roster-demographics.readonly`;

const isApart = (name: OneRosterName): boolean => {
  const { apart }: OneRosterCollection = oneRosterCollections[name];
  return apart ?? false;
};
const names = Object.keys(oneRosterCollections) as OneRosterName[]; // the literal's own
export const oneRosterNames = (which: { readonly apart: boolean }): OneRosterName[] =>
  names.filter((name) => isApart(name) === which.apart);
/** The scope a collection is asked for by. */
export const scopeOf = (name: OneRosterName, version: OneRosterVersion = '1.2'): string => {
  const [roster = '', gradebook = ''] = oneRosterScopes(version);
  if (isApart(name)) return demographicsScope(version);
  return oneRosterCollections[name].service === 'rostering' ? roster : gradebook;
};
/** Path below a school's base address; 1.1 has one place for all. */
export const oneRosterPath = (name: OneRosterName, version: OneRosterVersion = '1.2'): string =>
  version === '1.2'
    ? `/ims/oneroster/${oneRosterCollections[name].service}/v1p2/${name}`
    : `/ims/oneroster/v1p1/${name}`;

export const TokenAnswer = Type.Object({
  access_token: Type.String(),
  token_type: Type.Optional(Type.String()),
  expires_in: Type.Optional(Type.Unknown()),
  scope: Type.Optional(Type.Unknown()),
});
