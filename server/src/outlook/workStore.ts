import type { AskedAnswer, ResultStatus } from '@cadro/contract';
import type { Db, Trx } from '../kit';
import { moveAbout, ofThisYear, type Dissolved } from '../records';

export interface WorkItem {
  readonly student_id: string;
  readonly course_id: string;
  readonly item_id: string;
  readonly title: string;
  readonly kind: string | null;
  readonly in_class: boolean | null;
  readonly possible: number;
  readonly counts: boolean;
  readonly assigned_at: Date;
  readonly assigned_told: boolean;
  readonly due_at: Date | null;
  readonly supplies: string[];
  readonly status: ResultStatus | null;
  readonly at: Date | null;
  readonly earned: number | null;
  readonly other_status: ResultStatus | null;
  readonly other_earned: number | null;
  readonly other_at: Date | null;
  readonly remarked: boolean;
  readonly told_minutes: number | null;
  readonly asked_answer: AskedAnswer | null;
  readonly asked_on: string | null;
  readonly source_name: string;
  readonly read_at: Date | null;
}

const columns = [
  'i.student_id',
  'i.course_id',
  'i.item_id',
  'i.title',
  'i.kind',
  'i.in_class',
  'i.possible',
  'i.counts',
  'i.assigned_at',
  'i.assigned_told',
  'i.due_at',
  'i.supplies',
  'i.status',
  'i.at',
  'i.earned',
  'h.status as other_status',
  'h.earned as other_earned',
  'h.at as other_at',
  'f.minutes as told_minutes',
  'a.answer as asked_answer',
  'a.on_date as asked_on',
  'src.name as source_name',
  'src.read_at',
] as const;

/**
 * The work of these children that is not plainly scored, and of the scored the loose ends among `looseIds`: one query.
 * Courses of this school year only.
 */
export const workItems = (
  db: Db,
  ask: {
    readonly studentIds: readonly string[];
    readonly householdId: string;
    /** Of whom one reads what they have said of their work. */
    readonly homeIds: readonly string[];
    /** Of whom the household's own notes may be read. */
    readonly talkIds: readonly string[];
    readonly looseIds: readonly string[];
    readonly now: Date;
    /** Work that is given out or due later is left out. */
    readonly until: Date;
  },
): Promise<WorkItem[]> =>
  db('student_items as i')
    .join('source_states as src', 'src.source_id', 'i.source_id')
    .joinRaw(
      `left join lateral (
         select h.status, h.at, h.earned from classroom_says h
         where h.student_id = i.student_id and h.item_id = i.item_id order by h.at desc limit 1) h on true
       left join lateral (
         select a.answer, a.on_date from asked_answers a
         where a.student_id = i.student_id and a.household_id = :household and a.item_id = i.item_id
           and i.student_id = any(:home)
         order by a.id desc limit 1) a on true
       left join efforts f on f.student_id = i.student_id and f.household_id = :household and f.item_id = i.item_id
         and i.student_id = any(:talk)`,
      { household: ask.householdId, home: [...ask.homeIds], talk: [...ask.talkIds] },
    )
    .whereIn('i.student_id', [...ask.studentIds])
    .where({ 'i.judged': true })
    .whereRaw(ofThisYear('i'), { now: ask.now })
    .whereRaw('(i.assigned_at <= :until or i.at is not null)', { until: ask.until })
    .whereRaw(`(coalesce(i.status, 'open') <> 'scored' or i.item_id = any(:loose))`, {
      loose: [...ask.looseIds],
    })
    .whereRaw(`(coalesce(i.status, 'open') <> 'open' or i.undated or i.due_at <= :until)`, {
      until: ask.until,
    })
    .select<WorkItem[]>(
      ...columns,
      db.raw(
        'exists (select from remarked_works m where m.student_id = i.student_id and m.item_id = i.item_id) as remarked',
      ),
    );

export interface EffortRow {
  readonly student_id: string;
  readonly kind: string | null;
  readonly possible: number;
  readonly minutes: number;
}

/** What a household has told about how long the work of its children takes. */
export const toldEfforts = (
  db: Db,
  studentIds: readonly string[],
  householdId: string,
): Promise<EffortRow[]> =>
  db('efforts as f')
    .join('course_items as i', 'i.item_id', 'f.item_id')
    .whereIn('f.student_id', [...studentIds])
    .where({ 'f.household_id': householdId })
    .select<EffortRow[]>('f.student_id', 'i.kind', 'i.possible', 'f.minutes');

interface Place {
  readonly studentId: string;
  readonly householdId: string;
  readonly itemId: string;
}
const keyOf = ({ studentId, householdId, itemId }: Place) => ({
  student_id: studentId,
  household_id: householdId,
  item_id: itemId,
});

export async function saveEffort(
  db: Db | Trx,
  place: Place,
  minutes: number | null,
  at: Date,
): Promise<void> {
  const key = keyOf(place);
  if (minutes === null) await db('efforts').where(key).delete();
  else {
    await db('efforts')
      .insert({ ...key, minutes, at })
      .onConflict(['student_id', 'household_id', 'item_id'])
      .merge();
  }
}

export async function addAnswer(
  db: Db,
  place: Place,
  entry: { readonly answer: AskedAnswer; readonly on: string; readonly at: Date; readonly author: string },
): Promise<void> {
  const { answer, on, at, author } = entry;
  await db('asked_answers').insert({ ...keyOf(place), answer, on_date: on, at, author });
}

/** What a child has said of some of its work, the first first. */
export async function answersAbout(
  db: Db,
  { householdId, studentId, itemIds }: Omit<Place, 'itemId'> & { readonly itemIds: readonly string[] },
): Promise<{ id: string; answer: AskedAnswer; at: Date; author: string }[]> {
  return db('asked_answers')
    .where({ student_id: studentId, household_id: householdId })
    .whereIn('item_id', [...itemIds])
    .orderBy('id')
    .select('id', 'answer', 'at', 'author');
}

/** What a household has said of its own work is said of the school's, once the two are one. */
export async function moveEfforts(trx: Trx, each: Dissolved): Promise<void> {
  await moveAbout(trx, { table: 'efforts' }, each);
  await moveAbout(trx, { table: 'asked_answers', also: ['id'] }, each);
}
