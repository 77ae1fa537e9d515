import type { Child, Desk, NewPiece, NewWord } from '@cadro/contract';
import { dateIn, dayMs } from '@cadro/core';
import { agreedBy } from '../followups';
import { childsTargets, itemOf } from '../gradebook';
import { familyWith, householdOf, requireChild } from '../household';
import { HttpProblem, type Db, type Deps } from '../kit';
import { enrolled } from '../records';
import * as store from './store';

/** What teachers wrote stays on the desk for so long. */
const teachersDays = 28;

/** A desk that is open before somebody: the child, or one of its family. */
export interface Open {
  readonly child: Child;
  readonly owner: store.Owner;
  /** The name under which one writes. */
  readonly author: string;
  /** Whether it is the child itself that looks. */
  readonly own: boolean;
}

/** @throws HttpProblem 404 for a child that is not linked, 403 where the desk is not one's to see, or to use so. */
export async function openDesk(
  db: Db,
  guardianId: string,
  studentId: string,
  permission: 'read-desk' | 'keep-desk' | 'write-talk' | 'do-work',
): Promise<Open> {
  const child = await requireChild(db, guardianId, studentId, permission);
  const { id: householdId, givenName: author } = await householdOf(db, guardianId);
  return { child, owner: { studentId, householdId }, author, own: child.role === 'student' };
}

const teachersView = (row: store.CommentRow): Desk['teachers'][number] => ({
  courseId: row.course_id,
  courseTitle: row.course_title,
  itemId: row.item_id,
  itemTitle: row.item_title,
  commentId: row.comment_id,
  text: row.text,
  author: row.author,
  writtenAt: row.written_at.toISOString(),
});

const wordView = (row: store.WordRow): Desk['words'][number] => ({
  ...{ id: row.id, wish: row.wish, text: row.text, at: row.at.toISOString(), author: row.author },
  ...{ courseId: row.course_id, courseTitle: row.course_title },
  ...{ itemId: row.item_id, itemTitle: row.item_title },
  comment:
    row.comment_id === null
      ? null
      : { id: row.comment_id, text: row.comment_text ?? '', author: row.comment_author ?? '' },
  seen: row.seen_at && { at: row.seen_at.toISOString(), by: row.seen_by ?? '' },
});

const pieceView = (row: store.PieceRow): Desk['pieces'][number] => ({
  ...{ id: row.id, itemId: row.item_id, courseId: row.course_id, courseTitle: row.course_title },
  ...{ title: row.title, why: row.why, at: row.at.toISOString(), shown: row.shown },
});

/** To the child all of its desk; to its family what it shows them. */
export async function deskOf({ db, clock }: Deps, { child, owner, own }: Open): Promise<Desk> {
  const now = await clock.now();
  const since = new Date(now.getTime() - teachersDays * dayMs);
  const shares = await store.sharesOf(db, owner);
  const [teachers, words, pieces, aims, family, agreed] = await Promise.all([
    own ? store.teachersWords(db, child.id, since) : [],
    store.wordsOf(db, owner),
    store.piecesOf(db, owner),
    own || shares.aims ? childsTargets(db, owner) : [],
    familyWith(db, owner),
    agreedBy(db, owner),
  ]);
  return {
    studentId: child.id,
    today: dateIn(child.timeZone, now),
    teachers: teachers.map(teachersView),
    words: words.map(wordView),
    pieces: pieces.filter(({ shown }) => own || shown).map(pieceView),
    aims,
    agreed,
    shares,
    family: family.flatMap(({ givenName, role }) =>
      role === 'guardian' || role === 'look-only' ? [givenName] : [],
    ),
    joined: family.some(({ role }) => role === 'student'),
  };
}

/** @throws HttpProblem 400 unless one thing is named, 404 where it is not of this child's record. */
async function requireAbout(db: Db, studentId: string, about: NewWord): Promise<void> {
  const { courseId, itemId, commentId } = about;
  if ([courseId, itemId, commentId].filter((id) => id !== undefined).length !== 1)
    throw new HttpProblem('bad-request');
  const known = courseId
    ? await enrolled(db, studentId, courseId)
    : itemId
      ? (await itemOf(db, studentId, itemId)) !== undefined
      : await store.isCommentOf(db, studentId, commentId ?? '');
  if (!known) throw new HttpProblem('not-found');
}

export async function say({ db, clock }: Deps, { owner, author }: Open, word: NewWord): Promise<void> {
  await requireAbout(db, owner.studentId, word);
  const at = await clock.now();
  await db.transaction((trx) => store.putWord(trx, owner, word, { at, author }));
}

/** @throws HttpProblem 400 for a piece without a name, 404 for an assignment that is not the child's. */
export async function keepPiece({ db, clock }: Deps, { owner }: Open, piece: NewPiece): Promise<void> {
  const item = piece.itemId === undefined ? null : await itemOf(db, owner.studentId, piece.itemId);
  if (piece.itemId !== undefined && !item) throw new HttpProblem('not-found');
  const title = item?.title ?? piece.title;
  if (title === undefined) throw new HttpProblem('bad-request');
  await store.putPiece(db, owner, piece, { itemId: piece.itemId ?? null, title, at: await clock.now() });
}
