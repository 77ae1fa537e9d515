import type {
  AbsenceClaim,
  Check,
  FollowUpStep,
  FollowUpTopic,
  LookFact,
  LooseEndKind,
  Outcome,
  Owner,
  Repeats,
} from '@cadro/contract';
import type { Db, Trx } from '../kit';

export * from './entryStore';

/** One of several works of a follow-up, with the loose end it was; null when it was none. */
export interface WorkInHand {
  readonly itemId: string;
  readonly kind: LooseEndKind | null;
}

export interface FollowUpRow {
  readonly id: string;
  readonly student_id: string;
  readonly household_id: string;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly item_id: string | null;
  readonly works: readonly WorkInHand[];
  readonly topic: FollowUpTopic;
  readonly absence: AbsenceClaim | null;
  readonly title: string;
  readonly loose_end_kind: LooseEndKind | null;
  readonly step: FollowUpStep;
  readonly look_again_on: string | null;
  readonly outcome: Outcome | null;
  readonly version: number;
  readonly updated_at: Date;
  readonly teacher_id: string | null;
  readonly teacher_name: string | null;
  readonly teacher_email: string | null;
  readonly due_at: Date | null;
  readonly possible: number | null;
  readonly written: boolean;
  /** Who took it in hand, and when. */
  readonly taken_by: string | null;
  readonly taken_at: Date | null;
  readonly owner_kind: Owner['kind'];
  readonly owner_id: string | null;
  readonly owner_name: string | null;
  readonly asked_by: string | null;
  readonly asked_name: string | null;
  readonly asked_state: 'asked' | 'accepted' | null;
  readonly asked_word: string | null;
  readonly checklist: readonly Check[];
  readonly look_again_when: LookFact | null;
  readonly repeats: Repeats | null;
  readonly child_done_at: Date | null;
  readonly merged_into: string | null;
  readonly forgotten_at: Date | null;
  /** Where one that is merged or forgotten stood. */
  readonly step_before: FollowUpStep | null;
}
export type OpenFollowUp = FollowUpRow;

/** Follow-ups belong to a household; a guardian sees those of the own one, about linked children. */
const visible = (db: Db, guardianId: string, studentIds: readonly string[]) =>
  db('followups as f')
    .join('guardian_profiles as g', 'g.household_id', 'f.household_id')
    .join('student_profiles as s', 's.student_id', 'f.student_id')
    .leftJoin('school_courses as c', 'c.course_id', 'f.course_id')
    // Who answers: the course's teacher, or for attendance the school's desk.
    .joinRaw(
      `left join school_contacts p
         on p.teacher_id = case when f.topic = 'attendance' then s.attendance_desk_id else c.teacher_id end`,
    )
    .leftJoin('course_items as i', 'i.item_id', 'f.item_id')
    .joinRaw(
      `left join lateral (
         select e.author, e.at from followup_entries e
         where e.student_id = f.student_id and e.followup_id = f.id order by e.at, e.id limit 1) taken on true`,
    )
    .leftJoin('guardian_profiles as o', 'o.guardian_id', 'f.owner_id')
    .leftJoin('guardian_profiles as a', 'a.guardian_id', 'f.asked_by')
    .where({ 'g.guardian_id': guardianId })
    .whereIn('f.student_id', [...studentIds])
    .select<FollowUpRow[]>(
      'f.id',
      'f.student_id',
      'f.household_id',
      'f.course_id',
      'c.title as course_title',
      'f.item_id',
      'f.works',
      'f.topic',
      'f.absence',
      'f.title',
      'f.loose_end_kind',
      'f.step',
      'f.look_again_on',
      'f.outcome',
      'f.version',
      'f.updated_at',
      'p.teacher_id',
      'p.name as teacher_name',
      'p.email as teacher_email',
      'i.due_at',
      'i.possible',
      db.raw(
        `exists (select from followup_entries w
           where w.student_id = f.student_id and w.followup_id = f.id and w.kind = 'written') as written`,
      ),
      'taken.author as taken_by',
      'taken.at as taken_at',
      ...['f.owner_kind', 'f.owner_id', 'o.name as owner_name', 'f.asked_by', 'a.name as asked_name'],
      ...['f.asked_state', 'f.asked_word', 'f.checklist', 'f.look_again_when', 'f.repeats'],
      ...['f.child_done_at', 'f.merged_into', 'f.forgotten_at', 'f.step_before'],
    );

export const openFollowUps = (
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<FollowUpRow[]> =>
  visible(db, guardianId, studentIds).whereNot({ 'f.step': 'settled' }).orderBy('f.look_again_on');

export const allFollowUps = (
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<FollowUpRow[]> =>
  visible(db, guardianId, studentIds)
    .whereNull('f.merged_into')
    .whereNull('f.forgotten_at')
    .orderByRaw(`f.step = 'settled', f.look_again_on nulls last, f.updated_at desc`);

export const followUpById = (
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  id: string,
): Promise<FollowUpRow | undefined> =>
  visible(db, guardianId, studentIds)
    .where({ 'f.id': id })
    .then((rows: FollowUpRow[]) => rows[0]);

/** What a follow-up is about; there is one open at a time about the same thing in a household. */
export interface Subject {
  readonly studentId: string;
  readonly topic: FollowUpTopic;
  readonly courseId: string | null;
  readonly itemId: string | null;
  /** Several works of the course; empty for one or none. */
  readonly itemIds?: readonly string[];
  /** Tells one absence from another; empty for everything else. */
  readonly absenceKey?: string;
}

export const openFollowUpAbout = (
  db: Db,
  guardianId: string,
  { studentId, topic, courseId, itemId, absenceKey = '' }: Subject,
): Promise<string | null> =>
  visible(db, guardianId, [studentId])
    .where({ 'f.topic': topic, 'f.course_id': courseId, 'f.item_id': itemId, 'f.absence_key': absenceKey })
    .whereNot({ 'f.step': 'settled' })
    .then((rows: FollowUpRow[]) => rows[0]?.id ?? null);

export async function insertFollowUp(
  trx: Trx,
  row: {
    student_id: string;
    household_id: string;
    course_id: string | null;
    item_id: string | null;
    topic: FollowUpTopic;
    title: string;
    loose_end_kind: LooseEndKind | null;
    step: FollowUpStep;
    look_again_on: string | null;
    updated_at: Date;
    works: readonly WorkInHand[];
    absence?: AbsenceClaim;
    absence_key?: string;
    owner_id?: string | null;
  },
): Promise<string> {
  const absence = row.absence ? JSON.stringify(row.absence) : null;
  const [inserted] = await trx('followups')
    .insert({ ...row, works: JSON.stringify(row.works), absence })
    .returning<{ id: string }[]>('id');
  if (!inserted) throw new Error('a follow-up could not be stored');
  return inserted.id;
}

export interface Change {
  readonly step?: FollowUpStep;
  readonly look_again_on?: string | null;
  readonly outcome?: Outcome | null;
  readonly owner_kind?: Owner['kind'];
  readonly owner_id?: string | null;
  readonly asked_by?: string | null;
  readonly asked_state?: 'asked' | 'accepted' | null;
  readonly asked_word?: string | null;
  readonly checklist?: readonly Check[];
  readonly look_again_when?: LookFact | null;
  readonly repeats?: Repeats | null;
  readonly child_done_at?: Date | null;
  readonly merged_into?: string | null;
  readonly forgotten_at?: Date | null;
  readonly step_before?: FollowUpStep | null;
}

/** Changes the row only if it still has the version; tells whether it had. */
export async function changeIfVersion(
  trx: Trx,
  key: { studentId: string; followUpId: string; version: number },
  change: Change,
  at: Date,
): Promise<boolean> {
  const { outcome, checklist, repeats, ...plain } = change;
  const changed = await trx('followups')
    .where({ student_id: key.studentId, id: key.followUpId, version: key.version })
    .update({
      ...plain,
      ...(outcome === undefined ? {} : { outcome: outcome && JSON.stringify(outcome) }),
      ...(checklist === undefined ? {} : { checklist: JSON.stringify(checklist) }),
      ...(repeats === undefined ? {} : { repeats: repeats && JSON.stringify(repeats) }),
      version: key.version + 1,
      updated_at: at,
    });
  return changed === 1;
}

/** Deletes a follow-up that nobody has changed or written about meanwhile; tells whether it did. */
export const deleteUntouched = async (db: Db, key: { studentId: string; id: string }): Promise<boolean> =>
  (await db('followups as f')
    .where({ 'f.student_id': key.studentId, 'f.id': key.id, 'f.version': 1 })
    .whereNotExists(
      db('followup_entries as e')
        .whereRaw('e.student_id = f.student_id and e.followup_id = f.id')
        .where({ 'e.kind': 'written' }),
    )
    .delete()) === 1;

/** Those of the follow-ups that are open. */
export const stillOpen = (trx: Trx, ids: readonly string[]): Promise<{ id: string; student_id: string }[]> =>
  trx('followups')
    // Of one that was made one with another, the other.
    .where((is) =>
      is.whereIn('id', [...ids]).orWhereIn(
        'id',
        trx('followups')
          .whereIn('id', [...ids])
          .whereNotNull('merged_into')
          .select('merged_into'),
      ),
    )
    .whereNot({ step: 'settled' })
    .select('id', 'student_id');

/** What a household took in hand about one child's absences, open and settled, the latest first. */
export const absencesTakenInHand = (db: Db, guardianId: string, studentId: string): Promise<FollowUpRow[]> =>
  visible(db, guardianId, [studentId]).whereNotNull('f.absence').orderBy('f.updated_at', 'desc');
