import type { Agreement, MeetingChange, MeetingState, MeetingWay, OwnQuestion } from '@cadro/contract';
import { withWords, type Db, type Trx } from '../kit';
import { forgetAnswers } from './guestStore';

/** When and where. */
export interface Place {
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly way: MeetingWay;
  readonly place: string | null;
  readonly href: string | null;
}

export interface MeetingRow extends Place {
  readonly id: string;
  readonly household_id: string;
  readonly student_id: string;
  readonly teacher_id: string;
  readonly teacher_name: string;
  readonly slot_id: string | null;
  readonly state: MeetingState;
  readonly author: string;
  readonly guardian_id: string | null;
  readonly hidden: readonly string[];
  readonly questions: readonly OwnQuestion[];
  readonly notes: string | null;
  readonly agreed: readonly Agreement[];
  readonly sequence: number;
  readonly changed_at: Date;
  readonly version: number;
}

/** So many of the latest are told. */
const most = 200;

const meetings = (db: Db) =>
  db('meetings as m')
    .join('school_contacts as p', 'p.teacher_id', 'm.teacher_id')
    .select<MeetingRow[]>('m.*', 'p.name as teacher_name');

/** The meetings of a household about some children, the latest first. */
export const meetingsOf = (
  db: Db,
  householdId: string,
  studentIds: readonly string[],
): Promise<MeetingRow[]> =>
  meetings(db)
    .where({ 'm.household_id': householdId })
    .whereIn('m.student_id', [...studentIds])
    .orderBy([{ column: 'm.starts_at', order: 'desc' }, 'm.id'])
    .limit(most);

export const meetingById = async (db: Db, id: string): Promise<MeetingRow | undefined> =>
  (await meetings(db).where({ 'm.id': id }).limit(1))[0];

/** The meeting for which a household has a time that the school offers; undefined where it has none. */
export const meetingAt = async (
  db: Db,
  householdId: string,
  slotId: string,
): Promise<MeetingRow | undefined> =>
  (
    await meetings(db)
      .where({ 'm.household_id': householdId, 'm.slot_id': slotId, 'm.state': 'stands' })
      .limit(1)
  )[0];

export interface ToldMeeting extends MeetingRow {
  readonly given_name: string;
  readonly time_zone: string;
}

/** A meeting as it is told to others, while its household is linked to the child; undefined afterwards. */
export const toldMeeting = (db: Db, id: string): Promise<ToldMeeting | undefined> =>
  meetings(db)
    .join('student_profiles as s', 's.student_id', 'm.student_id')
    .where({ 'm.id': id })
    .whereRaw(
      `exists (select from standing_links l where l.student_id = m.student_id and l.household_id = m.household_id)`,
    )
    .first<ToldMeeting | undefined>('m.*', 'p.name as teacher_name', 's.given_name', 's.time_zone');

export type NewMeetingRow = Place &
  Pick<
    MeetingRow,
    'household_id' | 'student_id' | 'teacher_id' | 'slot_id' | 'author' | 'guardian_id' | 'changed_at'
  >;

/** @returns the new one's id; null where the household has that time already. */
export async function addMeeting(trx: Trx, row: NewMeetingRow): Promise<string | null> {
  const [added] = await trx('meetings')
    .insert({ ...row })
    .onConflict(trx.raw(`(slot_id, household_id) where state = 'stands'`))
    .ignore()
    .returning<{ id: string }[]>('id');
  return added?.id ?? null;
}

/** @returns whether it stood as it was read. */
export async function changeMeeting(
  trx: Trx,
  id: string,
  { version, hidden, questions, agreed, ...plain }: MeetingChange,
): Promise<boolean> {
  const json = Object.fromEntries(
    Object.entries({ hidden, questions, agreed }).flatMap(([name, value]) =>
      value === undefined ? [] : [[name, JSON.stringify(value)]],
    ),
  );
  const changed = await trx('meetings')
    .where({ id, version })
    .update({ ...plain, ...json, version: version + 1 });
  return changed === 1;
}

/** Changes what calendars have to hear of. @returns whether it stood there as it was read. */
export async function moveMeeting(
  trx: Trx,
  { id, version }: { readonly id: string; readonly version: number },
  to: Partial<Place & Pick<MeetingRow, 'slot_id' | 'state'>> & { readonly changed_at: Date },
): Promise<boolean> {
  const moved = await trx('meetings')
    .where({ id, version, state: 'stands' })
    .update({ ...to, sequence: trx.raw('sequence + 1'), version: version + 1 });
  if (moved !== 1) return false;
  if (to.starts_at) await forgetAnswers(trx, [id]);
  return true;
}

/** Which of the times that are given back no meeting has. @returns whether this one can go. */
export const isLet = async (db: Db, slotId: string, studentId: string): Promise<boolean> =>
  (await db('meetings').where({ slot_id: slotId, student_id: studentId, state: 'stands' }).first('id')) ===
  undefined;

/** What is asked, noted and agreed at a meeting, as one text. */
const said = `concat_ws(' ', p.name, m.notes,
  (select string_agg(q.value ->> 'text', ' ') from jsonb_array_elements(m.questions || m.agreed) q))`;

/** The meetings of a household in which each word stands. */
export const meetingsWith = (
  db: Db,
  householdId: string,
  { studentIds, words }: { readonly studentIds: readonly string[]; readonly words: readonly string[] },
): Promise<{ id: string; student_id: string; title: string; text: string; at: Date }[]> =>
  db
    .from(
      db('meetings as m')
        .join('school_contacts as p', 'p.teacher_id', 'm.teacher_id')
        .where({ 'm.household_id': householdId })
        .whereIn('m.student_id', [...studentIds])
        .select('m.id', 'm.student_id', 'p.name as title', db.raw(`${said} as text`), 'm.starts_at as at')
        .as('f'),
    )
    .modify((query) => withWords(query, 'f.text', words))
    .orderBy('f.at', 'desc')
    .limit(most)
    .select('f.id', 'f.student_id', 'f.title', 'f.text', 'f.at');

/** The meetings of a household that touch a span of time. */
export const meetingsBetween = (
  db: Db,
  householdId: string,
  studentIds: readonly string[],
  { from, to }: { readonly from: Date; readonly to: Date },
): Promise<MeetingRow[]> =>
  meetings(db)
    .where({ 'm.household_id': householdId })
    .whereIn('m.student_id', [...studentIds])
    .where('m.starts_at', '<=', to)
    .where('m.ends_at', '>=', from)
    .orderBy(['m.starts_at', 'm.id']);

/** Meetings still to come whose time the school has taken back, or given to others. @returns which. */
export const callOff = (db: Db, sourceId: string, now: Date): Promise<string[]> =>
  idsOf(
    db.raw(
      `update meetings m set state = 'called-off', sequence = m.sequence + 1, version = m.version + 1,
         changed_at = :now
       from student_slots o
       where o.source_id = :sourceId and o.slot_id = m.slot_id and o.student_id = m.student_id
         and m.state = 'stands' and m.starts_at > :now and (o.gone or o.taken and not o.ours)
       returning m.id`,
      { sourceId, now },
    ),
  );

/** Meetings still to come whose time the school has moved. @returns which. */
export async function followTimes(trx: Trx, sourceId: string, now: Date): Promise<string[]> {
  const moved = await idsOf(
    trx.raw(
      `update meetings m set starts_at = o.starts_at, ends_at = o.ends_at, way = o.way, place = o.place,
         href = o.href, sequence = m.sequence + 1, version = m.version + 1, changed_at = :now
       from student_slots o
       where o.source_id = :sourceId and o.slot_id = m.slot_id and o.student_id = m.student_id
         and m.state = 'stands' and m.starts_at > :now and not o.gone
         and (m.starts_at, m.ends_at, m.way, m.place, m.href)
           is distinct from (o.starts_at, o.ends_at, o.way, o.place, o.href)
       returning m.id`,
      { sourceId, now },
    ),
  );
  await forgetAnswers(trx, moved);
  return moved;
}

const idsOf = async (asked: PromiseLike<{ rows: { id: string }[] }>): Promise<string[]> =>
  (await asked).rows.map(({ id }) => id);
