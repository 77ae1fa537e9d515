import { dateIn } from '@cadro/core';
import { ownStands, pairWorks, type Lead, type PairedWork } from '@cadro/core/beside';
import { groupBy, type Db, type Trx } from '../kit';
import {
  leadsOf,
  moveRemarks,
  ownWorks,
  placeWorks,
  theirWorks,
  type OwnWork,
  type Placed,
  type ToldWork,
} from './besideStore';

const pairedWork = ({ id, title, possible, dueAt, timeZone, status }: ToldWork): PairedWork => ({
  ...{ id, title, possible, said: status !== 'open' },
  dueOn: dueAt === null ? null : dateIn(timeZone, dueAt),
});

/** Where a household's own works of one course stand to the school's of it. */
function placesIn(own: readonly OwnWork[], theirs: readonly ToldWork[], lead: Lead): Placed[] {
  const theirsById = new Map(theirs.map((each) => [each.id, each]));
  const there = (id: string | null): ToldWork | undefined => (id === null ? undefined : theirsById.get(id));
  // What was one with a work that the school has taken back may be one with another by now.
  const settled = own.filter(({ sameAs }) => there(sameAs)?.removed === false);
  const taken = new Set(settled.map(({ sameAs }) => sameAs));
  const open = own.filter((each) => !each.removed && !settled.includes(each));
  const pairs = pairWorks(
    open.map(pairedWork),
    theirs.filter(({ id, removed }) => !removed && !taken.has(id)).map(pairedWork),
    new Set(open.flatMap(({ id, apart }) => apart.map((other) => `${id}:${other}`))),
  );
  const pairOf = new Map(pairs.map((pair) => [pair.ownId, pair]));
  return own.map((each): Placed => {
    const pair = pairOf.get(each.id);
    // What it was one with may be in another course by now.
    const before = there(each.sameAs) ? each.sameAs : null;
    const sameAs = pair?.sure ? pair.theirId : before;
    const with_ = there(sameAs);
    return {
      id: each.id,
      sameAs,
      maybe: pair && !pair.sure ? pair.theirId : null,
      stands:
        with_ !== undefined &&
        !with_.removed &&
        !each.removed &&
        ownStands({ lead: each.lead ?? lead, theirs: with_, own: each }),
    };
  });
}

/** A household's work that is one with a school's from now on. */
export interface Dissolved {
  readonly householdId: string;
  readonly studentId: string;
  readonly ownId: string;
  readonly itemId: string;
}

const isSame = (own: OwnWork, placed: Placed): boolean =>
  own.sameAs === placed.sameAs && own.maybe === placed.maybe && own.stands === placed.stands;

/**
 * Lays what households have of their own over what the schools tell of the same children: finds which of their works are
 * the same, and whose word holds of each. Three queries, or one where nobody has anything; the same again changes nothing.
 * @returns what has become one with a work of the school's.
 */
export async function layBeside(trx: Db | Trx, studentIds: readonly string[]): Promise<Dissolved[]> {
  const own = (await ownWorks(trx, studentIds)).filter(({ beside }) => beside);
  if (own.length === 0) return [];
  const students = [...new Set(own.map(({ studentId }) => studentId))];
  const courses = [...new Set(own.map(({ courseId }) => courseId))];
  const theirs = groupBy(
    await theirWorks(trx, students, courses),
    ({ studentId, courseId }) => `${studentId}:${courseId}`,
  );
  const leads = await leadsOf(trx, students);
  const groups = groupBy(
    own,
    ({ householdId, studentId, courseId }) => `${householdId}:${studentId}:${courseId}`,
  );
  const placed = [...groups].flatMap(([key, works]) => {
    const [, studentId = '', courseId = ''] = key.split(':');
    return placesIn(works, theirs.get(`${studentId}:${courseId}`) ?? [], leads.get(key) ?? 'school');
  });
  const before = new Map(own.map((each) => [each.id, each]));
  await placeWorks(
    trx,
    placed.filter((each) => {
      const was = before.get(each.id);
      return was !== undefined && !isSame(was, each);
    }),
  );
  await moveRemarks(trx, students);
  return placed.flatMap(({ id, sameAs }) => {
    const was = before.get(id);
    if (!was || sameAs === null || was.sameAs === sameAs) return [];
    return [{ householdId: was.householdId, studentId: was.studentId, ownId: id, itemId: sameAs }];
  });
}
