import { plainTitle } from '@cadro/core/own';
import { isHeldBack, type JoinedPlace } from '../../household';
import { dayMs } from '@cadro/core';
import { addJobs, groupBy, type Job, type Trx } from '../../kit';
import {
  remarksOf,
  statesOf,
  wholeCategories,
  wholeChild,
  wholeCourses,
  wholeItems,
  wholeTerms,
  type ToldRemark,
  type ToldState,
  type WholeCategory,
  type WholeChild,
  type WholeCourse,
  type WholeItem,
  type WholeTerm,
} from '../../records';
import { categoryRecords, noCategory } from '../own/ownCourse';
import { openOwn, writeOwn, type Own, type OwnDeps, type OwnWritten } from '../own/writeOwn';
import { joinedCourses, readInto } from './joinStore';

/** What comes of another record bears its names for it, so that it is written over when it comes again. */
const named = (id: string): string => `of:${id}`;

/** Another record of the child, as its own source tells it. */
interface Other {
  readonly child: WholeChild;
  readonly courses: readonly WholeCourse[];
  readonly categories: readonly WholeCategory[];
}

/** A course of the other record and the child's own that it is read into; null where it stands by itself. */
interface Placed {
  readonly course: WholeCourse;
  readonly into: WholeCourse | null;
  /** Whether it has stood by itself. */
  readonly wasOwn: boolean;
  /** By the names that what is written beside the child's record uses. */
  readonly courseName: string;
  readonly categoryName: (externalId: string) => string;
}

function placed(
  { course, into, wasOwn }: Pick<Placed, 'course' | 'into' | 'wasOwn'>,
  other: Other,
  mine: readonly WholeCategory[],
): Placed {
  const own = other.categories.filter(({ courseId }) => courseId === course.id);
  const byTitle = new Map(
    mine
      .filter(({ courseId }) => courseId === into?.id)
      .map((each) => [plainTitle(each.title), each.externalId]),
  );
  const courseName = into?.externalId ?? named(course.id);
  const names = new Map(
    own.map(({ id, externalId, title }) => [externalId, byTitle.get(plainTitle(title)) ?? named(id)]),
  );
  const categoryName = (externalId: string) => names.get(externalId) ?? noCategory(courseName);
  return { course, into, wasOwn, courseName, categoryName };
}

/** A course that only the other record has, as one that the household has of its own. */
function courseRecords({ course, into }: Placed, own: Own, termName: string, gone: boolean) {
  const { child } = own;
  const id = named(course.id);
  return {
    courses: [
      {
        ...{ id, title: course.title, room: course.room, period: course.period },
        ...{ school_id: child.school.externalId, term_id: termName, term_ids: [termName] },
        // One that has become the child's own, or is no longer read, is over.
        removed: gone || into !== null,
      },
    ],
    enrolments: [{ id, student_id: child.externalId, course_id: id, told_active: true, ends_on: null }],
    courseDetails: [
      {
        ...{ id, policy: course.policy, policy_told: course.policyTold, standards: [] },
        ...{ credits: 0, credit_area: null, bump: 0, composition: [] },
      },
    ],
    courseTeachers: course.teacher === null ? [] : [{ id, teacher_id: named(course.teacher.id) }],
  };
}

/** So many days its ends may lie apart in all, a term is the same; else the course brings its own. */
const sameTermDays = 60;

const daysApart = (a: WholeTerm, b: WholeTerm): number =>
  (Math.abs(Date.parse(a.startsOn) - Date.parse(b.startsOn)) +
    Math.abs(Date.parse(a.endsOn) - Date.parse(b.endsOn))) /
  dayMs;

/** The term a course that only the other record has is in: the child's own nearest, or one that comes with it. */
function termOf(term: WholeTerm, mine: readonly WholeTerm[]): { name: string; records: OwnWritten[] } {
  const [nearest] = [...mine].sort((a, b) => daysApart(a, term) - daysApart(b, term));
  if (nearest && daysApart(nearest, term) <= sameTermDays) return { name: nearest.externalId, records: [] };
  const name = named(term.id);
  const days = { starts_on: term.startsOn, ends_on: term.endsOn };
  const record = { id: name, title: term.title, ...days, kind: term.kind, parent_external_id: null };
  return { name, records: [record] };
}

/** The rounds in which results are written: each work once in each, oldest first, so that every one is kept. */
function roundsOf(states: readonly ToldState[]): ToldState[][] {
  const byItem = [...groupBy(states, ({ itemId }) => itemId).values()];
  const longest = Math.max(0, ...byItem.map(({ length }) => length));
  return Array.from({ length: longest }, (_none, round) => byItem.flatMap((own) => own[round] ?? []));
}

/** Courses with what they are divided into, and the terms that come with them. */
function frameOf(courses: readonly Placed[], other: Other, own: Own, { gone, ...terms }: Terms) {
  const framed = courses.flatMap((each) => {
    const theirs = terms.theirs.find(({ externalId }) => externalId === each.course.termId);
    const isOwn = each.into === null || each.wasOwn;
    return theirs && isOwn ? [{ each, term: termOf(theirs, terms.mine) }] : [];
  });
  const records = framed.map(({ each, term }) => courseRecords(each, own, term.name, gone));
  const parts = courses.flatMap((each) => {
    const none = { id: noCategory(each.courseName), title: '', weight: 0 };
    const written = other.categories.filter(
      ({ courseId, id, externalId }) =>
        courseId === each.course.id && each.categoryName(externalId) === named(id),
    );
    const fresh = written.map(({ id, title, weight }) => ({ id: named(id), title, weight }));
    return [none, ...fresh].map((category) => ({ each, ...categoryRecords(each.courseName, category) }));
  });
  return {
    terms: framed.flatMap(({ term }) => term.records),
    courses: records.flatMap((each) => each.courses),
    enrolments: records.flatMap((each) => each.enrolments),
    courseDetails: records.flatMap((each) => each.courseDetails),
    courseTeachers: records.flatMap((each) => each.courseTeachers),
    categories: parts.flatMap(({ categories }) => categories),
    courseCategories: parts.flatMap(({ each, courseCategories }) =>
      each.into === null ? courseCategories : [],
    ),
  };
}

interface Terms {
  readonly mine: readonly WholeTerm[];
  readonly theirs: readonly WholeTerm[];
  /** Whether what has come is taken back. */
  readonly gone: boolean;
}

const itemRecord = (item: WholeItem, { courseName, categoryName }: Placed, gone: boolean): OwnWritten => ({
  ...{ id: named(item.id), course_id: courseName, category_id: categoryName(item.categoryId) },
  ...{ title: item.title, description: item.description, possible: item.possible },
  removed: gone || item.removed,
  ...{ assigned_at: item.assignedAt.toISOString(), assigned_told: item.assignedTold },
  ...{ due_at: item.dueAt?.toISOString() ?? null, term_external_id: null },
});

const resultRecord = ({ itemId, status, at, earned, late, levels }: ToldState, own: Own): OwnWritten => ({
  ...{ id: named(itemId), item_id: named(itemId), student_id: own.child.externalId, whole: false },
  ...{ at: at.toISOString(), status, earned, late, levels, comment: null },
});

const remarkRecord = (remark: ToldRemark, { courseName }: Placed, own: Own): OwnWritten => ({
  ...{ id: remark.itemId ? `${named(remark.itemId)}:${remark.id}` : named(remark.id) },
  ...{ student_id: own.child.externalId, course_id: courseName, subject: remark.subject, text: remark.text },
  ...{ item_id: remark.itemId && named(remark.itemId), author_id: remark.authorId && named(remark.authorId) },
  ...{ written_at: remark.writtenAt.toISOString(), term_external_id: null },
  ...{ about: null, recording: null, elsewhere: null },
});

async function otherOf(deps: OwnDeps, otherId: string): Promise<Other | null> {
  const child = await wholeChild(deps.db, otherId);
  if (!child) return null;
  const courses = await wholeCourses(deps.db, otherId, { ended: true });
  const categories = await wholeCategories(
    deps.db,
    courses.map(({ id }) => id),
  );
  return { child, courses, categories };
}

async function placedCourses(own: Own, place: JoinedPlace, other: Other): Promise<Placed[]> {
  const { db } = own.deps;
  const into = new Map(
    (await joinedCourses(db, place)).map(({ otherCourseId, courseId }) => [otherCourseId, courseId]),
  );
  const mine = await wholeCourses(db, own.child.id, { ended: true, householdId: place.householdId });
  const categories = await wholeCategories(
    db,
    mine.map(({ id }) => id),
  );
  return other.courses.map((course) =>
    placed(
      {
        course,
        into: mine.find(({ id }) => id === into.get(course.id)) ?? null,
        wasOwn: mine.some(({ own: isOwn, externalId }) => isOwn && externalId === named(course.id)),
      },
      other,
      categories,
    ),
  );
}

/**
 * Reads another record of a child into the child's own, for one household: courses, work with all that was said of it,
 * remarks. What has come before is written over; the same again changes nothing.
 * @param how.gone whether what has come is taken back instead.
 */
export async function mirror(
  deps: OwnDeps,
  place: JoinedPlace,
  { backlog, gone: parted = false }: { readonly backlog: boolean; readonly gone?: boolean },
): Promise<void> {
  const own = await openOwn(deps, place.studentId, place.householdId);
  const other = await otherOf(deps, place.otherId);
  if (!own?.beside || !other) return;
  const { sourceId } = other.child;
  // What a school holds back of its record from somebody is read into no other.
  const gone = parted || (await isHeldBack(deps.db, place.otherId));
  const [courses, states, remarks, terms] = [
    await placedCourses(own, place, other),
    await statesOf(deps.db, place.otherId, sourceId),
    await remarksOf(deps.db, place.otherId, sourceId),
    {
      mine: await wholeTerms(deps.db, own.child.sourceId),
      theirs: await wholeTerms(deps.db, sourceId),
      gone,
    },
  ];
  const byCourse = new Map(courses.map((each) => [each.course.id, each]));
  const items = await wholeItems(deps.db, place.otherId, [...byCourse.keys()], { sourceId });
  const people = [
    ...courses.flatMap(({ course: { teacher } }) => teacher ?? []),
    ...remarks.flatMap(({ authorId, author }) =>
      authorId && author ? [{ id: authorId, name: author, email: null }] : [],
    ),
  ];
  const known = new Set(items.map(({ id }) => id));
  const rounds = gone ? [] : roundsOf(states.filter(({ itemId }) => known.has(itemId)));
  const frame = {
    ...frameOf(courses, other, own, terms),
    teachers: [...new Map(people.map((each) => [each.id, each])).values()].map(({ id, name, email }) => ({
      ...{ id: named(id), name, email },
    })),
    items: items.flatMap((item) => {
      const course = byCourse.get(item.courseId);
      return course ? [itemRecord(item, course, gone)] : [];
    }),
    comments: remarks.flatMap((remark) => {
      const course = byCourse.get(remark.courseId);
      return course ? [{ ...remarkRecord(remark, course, own), gone }] : [];
    }),
  };
  const results = rounds.map((round) => ({ results: round.map((state) => resultRecord(state, own)) }));
  await deps.reading.onMirrored(deps.db, place, {
    gone,
    courses: new Map(courses.flatMap(({ course, into }) => (into ? [[course.id, into.id]] : []))),
    author: other.child.school.name,
  });
  await writeOwn(own, [frame, ...results], { backlog });
}

/** What reads another record into a child's anew; asked for when that record has changed. */
export async function wantMirrors(trx: Trx, studentIds: readonly string[]): Promise<void> {
  const places = await readInto(trx, studentIds);
  const jobs = places.map((place): Job => ({
    task: 'mirror',
    payload: { ...place },
    key: `mirror:${place.householdId}:${place.studentId}:${place.otherId}`,
  }));
  if (jobs.length > 0) await addJobs(trx, jobs);
}
