import { Type, type Static, type TObject } from '@sinclair/typebox';
import { DateOnly, Instant, Nullable } from '../shared/scalars';

/*
 * OneRoster 1.2, the parts Cadro reads (consumer side) and the simulated schools write (provider side).
 * Members that the standard has and Cadro does not read are allowed and ignored.
 */
const base = {
  sourcedId: Type.String({ minLength: 1 }),
  status: Type.Union([Type.Literal('active'), Type.Literal('tobedeleted')]),
  dateLastModified: Instant,
};
const Ref = Type.Object({
  href: Type.Optional(Type.String()),
  sourcedId: Type.String(),
  type: Type.Optional(Type.String()),
});
const Flag = Type.Union([Type.Literal('true'), Type.Literal('false')]);

export const OrgRow = Type.Object({
  ...base,
  name: Type.String(),
  type: Type.String(),
  metadata: Type.Optional(Type.Object({ timeZone: Type.Optional(Type.String()) })),
});
export const AcademicSessionRow = Type.Object({
  ...base,
  title: Type.String(),
  startDate: DateOnly,
  /** The standard demands it; a school may not have set it yet. */
  endDate: Type.Optional(Nullable(DateOnly)),
  type: Type.String(),
  schoolYear: Type.Optional(Type.String()),
  parent: Type.Optional(Ref),
});
export const CourseRow = Type.Object({
  ...base,
  title: Type.String(),
  courseCode: Type.Optional(Type.String()),
});
export const ClassRow = Type.Object({
  ...base,
  title: Type.String(),
  classCode: Type.Optional(Type.String()),
  location: Type.Optional(Type.String()),
  course: Ref,
  school: Ref,
  terms: Type.Array(Ref, { minItems: 1 }),
  periods: Type.Optional(Type.Array(Type.String())),
});
export const UserRow = Type.Object({
  ...base,
  givenName: Type.String(),
  preferredFirstName: Type.Optional(Type.String()),
  familyName: Type.String(),
  enabledUser: Type.Optional(Flag),
  email: Type.Optional(Type.String()),
  phone: Type.Optional(Type.String()),
  sms: Type.Optional(Type.String()),
  /** Who is named for this person: of a child its parents, guardians, relatives. */
  agents: Type.Optional(Type.Array(Ref)),
  /** Where the source has a postal address. */
  metadata: Type.Optional(Type.Object({ address: Type.Optional(Type.String()) })),
  grades: Type.Optional(Type.Array(Type.String())),
  roles: Type.Array(Type.Object({ roleType: Type.String(), role: Type.String(), org: Ref }), { minItems: 1 }),
});
export const DemographicsRow = Type.Object({
  ...base,
  birthDate: Type.Optional(Nullable(DateOnly)),
  sex: Type.Optional(Nullable(Type.String())),
});
export const EnrollmentRow = Type.Object({
  ...base,
  role: Type.String(),
  user: Ref,
  class: Ref,
  school: Ref,
  primary: Type.Optional(Flag),
});
export const CategoryRow = Type.Object({
  ...base,
  title: Type.String(),
  weight: Type.Optional(Type.Number({ minimum: 0 })),
});
export const LineItemRow = Type.Object({
  ...base,
  title: Type.String(),
  description: Type.Optional(Type.String()),
  assignDate: Instant,
  dueDate: Type.Optional(Instant),
  class: Ref,
  category: Ref,
  gradingPeriod: Type.Optional(Ref),
  resultValueMin: Type.Optional(Type.Number()),
  resultValueMax: Type.Number({ minimum: 0 }),
});
const Objective = Type.Object({ learningObjectiveId: Type.String(), score: Type.Optional(Type.Number()) });
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
  scoreStatus: Type.Union(scoreStatuses.map((status) => Type.Literal(status))),
  score: Type.Optional(Type.Number({ minimum: 0 })),
  textScore: Type.Optional(Type.String()),
  scoreDate: DateOnly,
  comment: Type.Optional(Type.String()),
  late: Type.Optional(Flag),
  missing: Type.Optional(Flag),
  incomplete: Type.Optional(Flag),
  inProgress: Type.Optional(Flag),
  learningObjectiveSet: Type.Optional(
    Type.Array(Type.Object({ source: Type.String(), learningObjectiveResults: Type.Array(Objective) })),
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

export const oneRosterScopes = [
  'https://purl.imsglobal.org/spec/or/v1p2/scope/roster-core.readonly',
  'https://purl.imsglobal.org/spec/or/v1p2/scope/gradebook-core.readonly',
] as const;
/** Birthdays and the like: a school gives them to whom it wants to. */
export const demographicsScope = 'https://purl.imsglobal.org/spec/or/v1p2/scope/roster-demographics.readonly';
/** The scope a collection is asked for by. */
export const scopeOf = (name: OneRosterName): string => {
  const { service, ...more }: OneRosterCollection = oneRosterCollections[name];
  if (more.apart) return demographicsScope;
  return oneRosterScopes[service === 'rostering' ? 0 : 1];
};
/** Path below a school's base address. */
export const oneRosterPath = (name: OneRosterName): string =>
  `/ims/oneroster/${oneRosterCollections[name].service}/v1p2/${name}`;

export const TokenAnswer = Type.Object({
  access_token: Type.String(),
  token_type: Type.String(),
  expires_in: Type.Number(),
  scope: Type.Optional(Type.String()),
});
