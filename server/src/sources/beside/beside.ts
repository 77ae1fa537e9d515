import type { BesideRecord, BodyOf, besideRoutes, LaidWorks, PairedWorks, WorkTold } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { differencesOf, type Told } from '@cadro/core/beside';
import { HttpProblem } from '../../kit';
import {
  leadsOf,
  ownWorks,
  sayPair,
  setLead,
  setWorkLead,
  theirWorks,
  wholeCourses,
  type OwnWork,
  type ToldWork,
} from '../../records';
import { requireOwn, type Own, type OwnDeps } from '../own/writeOwn';
import { candidatesOf, joinedRecords } from './joined';

/** A child with a school's record, for a guardian who writes beside it. */
export async function requireBeside(deps: OwnDeps, guardianId: string, studentId: string) {
  const own = await requireOwn(deps, guardianId, studentId);
  if (!own.beside) throw new HttpProblem('forbidden');
  return { ...own, beside: own.beside };
}

const dueOnOf = ({ dueAt, timeZone }: ToldWork): string | null =>
  dueAt === null ? null : dateIn(timeZone, dueAt);

const workView = (work: ToldWork): WorkTold => ({
  ...{ title: work.title, dueOn: dueOnOf(work), possible: work.possible },
  ...{ status: work.status, earned: work.earned, at: work.at?.toISOString() ?? null },
});

const pairView = (own: OwnWork, theirs: ToldWork): PairedWorks => ({
  ...{ ownId: own.id, itemId: theirs.id, courseId: own.courseId },
  ...{ own: workView(own), theirs: workView(theirs) },
});

const told = (work: ToldWork): Told => ({
  ...{ status: work.status, earned: work.earned, late: work.late, possible: work.possible },
  ...{ atMs: work.at?.getTime() ?? null, dueOn: dueOnOf(work) },
});

/** What a household and the school both tell of, and where they differ. */
async function bothOf({ deps: { db }, child, now }: Own, own: readonly OwnWork[]) {
  const theirs = await theirWorks(db, [child.id], [...new Set(own.map(({ courseId }) => courseId))]);
  const byId = new Map(theirs.map((each) => [each.id, each]));
  const pairs = (which: (each: OwnWork) => string | null) =>
    own.flatMap((each): [OwnWork, ToldWork][] => {
      const id = which(each);
      const their = id === null ? undefined : byId.get(id);
      return their ? [[each, their]] : [];
    });
  return {
    asks: pairs(({ maybe, sameAs }) => (sameAs === null ? maybe : null)).map(([mine, their]) =>
      pairView(mine, their),
    ),
    laid: pairs(({ sameAs }) => sameAs).map(([mine, their]): LaidWorks => ({
      ...pairView(mine, their),
      stands: mine.stands,
      differences: differencesOf(told(their), told(mine), now.getTime()),
    })),
  };
}

/** What a household has beside the school's record of a child. */
export async function besideOf(deps: OwnDeps, guardianId: string, studentId: string): Promise<BesideRecord> {
  const own = await requireBeside(deps, guardianId, studentId);
  const { householdId } = own.beside;
  const { db } = own.deps;
  const courses = await wholeCourses(own.reads, studentId);
  const seen = new Set(courses.map(({ id }) => id));
  const works = (await ownWorks(db, [studentId], householdId)).filter(
    ({ removed, courseId }) => !removed && seen.has(courseId),
  );
  const leads = await leadsOf(db, [studentId]);
  return {
    courses: courses.flatMap(({ id, title, own: isOwn }) => {
      const inIt = works.filter(({ courseId }) => courseId === id);
      if (inIt.length === 0 && !isOwn) return [];
      const lead = leads.get(`${householdId}:${studentId}:${id}`) ?? 'school';
      const shared = inIt.filter(({ sameAs }) => sameAs !== null).length;
      return [{ id, title, own: isOwn, lead, works: inIt.length, shared }];
    }),
    ...(await bothOf(own, works)),
    joined: await joinedRecords(own.deps, own.beside),
    candidates: await candidatesOf(deps, guardianId, own),
  };
}

/** Says that two works are one, or two. */
export async function putPair(
  deps: OwnDeps,
  guardianId: string,
  studentId: string,
  said: BodyOf<typeof besideRoutes.pair>,
): Promise<void> {
  const own = await requireBeside(deps, guardianId, studentId);
  const { db } = own.deps;
  const seen = new Set((await wholeCourses(own.reads, studentId)).map(({ id }) => id));
  const mine = (await ownWorks(db, [studentId], own.beside.householdId)).find(
    ({ id, courseId }) => id === said.ownId && seen.has(courseId),
  );
  const theirs = mine && (await theirWorks(db, [studentId], [mine.courseId]));
  if (!theirs?.some(({ id }) => id === said.itemId)) throw new HttpProblem('not-found');
  await sayPair(db, said);
  await own.deps.onWritten(own.deps, studentId);
}

/** Says whose word goes first in a course. */
export async function putLead(
  deps: OwnDeps,
  guardianId: string,
  studentId: string,
  { courseId, ownId, lead }: BodyOf<typeof besideRoutes.lead>,
): Promise<void> {
  const own = await requireBeside(deps, guardianId, studentId);
  const courses = await wholeCourses(own.reads, studentId);
  if (!courses.some(({ id }) => id === courseId)) throw new HttpProblem('not-found');
  const { db } = own.deps;
  const { householdId } = own.beside;
  if (ownId === undefined) await setLead(db, { studentId, householdId, courseId }, lead);
  else {
    const mine = await ownWorks(db, [studentId], householdId);
    if (!mine.some((each) => each.id === ownId && each.courseId === courseId))
      throw new HttpProblem('not-found');
    await setWorkLead(db, ownId, lead);
  }
  await own.deps.onWritten(own.deps, studentId);
}
