import type { NewPiece, NewWord, Wish } from '@cadro/contract';
import type { Db, Trx } from '../kit';
import { moveAbout, type Dissolved } from '../records';

/** Whose desk: a child's, of the household it shows it to. */
export interface Owner {
  readonly studentId: string;
  readonly householdId: string;
}
const keyOf = ({ studentId, householdId }: Owner) => ({ student_id: studentId, household_id: householdId });

export interface Shares {
  readonly evenings: boolean;
  readonly aims: boolean;
}
/** Until somebody says otherwise: the evenings are planned with the child, its aims are its own. */
const usual: Shares = { evenings: true, aims: false };

export async function sharesOf(db: Db, owner: Owner): Promise<Shares> {
  const rows = await db('desk_shares')
    .where(keyOf(owner))
    .select<{ what: keyof Shares; shown: boolean }[]>('what', 'shown');
  return { ...usual, ...Object.fromEntries(rows.map(({ what, shown }) => [what, shown])) };
}

export async function putShare(db: Db, owner: Owner, what: keyof Shares, shown: boolean): Promise<void> {
  await db('desk_shares')
    .insert({ ...keyOf(owner), what, shown })
    .onConflict(['student_id', 'household_id', 'what'])
    .merge(['shown']);
}

export interface CommentRow {
  readonly comment_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string | null;
  readonly item_title: string | null;
  readonly text: string;
  readonly author: string;
  readonly written_at: Date;
}

/** What teachers wrote about a child's work since then, the newest first. */
export const teachersWords = (db: Db, studentId: string, since: Date): Promise<CommentRow[]> =>
  db('student_comments')
    .where({ student_id: studentId })
    .where('written_at', '>=', since)
    .orderBy([{ column: 'written_at', order: 'desc' }, 'comment_id'])
    .select<CommentRow[]>(
      ...(['comment_id', 'course_id', 'course_title', 'item_id', 'item_title'] as const),
      ...(['text', 'author', 'written_at'] as const),
    );

export const isCommentOf = async (db: Db, studentId: string, commentId: string): Promise<boolean> =>
  (await db('student_comments')
    .where({ student_id: studentId, comment_id: commentId })
    .first('comment_id')) !== undefined;

export interface WordRow {
  readonly id: string;
  readonly wish: Wish;
  readonly text: string | null;
  readonly at: Date;
  readonly author: string;
  readonly seen_at: Date | null;
  readonly seen_by: string | null;
  readonly course_id: string;
  readonly course_title: string;
  readonly item_id: string | null;
  readonly item_title: string | null;
  readonly comment_id: string | null;
  readonly comment_text: string | null;
  readonly comment_author: string | null;
}

/** What the child has said, each with what it is about. */
export const wordsOf = (db: Db, owner: Owner): Promise<WordRow[]> =>
  db('desk_words as w')
    .leftJoin('student_comments as m', (on) =>
      on.on('m.student_id', 'w.student_id').andOn('m.comment_id', 'w.comment_id'),
    )
    .joinRaw(
      'left join course_items i on i.item_id = case when w.item_id is null then m.item_id else w.item_id end',
    )
    .joinRaw('join school_courses c on c.course_id = coalesce(w.course_id, i.course_id, m.course_id)')
    .where({ 'w.student_id': owner.studentId, 'w.household_id': owner.householdId })
    .orderBy('w.seq', 'desc')
    .select<WordRow[]>(
      ...(['w.id', 'w.wish', 'w.text', 'w.at', 'w.author', 'w.seen_at', 'w.seen_by'] as const),
      ...(['c.course_id', 'c.title as course_title', 'i.item_id', 'i.title as item_title'] as const),
      ...(['w.comment_id', 'm.text as comment_text', 'm.author as comment_author'] as const),
    );

/** Said once of each thing: what is said again takes its place, and is new to the family. */
export async function putWord(
  trx: Trx,
  owner: Owner,
  { wish, text, courseId, itemId, commentId }: NewWord,
  by: { readonly at: Date; readonly author: string },
): Promise<void> {
  const about = { course_id: courseId ?? null, item_id: itemId ?? null, comment_id: commentId ?? null };
  await trx('desk_words')
    .where({ ...keyOf(owner), wish, ...about })
    .delete();
  await trx('desk_words').insert({ ...keyOf(owner), ...about, wish, text: text ?? null, ...by });
}

export const dropWord = async (db: Db, owner: Owner, id: string): Promise<boolean> =>
  (await db('desk_words')
    .where({ ...keyOf(owner), id })
    .delete()) === 1;

/** Who saw it first stays. Tells whether there is such a word. */
export async function putSeen(
  db: Db,
  owner: Owner,
  id: string,
  { at, by }: { readonly at: Date; readonly by: string },
): Promise<boolean> {
  const changed = await db('desk_words')
    .where({ ...keyOf(owner), id })
    .update({ seen_at: db.raw('coalesce(seen_at, ?)', [at]), seen_by: db.raw('coalesce(seen_by, ?)', [by]) });
  return changed === 1;
}

export interface PieceRow {
  readonly id: string;
  readonly item_id: string | null;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly title: string;
  readonly why: string;
  readonly at: Date;
  readonly shown: boolean;
}

export const piecesOf = (db: Db, owner: Owner): Promise<PieceRow[]> =>
  db('desk_pieces as p')
    .leftJoin('course_items as i', 'i.item_id', 'p.item_id')
    .leftJoin('school_courses as c', 'c.course_id', 'i.course_id')
    .where({ 'p.student_id': owner.studentId, 'p.household_id': owner.householdId })
    .orderBy('p.seq', 'desc')
    .select<PieceRow[]>(
      ...(['p.id', 'p.item_id', 'i.course_id', 'c.title as course_title', 'p.title'] as const),
      ...(['p.why', 'p.at', 'p.shown'] as const),
    );

/** An assignment is kept once: kept again it has the new word why. */
export async function putPiece(
  db: Db,
  owner: Owner,
  { why, shown }: NewPiece,
  of: { readonly itemId: string | null; readonly title: string; readonly at: Date },
): Promise<void> {
  await db('desk_pieces')
    .insert({ ...keyOf(owner), item_id: of.itemId, title: of.title, why, at: of.at, shown })
    .onConflict(['student_id', 'household_id', 'item_id'])
    .merge(['why', 'shown']);
}

export const changePiece = async (
  db: Db,
  owner: Owner,
  id: string,
  change: { readonly why?: string; readonly shown?: boolean },
): Promise<boolean> =>
  (await db('desk_pieces')
    .where({ ...keyOf(owner), id })
    .update(change)) === 1;

export const dropPiece = async (db: Db, owner: Owner, id: string): Promise<boolean> =>
  (await db('desk_pieces')
    .where({ ...keyOf(owner), id })
    .delete()) === 1;

/** What a child has put on its desk of a household's own work is the school's, once the two are one. */
export async function moveDesk(trx: Trx, each: Dissolved): Promise<void> {
  await moveAbout(trx, { table: 'desk_pieces' }, each);
  await moveAbout(trx, { table: 'desk_words', also: ['wish'] }, each);
}
