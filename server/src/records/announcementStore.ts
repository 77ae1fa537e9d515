import type { SchoolWish } from '@cadro/contract';
import { withWords, type Db } from '../kit';

export interface AnnouncementRow {
  readonly id: string;
  /** The children it is for, of those that were asked of. */
  readonly student_ids: string[];
  readonly school_name: string;
  readonly time_zone: string;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly title: string;
  readonly text: string;
  readonly posted_at: Date;
  readonly known_at: Date;
  readonly gone: boolean;
  /** As the school states it; null where it does not. */
  readonly wish: SchoolWish | null;
  readonly answer_by: Date | null;
  readonly helpers: boolean | null;
  readonly href: string | null;
  /** Whom an answer goes to: the course's teacher, else the school's office. */
  readonly receiver_id: string | null;
  readonly receiver_name: string | null;
}

const same = [
  ...['a.announcement_id', 'a.school_name', 'a.time_zone', 'a.course_id', 'a.course_title', 'a.title'],
  ...['a.text', 'a.posted_at', 'a.known_at', 'a.gone', 'a.wish', 'a.answer_by', 'a.helpers', 'a.href'],
];

/** Announcements for the children, the newest first, each with those it is for. */
const announced = (db: Db, studentIds: readonly string[]) => {
  const receiver = (column: string) =>
    `case when t.email is not null then t.${column} when d.email is not null then d.${column} end`;
  return db('student_announcements as a')
    .leftJoin('school_contacts as t', 't.teacher_id', 'a.teacher_id')
    .leftJoin('school_contacts as d', 'd.teacher_id', 'a.desk_id')
    .whereIn('a.student_id', [...studentIds])
    .groupBy(...same, 't.email', 't.teacher_id', 't.name', 'd.email', 'd.teacher_id', 'd.name')
    .orderBy([{ column: 'a.posted_at', order: 'desc' }, 'a.title', 'a.announcement_id'])
    .select<AnnouncementRow[]>(
      'a.announcement_id as id',
      ...same.slice(1),
      db.raw(`${receiver('teacher_id')} as receiver_id`),
      db.raw(`${receiver('name')} as receiver_name`),
      db.raw('array_agg(a.student_id::text order by a.student_id) as student_ids'),
    );
};

/** So many of the newest are told. */
const most = 60;

/** @param only.ids of those that are asked for, however old. */
export const announcementsOf = (
  db: Db,
  studentIds: readonly string[],
  { ids }: { readonly ids?: readonly string[] } = {},
): Promise<AnnouncementRow[]> =>
  announced(db, studentIds)
    .modify((query) => void (ids && query.whereIn('a.announcement_id', [...ids])))
    .limit(most);

/** All that were posted since an instant, of however many children. */
export const announcementsSince = (
  db: Db,
  studentIds: readonly string[],
  since: Date,
): Promise<AnnouncementRow[]> => announced(db, studentIds).where('a.posted_at', '>=', since);

/** Announcements for the children in which each word stands, each once. */
export const announcementsWith = (
  db: Db,
  ask: { readonly studentIds: readonly string[]; readonly words: readonly string[]; readonly most: number },
): Promise<{ id: string; student_id: string; title: string; text: string; at: Date }[]> =>
  db('student_announcements')
    .whereIn('student_id', [...ask.studentIds])
    .modify((query) => withWords(query, `title || ' ' || text`, ask.words))
    .groupBy('announcement_id', 'title', 'text', 'posted_at')
    .orderBy('posted_at', 'desc')
    .limit(ask.most)
    .select(
      'announcement_id as id',
      db.raw('min(student_id::text) as student_id'),
      ...['title', 'text', 'posted_at as at'],
    );
