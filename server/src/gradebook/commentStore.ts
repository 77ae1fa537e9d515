import type { CommentAbout, CommentSubject, Offer, ReadOffer, ResultStatus } from '@cadro/contract';
import { offerStanding, type CommentFacts, type OfferedWork } from '@cadro/core';
import { endOfDay, type Db } from '../kit';

const millis = (at: Date | null): number | null => at && at.getTime();

export interface CommentRow {
  readonly id: string;
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string | null;
  readonly item_title: string | null;
  readonly subject: CommentSubject;
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
  readonly time_zone: string;
  readonly about: CommentAbout | null;
  readonly recording: {
    readonly href: string;
    readonly seconds: number;
    readonly text: string | null;
  } | null;
  readonly elsewhere: string | null;
  readonly offers: readonly Offer[] | null;
  /** How the work it is about stands now, and when the classroom last saw it handed in. */
  readonly status: ResultStatus | null;
  readonly status_at: Date | null;
  readonly seen_at: Date | null;
  readonly possible: number | null;
  readonly counts: boolean | null;
  /** The household's answers by the offer's place. */
  readonly answers: Readonly<Record<string, NonNullable<ReadOffer['answer']>>> | null;
}

export const commentColumns = [
  'm.comment_id as id',
  'm.student_id',
  'm.course_id',
  'm.course_title',
  'm.item_id',
  'm.item_title',
  'm.subject',
  'm.text',
  'm.author',
  'm.written_at',
  'm.offers',
  'm.time_zone',
  'm.about',
  'm.recording',
  'm.elsewhere',
];

/** Comments about the given children, newest first. */
export const commentsOf = (
  db: Db,
  studentIds: readonly string[],
  where: {
    guardianId?: string;
    commentId?: string;
    courseId?: string;
    itemId?: string;
    since?: Date;
    /** Those with an offer that a household has answered. */
    answered?: boolean;
  },
): Promise<CommentRow[]> =>
  db('student_comments as m')
    .leftJoin('student_items as i', (on) =>
      on.on('i.student_id', 'm.student_id').andOn('i.item_id', 'm.item_id'),
    )
    .whereIn('m.student_id', [...studentIds])
    .modify((query) => {
      if (where.commentId) query.where({ 'm.comment_id': where.commentId });
      if (where.courseId) query.where({ 'm.course_id': where.courseId });
      if (where.itemId) query.where({ 'm.item_id': where.itemId });
      if (where.answered) {
        const answered = db('offer_answers')
          .whereIn('student_id', [...studentIds])
          .select('comment_id');
        query.whereIn('m.comment_id', answered);
      }
      if (where.since) query.where('m.written_at', '>=', where.since);
    })
    .orderBy('m.written_at', 'desc')
    .select<CommentRow[]>(
      ...commentColumns,
      'i.status',
      'i.at as status_at',
      'i.possible',
      'i.counts',
      db.raw(
        `(select max(h.at) from classroom_says h
          where h.student_id = m.student_id and h.item_id = m.item_id) as seen_at`,
      ),
      db.raw(
        `(select jsonb_object_agg(a.place, a.answer) from offer_answers a
          join guardian_profiles g on g.household_id = a.household_id
          where a.student_id = m.student_id and a.comment_id = m.comment_id and g.guardian_id = ?) as answers`,
        [where.guardianId ?? null],
      ),
    );

/** A comment as the Brief and the alerts ask for it. */
export const commentFacts = (
  row: Omit<CommentRow, 'offers' | 'answers' | 'status' | 'status_at' | 'seen_at' | 'possible' | 'counts'>,
): CommentFacts => ({
  studentId: row.student_id,
  courseId: row.course_id,
  courseTitle: row.course_title,
  itemId: row.item_id,
  itemTitle: row.item_title,
  subject: row.subject,
  text: row.text,
  author: row.author,
  writtenAt: row.written_at.toISOString(),
});

/** The offers of a comment, each with what the household made of it and whether it still asks for something. */
export function offersOf(row: CommentRow, now: Date): ReadOffer[] {
  const { offers, answers, status, status_at, seen_at, item_id, time_zone } = row;
  const work: OfferedWork | null = item_id
    ? { status: status ?? 'open', atMs: millis(status_at), seenMs: millis(seen_at) }
    : null;
  return (offers ?? []).map((offer, place) => {
    const untilMs = offer.until === null ? null : endOfDay(offer.until, time_zone).getTime();
    const made = { untilMs, writtenAtMs: row.written_at.getTime() };
    return {
      ...offer,
      place,
      answer: answers?.[place] ?? null,
      standing: offerStanding(made, work, now.getTime()),
    };
  });
}

/** Where a comment's recording is kept, and by which source; undefined where there is no such comment of the child. */
export const recordingFile = (
  db: Db,
  { studentId, commentId }: { readonly studentId: string; readonly commentId: string },
): Promise<{ recording: CommentRow['recording']; base_url: string } | undefined> =>
  db('student_comments as m')
    .join('source_states as src', 'src.source_id', 'm.source_id')
    .where({ 'm.student_id': studentId, 'm.comment_id': commentId })
    .first('m.recording', 'src.base_url');
