import type { BodyOf, besideRoutes, JoinedCourse, JoinedRecord } from '@cadro/contract';
import { pairCourses, plainTitle } from '@cadro/core/beside';
import {
  childrenFor,
  isHeldBack,
  joinLinks,
  partLinks,
  requireChild,
  type JoinedPlace,
} from '../../household';
import { HttpProblem, type Db } from '../../kit';
import { wholeChild, wholeCourses, type Beside, type WholeChild } from '../../records';
import { findSource } from '../store';
import type { Own, OwnDeps } from '../own/writeOwn';
import * as store from './joinStore';
import { mirror } from './mirror';

const nameOf = ({ givenName, familyName }: WholeChild): string =>
  [givenName, familyName].filter(Boolean).join(' ');

/** The other records that are read into a child's, with which course is which. */
export async function joinedRecords({ db }: { readonly db: Db }, beside: Beside): Promise<JoinedRecord[]> {
  const joined = await store.joinedOf(db, beside);
  const into = new Map(
    (await store.joinedCourses(db, beside)).map(({ otherCourseId, courseId }) => [otherCourseId, courseId]),
  );
  const records: JoinedRecord[] = [];
  for (const { otherId, endedAt } of joined) {
    const child = await wholeChild(db, otherId);
    if (!child) continue;
    const courses = await wholeCourses(db, otherId);
    records.push({
      ...{ otherId, name: nameOf(child), schoolName: child.school.name },
      readAt: (await findSource(db, child.sourceId))?.read_at?.toISOString() ?? null,
      endedAt: endedAt?.toISOString() ?? null,
      courses: courses.map(({ id, title }) => ({
        ...{ otherCourseId: id, title, courseId: into.get(id) ?? null },
      })),
    });
  }
  return records;
}

const isNamedAlike = (a: { readonly givenName: string }, b: { readonly givenName: string }): boolean =>
  plainTitle(a.givenName) === plainTitle(b.givenName);

/** The household's other children of this one's name: their records may be of the same child. */
export async function candidatesOf(deps: OwnDeps, guardianId: string, { child }: Own) {
  const children = await childrenFor(deps.db, guardianId, 'write-record');
  return children
    .filter((each) => each.id !== child.id && isNamedAlike(each, child))
    .map(({ id, givenName, familyName, schoolName }) => ({
      ...{ id, name: [givenName, familyName].filter(Boolean).join(' '), schoolName },
    }));
}

/** Another record that a guardian may read into a child's: one they may write of, or one that is read into it already. */
async function requireOther(deps: OwnDeps, guardianId: string, own: Own, place: JoinedPlace): Promise<void> {
  if (place.otherId === own.child.id) throw new HttpProblem('bad-request');
  const joined = await store.joinedOf(own.deps.db, place);
  if (joined.some(({ otherId }) => otherId === place.otherId)) return;
  await requireChild(deps.db, guardianId, place.otherId, 'write-record');
  // What is held back of one record would be seen in the other.
  if (await isHeldBack(own.deps.db, place.otherId)) throw new HttpProblem('forbidden');
}

/** Which of another record's courses is probably which. */
export async function otherCourses(
  deps: OwnDeps,
  guardianId: string,
  own: Own & { readonly beside: Beside },
  otherId: string,
): Promise<JoinedCourse[]> {
  const { db } = own.deps;
  const place = { ...own.beside, otherId };
  await requireOther(deps, guardianId, own, place);
  const [mine, theirs] = [await wholeCourses(own.reads, own.child.id), await wholeCourses(db, otherId)];
  const said = new Map(
    (await store.joinedCourses(db, place)).map((row) => [row.otherCourseId, row.courseId]),
  );
  const guessed = pairCourses(
    theirs.map(({ title }) => title),
    mine.map(({ title }) => title),
  );
  return theirs.map(({ id, title }, at) => ({
    ...{ otherCourseId: id, title },
    courseId: said.has(id) ? (said.get(id) ?? null) : (mine[guessed[at] ?? -1]?.id ?? null),
  }));
}

/** Reads two records of one child as one, from now on. */
export async function join(
  deps: OwnDeps,
  guardianId: string,
  own: Own & { readonly beside: Beside },
  { otherId, courses }: BodyOf<typeof besideRoutes.join> & { readonly otherId: string },
): Promise<void> {
  const { db } = own.deps;
  const place = { ...own.beside, otherId };
  await requireOther(deps, guardianId, own, place);
  const [mine, theirs] = [await wholeCourses(own.reads, own.child.id), await wholeCourses(db, otherId)];
  const isKnown = ({ otherCourseId, courseId }: (typeof courses)[number]): boolean =>
    theirs.some(({ id }) => id === otherCourseId) &&
    (courseId === null || mine.some(({ id }) => id === courseId));
  if (!courses.every(isKnown)) throw new HttpProblem('not-found');
  await db.transaction(async (trx) => {
    await store.putJoined(trx, place, own.now);
    await store.putJoinedCourses(trx, place, courses);
    await joinLinks(trx, place);
  });
  await mirror(own.deps, place, { backlog: true });
}

/** Stops reading another record into a child's. @param keep whether what it has told stays. */
export async function part(
  own: Own & { readonly beside: Beside },
  { otherId, keep }: { readonly otherId: string; readonly keep: boolean },
): Promise<void> {
  const { db } = own.deps;
  const place = { ...own.beside, otherId };
  const joined = await store.joinedOf(db, place);
  if (!joined.some((each) => each.otherId === otherId)) throw new HttpProblem('not-found');
  if (keep) return db.transaction((trx) => store.endJoined(trx, place, own.now));
  await mirror(own.deps, place, { backlog: true, gone: true });
  const courses = await wholeCourses(db, otherId, { ended: true });
  await db.transaction(async (trx) => {
    await store.dropJoinedCourses(
      trx,
      place,
      courses.map(({ id }) => id),
    );
    await store.dropJoined(trx, place);
    await partLinks(trx, place);
  });
}
