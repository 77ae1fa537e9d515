import type {
  CategoryMore,
  ClassMore,
  CourseRecord,
  ItemMore,
  OneRosterName,
  ResultRecord,
} from '@cadro/contract';

/** A course as its family takes it along: the record it is reckoned by, and what surrounds it. */
export interface OutCourse {
  readonly title: string;
  readonly room: string | null;
  readonly period: string | null;
  readonly termIds: readonly string[];
  readonly teacher: { readonly id: string; readonly name: string } | null;
  readonly record: CourseRecord;
  /** What a teacher has written on a score, by assignment. */
  readonly remarks: ReadonlyMap<string, string>;
}
export interface OutTerm {
  readonly id: string;
  readonly title: string;
  readonly startsOn: string;
  readonly endsOn: string;
  readonly kind: string;
  readonly parentId: string | null;
}
export interface OutChild {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly year: string;
  readonly school: { readonly id: string; readonly name: string; readonly timeZone: string };
  readonly terms: readonly OutTerm[];
  readonly courses: readonly OutCourse[];
}

export type OutRow = Readonly<Record<string, unknown>> & { readonly sourcedId: string };
export type OutTables = { readonly [N in OneRosterName]: readonly OutRow[] };

const ref = (sourcedId: string) => ({ sourcedId });
const refs = (ids: readonly string[]) => ids.map(ref);

/** A status and its score in the standard's words; the reverse of how they are read. */
const scoreOf = ({ status, earned, late }: ResultRecord) => ({
  scoreStatus: {
    open: 'not submitted',
    'handed-in': 'submitted',
    scored: 'fully graded',
    missing: 'not submitted',
    incomplete: 'partially graded',
    excused: 'exempt',
  }[status],
  ...(earned === null || earned === undefined ? {} : { score: earned }),
  late: String(late === true),
  missing: String(status === 'missing'),
  incomplete: String(status === 'incomplete'),
});

/** The result that stands for each assignment: the last of its history. */
const standing = ({ results }: CourseRecord): ReadonlyMap<string, ResultRecord> =>
  new Map((results ?? []).map((result) => [result.itemId, result]));

const levelSet = ({ levels }: ResultRecord) => {
  const told = Object.entries(levels ?? {});
  if (told.length === 0) return {};
  const learningObjectiveResults = told.map(([learningObjectiveId, score]) => ({
    learningObjectiveId,
    score,
  }));
  return { learningObjectiveSet: [{ source: 'case', learningObjectiveResults }] };
};

function gradebookOf(child: OutChild, { record, remarks }: OutCourse, base: object) {
  const classId = record.id;
  const last = standing(record);
  const categories = (record.categories ?? []).map(({ id, title, weight, dropLowest }) => ({
    ...{ ...base, sourcedId: id, title: title ?? '', weight: weight ?? 0 },
    metadata: { cadro: { class: classId, dropLowest: dropLowest ?? 0 } satisfies CategoryMore },
  }));
  const lineItems = (record.items ?? []).map((item) => ({
    ...{ ...base, sourcedId: item.id, title: item.title ?? '', class: ref(classId) },
    ...{ category: ref(item.categoryId), resultValueMin: 0, resultValueMax: item.possible },
    ...(item.assignedAt ? { assignDate: item.assignedAt } : {}),
    ...(item.dueAt ? { dueDate: item.dueAt } : {}),
    metadata: {
      cadro: {
        ...{ counts: item.counts ?? true, extraCredit: item.extraCredit ?? false },
        ...{ inClass: item.inClass ?? null, multiplier: item.multiplier ?? 1 },
        acceptedUntil: item.acceptedUntil ?? null,
      } satisfies ItemMore,
    },
  }));
  const results = [...last.values()].map((result) => ({
    ...{ ...base, sourcedId: `${child.id}:${result.itemId}`, dateLastModified: result.at },
    ...{ lineItem: ref(result.itemId), student: ref(child.id), scoreDate: result.at.slice(0, 10) },
    ...{ ...scoreOf(result), ...levelSet(result) },
    ...(remarks.has(result.itemId) ? { comment: remarks.get(result.itemId) } : {}),
  }));
  return { categories, lineItems, results };
}

const classOf = (child: OutChild, course: OutCourse, base: object): OutRow => ({
  ...{ ...base, sourcedId: course.record.id, title: course.title, classType: 'scheduled' },
  ...{ course: ref(course.record.id), school: ref(child.school.id), terms: refs(course.termIds) },
  ...(course.room === null ? {} : { location: course.room }),
  ...(course.period === null ? {} : { periods: [course.period] }),
  metadata: {
    cadro: {
      policy: course.record.policy,
      standards: (course.record.standards ?? []).map(({ id, title }) => ({ id, title: title ?? null })),
    } satisfies ClassMore,
  },
});

const role = (roleName: string, schoolId: string) => [
  { roleType: 'primary', role: roleName, org: ref(schoolId) },
];

/** A name as the standard has it: the last word is the family's. */
function teacherOf(
  { id, name }: { readonly id: string; readonly name: string },
  schoolId: string,
  base: object,
): OutRow {
  const words = name.trim().split(/\s+/);
  const familyName = words.pop() ?? name;
  return {
    ...{ ...base, sourcedId: id, enabledUser: 'true', givenName: words.join(' ') || familyName, familyName },
    ...{ roles: role('teacher', schoolId), grades: [] },
  };
}

/** Of rows that two children have in common the first stays. */
const single = (rows: readonly OutRow[]): OutRow[] =>
  [...new Map([...rows].reverse().map((row) => [row.sourcedId, row])).values()].reverse();

/**
 * A household's records as the rows of a OneRoster 1.2 interface; what the standard has no member for goes along in
 * `metadata.cadro`, so that they reckon to the same figures where they are read.
 * @param asOf the instant of the records, which is when they changed last, as far as anybody knows.
 */
export function oneRosterOf(children: readonly OutChild[], asOf: string): OutTables {
  const base = { status: 'active', dateLastModified: asOf };
  const courses = children.flatMap((child) => child.courses.map((course) => ({ child, course })));
  const parts = courses.map(({ child, course }) => gradebookOf(child, course, base));
  return {
    orgs: single(
      children.map(({ school: { id, name, timeZone } }) => ({
        ...{ ...base, sourcedId: id, name, type: 'school', metadata: { timeZone } },
      })),
    ),
    academicSessions: single(
      children.flatMap(({ terms }) =>
        terms.map(({ id, title, startsOn, endsOn, kind, parentId }) => ({
          ...{ ...base, sourcedId: id, title, type: kind, startDate: startsOn, endDate: endsOn },
          ...{ schoolYear: endsOn.slice(0, 4), ...(parentId === null ? {} : { parent: ref(parentId) }) },
        })),
      ),
    ),
    courses: single(
      courses.map(({ child, course }) => ({
        ...{ ...base, sourcedId: course.record.id, title: course.title, org: ref(child.school.id) },
      })),
    ),
    users: single([
      ...children.map(({ id, givenName, familyName, year, school }) => ({
        ...{ ...base, sourcedId: id, enabledUser: 'true', givenName, familyName: familyName || givenName },
        ...{ roles: role('student', school.id), grades: year === '' ? [] : [year] },
      })),
      ...courses.flatMap(({ child, course: { teacher } }) =>
        teacher ? [teacherOf(teacher, child.school.id, base)] : [],
      ),
    ]),
    demographics: [],
    classes: single(courses.map(({ child, course }) => classOf(child, course, base))),
    enrollments: courses.flatMap(({ child, course: { record, teacher } }) => {
      const common = { ...base, class: ref(record.id), school: ref(child.school.id) };
      const taught = teacher
        ? [{ ...common, sourcedId: `${record.id}:${teacher.id}`, role: 'teacher', user: ref(teacher.id) }]
        : [];
      return [
        ...taught,
        { ...common, sourcedId: `${record.id}:${child.id}`, role: 'student', user: ref(child.id) },
      ];
    }),
    categories: single(parts.flatMap(({ categories }) => categories)),
    lineItems: single(parts.flatMap(({ lineItems }) => lineItems)),
    results: parts.flatMap(({ results }) => results),
  };
}
