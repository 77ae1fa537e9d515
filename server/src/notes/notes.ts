import type { AnswerOf, NewNote, Note, NoteChange, noteRoutes, QueryOf } from '@cadro/contract';
import type { FoundRow } from '../followups';
import { childrenFor, householdOf, requireChild } from '../household';
import { HttpProblem, wordsIn, type Db, type Deps } from '../kit';
import { enrolled } from '../records';
import * as store from './store';

const noteView = (row: store.NoteRow, guardianId: string): Note => ({
  ...{ id: row.id, studentId: row.student_id, courseId: row.course_id, courseTitle: row.course_title },
  ...{ on: row.on_date, text: row.text, author: row.author, shared: row.shared },
  ...{ mine: row.guardian_id === guardianId, changedAt: row.changed_at.toISOString(), version: row.version },
});

export async function listNotes(
  { db }: Deps,
  guardianId: string,
  { studentId, courseId, q }: QueryOf<typeof noteRoutes.list>,
): Promise<AnswerOf<typeof noteRoutes.list>> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  const ids = children.map(({ id }) => id).filter((id) => studentId === undefined || id === studentId);
  const { id: householdId } = await householdOf(db, guardianId);
  const asked = { studentIds: ids, courseId, words: wordsIn(q ?? '') };
  const rows = await store.notesOf(db, { householdId, guardianId }, asked);
  return {
    notes: rows.slice(0, store.mostNotes).map((row) => noteView(row, guardianId)),
    more: rows.length > store.mostNotes,
  };
}

/** Notes in which each word stands, as a search names them. */
export async function notesWith(
  db: Db,
  guardianId: string,
  asked: { readonly studentIds: readonly string[]; readonly words: readonly string[] },
): Promise<FoundRow[]> {
  const { id: householdId } = await householdOf(db, guardianId);
  const rows = await store.notesOf(db, { householdId, guardianId }, asked);
  return rows.map(({ id, student_id, course_title, author, text, changed_at }) => ({
    ...{ id, student_id, title: course_title ?? author, text, at: changed_at },
  }));
}

/** Every note that a guardian may read, the latest day first. */
export async function exportedNotes({ db }: Deps, guardianId: string): Promise<Note[]> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  const { id: householdId } = await householdOf(db, guardianId);
  const asked = { studentIds: children.map(({ id }) => id), words: [], whole: true };
  const rows = await store.notesOf(db, { householdId, guardianId }, asked);
  return rows.map((row) => noteView(row, guardianId));
}

/** One note of one's own. @throws HttpProblem 404 for any other. */
async function ownNote({ db }: Deps, guardianId: string, id: string): Promise<store.NoteRow> {
  const { id: householdId } = await householdOf(db, guardianId);
  const row = await store.noteOf(db, { householdId, id });
  if (!row || row.guardian_id !== guardianId) throw new HttpProblem('not-found');
  await requireChild(db, guardianId, row.student_id, 'write-talk');
  return row;
}

export async function writeNote(deps: Deps, guardianId: string, note: NewNote): Promise<Note> {
  const { db, clock } = deps;
  const { studentId, courseId = null, on, text, shared } = note;
  await requireChild(db, guardianId, studentId, 'write-talk');
  if (courseId !== null && !(await enrolled(db, studentId, courseId))) throw new HttpProblem('not-found');
  const { id: householdId, author } = await householdOf(db, guardianId);
  const id = await store.addNote(db, {
    ...{ household_id: householdId, student_id: studentId, course_id: courseId, on_date: on, text },
    ...{ guardian_id: guardianId, author, shared, changed_at: await clock.now() },
  });
  return noteView(await ownNote(deps, guardianId, id), guardianId);
}

/** @throws HttpProblem 409 with both where it was changed on another screen since. */
export async function changeNote(
  deps: Deps,
  guardianId: string,
  id: string,
  change: NoteChange,
): Promise<Note> {
  const before = await ownNote(deps, guardianId, id);
  const { version, on = before.on_date, text = before.text, shared = before.shared } = change;
  const changed = { on_date: on, text, shared, changed_at: await deps.clock.now() };
  const done = await store.changeNote(deps.db, { id, version, guardianId }, changed);
  const after = noteView(await ownNote(deps, guardianId, id), guardianId);
  if (!done) throw new HttpProblem('edited-meanwhile', { current: after, yours: change });
  return after;
}

export async function dropNote(deps: Deps, guardianId: string, id: string): Promise<void> {
  await ownNote(deps, guardianId, id);
  await store.dropNote(deps.db, { id, guardianId });
}
