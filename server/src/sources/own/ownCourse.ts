import { randomUUID } from 'node:crypto';
import type { BodyOf, OwnRecord, OwnRow, ownRoutes } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { ownPolicy, rulesOf } from '@cadro/core/own';
import { endOfDay, HttpProblem } from '../../kit';
import {
  wholeCategories,
  wholeCourses,
  wholeItems,
  wholeTerms,
  type WholeCategory,
  type WholeCourse,
  type WholeItem,
} from '../../records';
import { sourceBeside } from './ownStore';
import { requireOwn, writeOwn, type Own, type OwnDeps } from './writeOwn';

/** A course of a child of which its family writes. */
export interface OwnCourseKept {
  readonly own: Own;
  readonly course: WholeCourse;
  readonly categories: readonly WholeCategory[];
  /** The work that the family has written down. */
  readonly items: readonly WholeItem[];
  /** What a school tells of the course; none where the course is the family's. */
  readonly theirs: readonly WholeItem[];
}

/** The work of these courses, what the family has written and what a school tells apart. */
async function itemsOf(own: Own, courseIds: readonly string[]) {
  const {
    child,
    beside,
    deps: { db },
  } = own;
  const all = await wholeItems(db, child.id, courseIds);
  if (!beside) return { items: all, theirs: [] };
  const sourceId = own.sourceId ?? (await sourceBeside(db, beside));
  return {
    items: sourceId === null ? [] : await wholeItems(db, child.id, courseIds, { sourceId }),
    theirs: all,
  };
}

const householdIn = ({ beside }: Own): string | null => beside?.householdId ?? null;

/**
 * @param how.whole whether only a course will do that is the family's alone.
 * @throws HttpProblem as `requireOwn`, 404 for a course that is not the child's, and 403 for a school's where one of the
 *   family's is asked for.
 */
export async function requireOwnCourse(
  deps: OwnDeps,
  guardianId: string,
  { studentId, courseId }: { readonly studentId: string; readonly courseId: string },
  how: { readonly ended?: boolean; readonly whole?: boolean } = {},
): Promise<OwnCourseKept> {
  const own = await requireOwn(deps, guardianId, studentId);
  const { db } = own.deps;
  const courses = await wholeCourses(own.reads, studentId, { ended: how.ended ?? false });
  const course = courses.find(({ id }) => id === courseId);
  if (!course) throw new HttpProblem('not-found');
  if (how.whole && own.beside && !course.own) throw new HttpProblem('forbidden');
  return {
    ...{ own, course },
    categories: await wholeCategories(db, [courseId], householdIn(own)),
    ...(await itemsOf(own, [courseId])),
  };
}

/** Every course of a child of which its family writes. */
export async function openCourses(own: Own): Promise<OwnCourseKept[]> {
  const { db } = own.deps;
  const householdId = householdIn(own);
  // For whoever asks their connection knows the household; for Cadro itself it is named.
  const courses = await wholeCourses(own.reads, own.child.id, own.reads === db ? { householdId } : {});
  const ids = courses.map(({ id }) => id);
  const categories = await wholeCategories(db, ids, householdId);
  const { items, theirs } = await itemsOf(own, ids);
  return courses.map((course) => ({
    ...{ own, course },
    categories: categories.filter(({ courseId }) => courseId === course.id),
    items: items.filter(({ courseId }) => courseId === course.id),
    theirs: theirs.filter(({ courseId }) => courseId === course.id),
  }));
}

export const dueOnOf = ({ dueAt }: WholeItem, timeZone: string): string | null =>
  dueAt === null ? null : dateIn(timeZone, dueAt);

const itemOf = (
  item: WholeItem,
  categories: readonly WholeCategory[],
  timeZone: string,
): OwnRow & { id: string } => ({
  ...{ id: item.id, itemId: item.id, title: item.title, dueOn: dueOnOf(item, timeZone) },
  category: categories.find(({ externalId }) => externalId === item.categoryId)?.title || null,
  ...{ earned: item.earned, possible: item.possible, percent: null, letter: null },
  ...{ status: item.status ?? 'open', comment: item.remark },
});

/** What a family has written of a child, as it was written. */
export async function ownRecord(deps: OwnDeps, guardianId: string, studentId: string): Promise<OwnRecord> {
  const own = await requireOwn(deps, guardianId, studentId);
  const { school, sourceId, givenName, familyName, year } = own.child;
  const terms = await wholeTerms(own.deps.db, sourceId);
  const courses = await openCourses(own);
  return {
    ...{ givenName, familyName, year, schoolName: school.name, timeZone: school.timeZone },
    beside: own.beside !== null,
    terms: terms.map(({ id, title, startsOn, endsOn }) => ({ id, title, startsOn, endsOn })),
    courses: courses.flatMap(({ course, categories, items }) => {
      const { id, title, teacher, termId, policy } = course;
      const term = terms.find(({ externalId }) => externalId === termId);
      if (!term || !policy) return [];
      return [
        {
          own: own.beside === null || course.own,
          ...{ id, title, teacher: teacher?.name ?? null, teacherEmail: teacher?.email ?? null },
          ...{ termId: term.id, ...rulesOf(policy) },
          categories: categories.flatMap((each) =>
            each.title === '' ? [] : [{ id: each.id, title: each.title, weight: each.weight }],
          ),
          items: items
            .filter(({ removed }) => !removed)
            .map((item) => {
              const { itemId: _itemId, ...row } = itemOf(item, categories, school.timeZone);
              return row;
            }),
        },
      ];
    }),
  };
}

type Body = BodyOf<typeof ownRoutes.putCourse>;

/** The category of what is given none; it has no name and no share. */
export const noCategory = (courseExternalId: string): string => `~none:${courseExternalId}`;

export const categoryRecords = (
  courseExternalId: string,
  { id, title, weight }: { readonly id: string; readonly title: string; readonly weight: number },
) => ({
  categories: [{ id, title, weight }],
  courseCategories: [{ id, counts: true, drop_lowest: 0, course_id: courseExternalId }],
});

async function knownCourse(deps: OwnDeps, guardianId: string, studentId: string, id: string | null) {
  if (id === null) return null;
  // Written down once more, one that was taken away is there again.
  return requireOwnCourse(deps, guardianId, { studentId, courseId: id }, { ended: true, whole: true });
}

/** The categories a course has from now on, each by the source's own id; what is named no longer keeps its work. */
function categoriesOf(body: Body, known: readonly WholeCategory[]) {
  return body.categories.map(({ id, title, weight }) => {
    const before = known.find((each) => each.id === id);
    if (id !== null && !before) throw new HttpProblem('not-found');
    return { id: before?.externalId ?? randomUUID(), title: title.trim(), weight };
  });
}

/** Writes a course down with how it is graded, or changes it. @returns its id. */
export async function putOwnCourse(
  deps: OwnDeps,
  guardianId: string,
  studentId: string,
  body: Body,
): Promise<string> {
  const kept = await knownCourse(deps, guardianId, studentId, body.id);
  const own = kept?.own ?? (await requireOwn(deps, guardianId, studentId));
  const { child } = own;
  const { db } = own.deps;
  const term = (await wholeTerms(db, child.sourceId)).find(({ id }) => id === body.termId);
  if (!term) throw new HttpProblem('not-found');
  const id = kept?.course.externalId ?? randomUUID();
  const categories = categoriesOf(body, kept?.categories ?? []);
  const parts = [{ id: noCategory(id), title: '', weight: 0 }, ...categories].map((each) =>
    categoryRecords(id, each),
  );
  const termEnd = endOfDay(term.endsOn, child.school.timeZone).toISOString();
  await writeOwn(
    own,
    {
      courses: [
        {
          ...{ id, title: body.title.trim(), room: null, period: null, removed: false },
          ...{ school_id: child.school.externalId, term_id: term.externalId, term_ids: [term.externalId] },
        },
      ],
      enrolments: [{ id, student_id: child.externalId, course_id: id, told_active: true, ends_on: null }],
      ...(body.teacher === null
        ? {}
        : {
            teachers: [{ id: `of:${id}`, name: body.teacher.trim(), email: body.teacherEmail }],
            courseTeachers: [{ id, teacher_id: `of:${id}` }],
          }),
      categories: parts.flatMap((part) => part.categories),
      courseCategories: parts.flatMap((part) => part.courseCategories),
      courseDetails: [
        {
          ...{ id, policy: ownPolicy({ ...body, termEnd }), policy_told: true, standards: [] },
          ...{ credits: 0, credit_area: null, bump: 0, composition: [] },
        },
      ],
    },
    { backlog: true },
  );
  const courses = await wholeCourses(db, studentId, { householdId: householdIn(own) });
  const written = courses.find(({ externalId }) => externalId === id);
  if (!written) throw new Error('a course just written is not there');
  return written.id;
}

/** Takes a course away with its work; written down once more it is there again. */
export async function dropOwnCourse(
  deps: OwnDeps,
  guardianId: string,
  of: { readonly studentId: string; readonly courseId: string },
): Promise<void> {
  const { own, course } = await requireOwnCourse(deps, guardianId, of, { whole: true });
  await writeOwn(
    own,
    {
      courses: [
        {
          ...{ id: course.externalId, title: course.title, room: course.room, period: course.period },
          ...{ school_id: own.child.school.externalId, term_id: course.termId, term_ids: course.termIds },
          removed: true,
        },
      ],
    },
    { backlog: true },
  );
}
