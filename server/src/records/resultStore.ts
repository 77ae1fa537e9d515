import type { HandInTry, ResultStatus } from '@cadro/contract';
import type { Db } from '../kit';

export interface KeptState {
  readonly status: ResultStatus;
  readonly at: Date;
  readonly earned: number | null;
  readonly late: boolean;
  readonly levels: Record<string, number>;
}

/** A join of how a work stands for a child, as `r`; both are expressions of the statement. */
export const standingResult = (student: string, item: string): string => `left join lateral (
  select r.status, r.earned, r.late, r.at from results r
  where r.student_id = ${student} and r.item_id = ${item} order by r.at desc, r.seq desc limit 1) r on true`;

/** The courses of these children in which the teacher has ever flagged work as missing. */
export const coursesThatFlag = (db: Db, studentIds: readonly string[]): Promise<string[]> =>
  db('results as r')
    .join('items as i', 'i.id', 'r.item_id')
    .whereIn('r.student_id', [...studentIds])
    .where({ 'r.status': 'missing' })
    .distinct('i.course_id')
    .pluck('i.course_id');

/** The levels a child reached in the criteria of a work's rubric, the newest mark of each. */
export const rubricLevels = async (
  db: Db,
  studentId: string,
  itemId: string,
): Promise<ReadonlyMap<string, number>> => {
  const rows = await db('rubric_marks')
    .where({ student_id: studentId, item_id: itemId })
    .orderBy('written_at')
    .select<{ marks: { criterionId: string; level: number }[] }[]>('marks');
  return new Map(rows.flatMap(({ marks }) => marks.map(({ criterionId, level }) => [criterionId, level])));
};

export interface SaidOfWork {
  readonly status: ResultStatus;
  readonly earned: number | null;
  readonly at: Date | null;
}

export interface SeenInClassroom {
  readonly studentId: string;
  readonly itemId: string;
  readonly status: ResultStatus;
  readonly earned: number | null;
  readonly at: Date;
}

/** All that the classroom has seen of the children's works, by time: one query. */
export const classroomSeen = (db: Db, studentIds: readonly string[]): Promise<SeenInClassroom[]> =>
  db('hand_ins')
    .whereIn('student_id', [...studentIds])
    .orderBy([{ column: 'at' }, { column: 'item_id' }])
    .select<SeenInClassroom[]>('student_id as studentId', 'item_id as itemId', 'status', 'earned', 'at');

interface BothRow extends SaidOfWork {
  readonly student_id: string;
  readonly item_id: string;
  readonly is_status: ResultStatus | null;
  readonly is_earned: number | null;
  readonly is_at: Date | null;
}

/** Each time a child handed a work in, the latest first. */
export const handInTries = async (db: Db, studentId: string, itemId: string): Promise<HandInTry[]> =>
  (
    await db('hand_ins')
      .where({ student_id: studentId, item_id: itemId })
      .select<{ tries: HandInTry[] }[]>('tries')
  )
    .flatMap(({ tries }) => tries)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at));

/** What gradebook and classroom say of these works, where the classroom has said anything; by child and item. */
export async function classroomSaid(
  db: Db,
  studentIds: readonly string[],
  itemIds: readonly string[],
): Promise<Map<string, { gradebook: SaidOfWork; classroom: SaidOfWork }>> {
  const rows = await db('hand_ins as h')
    .whereIn('h.student_id', [...studentIds])
    .whereIn('h.item_id', [...itemIds])
    .joinRaw(
      `left join lateral (
         select r.status, r.earned, r.at from results r
         where r.student_id = h.student_id and r.item_id = h.item_id order by r.at desc, r.seq desc limit 1) r on true`,
    )
    .orderBy('h.at')
    .select<BothRow[]>(
      'h.student_id',
      'h.item_id',
      'h.status',
      'h.earned',
      'h.at',
      'r.status as is_status',
      'r.earned as is_earned',
      'r.at as is_at',
    );
  return new Map(
    rows.map(({ student_id, item_id, status, earned, at, is_status, is_earned, is_at }) => [
      `${student_id}:${item_id}`,
      {
        classroom: { status, earned, at },
        gradebook: { status: is_status ?? 'open', earned: is_earned, at: is_at },
      },
    ]),
  );
}
