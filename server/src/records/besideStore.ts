import type { ResultStatus } from '@cadro/contract';
import type { Lead } from '@cadro/core/beside';
import type { Db, Trx } from '../kit';
import { standingResult } from './resultStore';

/** A work as one source tells it, with how it stands for a child. */
export interface ToldWork {
  readonly id: string;
  readonly studentId: string;
  readonly courseId: string;
  readonly title: string;
  readonly possible: number;
  readonly dueAt: Date | null;
  readonly timeZone: string;
  readonly removed: boolean;
  readonly status: ResultStatus;
  readonly earned: number | null;
  readonly late: boolean;
  readonly at: Date | null;
}

/** One that a household has of its own. */
export interface OwnWork extends ToldWork {
  readonly householdId: string;
  /** Whether it is in a course of the school's. */
  readonly beside: boolean;
  readonly sameAs: string | null;
  readonly maybe: string | null;
  readonly apart: readonly string[];
  readonly stands: boolean;
  /** Whose word somebody has said goes first of it; null for what is said of its course. */
  readonly lead: Lead | null;
}

const columns = [
  ...['i.id', 'i.course_id as courseId', 'i.title', 'i.possible', 'sch.time_zone as timeZone'],
  ...['i.removed', 'r.earned', 'r.at'],
];

const works = (db: Db | Trx) =>
  db('items as i')
    .join('courses as c', 'c.id', 'i.course_id')
    .join('schools as sch', 'sch.id', 'c.school_id');

const toldColumns = (db: Db | Trx) => [
  ...columns,
  db.raw(`coalesce(r.status, 'open') as status`),
  db.raw('coalesce(r.late, false) as late'),
  db.raw(`case when i.undated then null else i.due_at end as "dueAt"`),
];

/** What households have of their own of these children, gone or not; of one household alone, where that is asked for. */
export const ownWorks = (
  db: Db | Trx,
  studentIds: readonly string[],
  householdId?: string,
): Promise<OwnWork[]> =>
  works(db)
    .joinRaw(standingResult('i.student_id', 'i.id'))
    .whereIn('i.student_id', [...studentIds])
    .modify((query) => {
      if (householdId !== undefined) query.where({ 'i.household_id': householdId });
    })
    .orderBy(['i.due_at', 'i.title', 'i.id'])
    .select<OwnWork[]>(
      ...toldColumns(db),
      ...['i.student_id as studentId', 'i.household_id as householdId'],
      ...['i.same_as as sameAs', 'i.maybe', 'i.apart', 'i.stands', 'i.lead'],
      db.raw('c.household_id is null as beside'),
    );

/** What the school tells of these courses, as it stands for the children in them. */
export const theirWorks = (
  db: Db | Trx,
  studentIds: readonly string[],
  courseIds: readonly string[],
): Promise<ToldWork[]> =>
  works(db)
    .join('enrolments as e', 'e.course_id', 'c.id')
    .joinRaw(standingResult('e.student_id', 'i.id'))
    .whereIn('e.student_id', [...studentIds])
    .whereIn('i.course_id', [...courseIds])
    .whereNull('i.household_id')
    .orderBy(['i.due_at', 'i.title', 'i.id'])
    .select<ToldWork[]>(...toldColumns(db), 'e.student_id as studentId');

/** Whose word goes first, by `household:student:course`; the school's where nothing is said. */
export async function leadsOf(
  db: Db | Trx,
  studentIds: readonly string[],
): Promise<ReadonlyMap<string, Lead>> {
  const rows = await db('course_leads')
    .whereIn('student_id', [...studentIds])
    .select<{ household_id: string; student_id: string; course_id: string; lead: Lead }[]>();
  return new Map(rows.map((row) => [`${row.household_id}:${row.student_id}:${row.course_id}`, row.lead]));
}

export async function setLead(
  db: Db | Trx,
  key: { readonly studentId: string; readonly householdId: string; readonly courseId: string },
  lead: Lead,
): Promise<void> {
  await db('course_leads')
    .insert({ student_id: key.studentId, household_id: key.householdId, course_id: key.courseId, lead })
    .onConflict(['student_id', 'household_id', 'course_id'])
    .merge();
}

/** Says whose word goes first of one work of a household's. */
export const setWorkLead = async (db: Db | Trx, ownId: string, lead: Lead): Promise<void> =>
  void (await db('items').where({ id: ownId }).whereNotNull('household_id').update({ lead }));

/** Where a work of a household's own stands to the school's. */
export interface Placed {
  readonly id: string;
  readonly sameAs: string | null;
  readonly maybe: string | null;
  readonly stands: boolean;
}

export async function placeWorks(trx: Db | Trx, placed: readonly Placed[]): Promise<void> {
  if (placed.length === 0) return;
  await trx.raw(
    `update items i set same_as = p."sameAs", maybe = p.maybe, stands = p.stands
     from jsonb_to_recordset(:placed::jsonb) as p(id uuid, "sameAs" uuid, maybe uuid, stands boolean)
     where i.id = p.id`,
    { placed: JSON.stringify(placed) },
  );
}

/** What is remarked on a work that is one with a school's is a remark on that. */
export async function moveRemarks(trx: Db | Trx, studentIds: readonly string[]): Promise<void> {
  await trx.raw(
    `update comments m set item_id = t.same_as from items t
     where t.student_id = any(:ids) and t.same_as is not null and m.item_id = t.id and m.student_id = t.student_id`,
    { ids: [...studentIds] },
  );
}

/** Puts down what somebody has said: that a household's work is one with a school's, or that the two are two. */
export async function sayPair(
  db: Db | Trx,
  { ownId, itemId, same }: { readonly ownId: string; readonly itemId: string; readonly same: boolean },
): Promise<void> {
  await db.raw(
    same
      ? `update items set same_as = :itemId, maybe = null, apart = apart - :item::text where id = :ownId`
      : `update items set same_as = nullif(same_as, :itemId::uuid), maybe = nullif(maybe, :itemId::uuid), stands = false,
           apart = (apart - :item::text) || jsonb_build_array(:item::text) where id = :ownId`,
    { ownId, itemId, item: itemId },
  );
  if (same) return;
  // What was remarked on it goes with it again: it bears the work's own name.
  await db.raw(
    `update comments m set item_id = t.id from items t
     where t.id = :ownId and m.source_id = t.source_id and m.item_id = :itemId
       and starts_with(m.external_id, t.external_id || ':')`,
    { ownId, itemId },
  );
}
