import type { Message, Thread, ThreadSummary } from '@cadro/contract';
import { byCodePoint, dayMs, schoolDaysWaited, type ReplyFacts } from '@cadro/core';
import { childrenFor, readersAtHome } from '../household';
import { HttpProblem, type Db, type Deps } from '../kit';
import { schoolDates, schoolDaysOf } from '../records';
import { inShort } from './answers';
import { filesOf, type FileRow } from './fileStore';
import { lettersSince, type LateLetter } from './letterStore';
import * as store from './store';

/** What a message is shown with beside itself. */
interface Shown {
  readonly files: readonly FileRow[];
  /** Whether somebody at the school has written since. */
  readonly answered: boolean;
  /** School days it has waited for an answer; null where it waits for none. */
  readonly waitsDays: number | null;
}

const messageView = (row: store.MessageRow, { files, answered, waitsDays }: Shown): Message => ({
  id: row.id,
  author: row.author,
  fromTeacher: row.from_teacher,
  doubt:
    row.doubt === null
      ? null
      : { reason: row.doubt, sender: row.sender ?? '', deniedBy: row.doubt_settled_by },
  automatic: row.automatic,
  text: row.text,
  at: row.at.toISOString(),
  state: row.state,
  files: files
    .filter((file) => file.message_id === row.id)
    .map(({ id, name, media_type, size, withheld }) => ({ id, name, mediaType: media_type, size, withheld })),
  goesAt: row.state === 'queued' ? (row.goes_at ?? row.at).toISOString() : null,
  ...{ answered, waitsDays },
});

/** Whether a message is a person's own word from the school. */
const isAnswer = ({ from_teacher, automatic, doubt }: store.MessageRow): boolean =>
  from_teacher && !automatic && doubt === null;

const summaryOf = (row: store.ThreadRow, lastMessage: Message | null, unread: boolean): ThreadSummary => ({
  id: row.id,
  studentId: row.student_id,
  teacher: { id: row.teacher_id, name: row.teacher_name, contactable: row.teacher_email !== null },
  courseTitle: row.course_title,
  ...{ lastMessage, unread },
});

export async function visibleThreads(db: Db, guardianId: string): Promise<store.ThreadRow[]> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  return store.threadsOf(
    db,
    guardianId,
    children.map(({ id }) => id),
  );
}

export async function listThreads({ db }: Deps, guardianId: string): Promise<ThreadSummary[]> {
  const rows = await visibleThreads(db, guardianId);
  const ids = rows.map(({ id }) => id);
  const [messages, unread] = await Promise.all([
    store.lastMessages(db, ids),
    store.unreadThreads(db, guardianId, ids),
  ]);
  const last = new Map(messages.map((row) => [row.thread_id, row]));
  const files = await filesOf(
    db,
    messages.map(({ id }) => id),
  );
  return rows
    .map((row) => {
      const message = last.get(row.id);
      const shown = message ? messageView(message, { files, answered: false, waitsDays: null }) : null;
      return summaryOf(row, shown, unread.has(row.id));
    })
    .sort((a, b) => (b.lastMessage?.at ?? '').localeCompare(a.lastMessage?.at ?? ''));
}

/** How many school days the last letter of a thread has waited; null while it waits for nothing. */
async function waitsSince(
  { db, clock }: Deps,
  { student_id: studentId }: store.ThreadRow,
  messages: readonly store.MessageRow[],
): Promise<{ id: string; days: number } | null> {
  const last = messages.findLast((message) => isAnswer(message) || message.state === 'sent');
  if (!last || last.from_teacher) return null;
  const child = (await schoolDates(db, [studentId], last.at)).get(studentId) ?? '';
  const today = (await schoolDates(db, [studentId], await clock.now())).get(studentId) ?? child;
  const days = await schoolDaysOf(db, [studentId], { from: child, to: today });
  const closed = new Set(days.flatMap(({ on, open }) => (open ? [] : [on])));
  return { id: last.id, days: schoolDaysWaited(child, today, closed) };
}

/** A thread with its latest letters, or those before one. */
export async function wholeThread(
  deps: Deps,
  guardianId: string,
  threadId: string,
  before: string | null = null,
): Promise<Thread> {
  const { db } = deps;
  const row = (await visibleThreads(db, guardianId)).find(({ id }) => id === threadId);
  if (!row) throw new HttpProblem('not-found');
  const [{ messages, earlier, answersUpTo }, unread, readers] = await Promise.all([
    store.messagesOf(db, threadId, before),
    store.unreadThreads(db, guardianId, [threadId]),
    readersAtHome(db, guardianId, row.student_id),
  ]);
  const [files, waits] = await Promise.all([
    filesOf(
      db,
      messages.map(({ id }) => id),
    ),
    before === null ? waitsSince(deps, row, messages) : null,
  ]);
  const views = messages.map((message) =>
    messageView(message, {
      files,
      answered: message.state === 'sent' && message.seq < answersUpTo,
      waitsDays: waits?.id === message.id ? waits.days : null,
    }),
  );
  const last = before === null ? (views.at(-1) ?? null) : null;
  return { ...summaryOf(row, last, unread.has(threadId)), messages: views, earlier, readers };
}

/** One thread; what it shows counts as read by this guardian from now on, and nothing that came meanwhile. */
export async function readThread(
  deps: Deps,
  guardianId: string,
  threadId: string,
  before: string | null,
): Promise<Thread> {
  const { db } = deps;
  const thread = await wholeThread(deps, guardianId, threadId, before);
  const last = thread.messages.at(-1);
  if (before === null && thread.unread && last) await store.markReadTo(db, guardianId, last.id);
  return thread;
}

/** So long a letter counts as one that was written lately. */
const latelyDays = 14;
/** What the household has written to teachers lately, about any of the children whose talk the guardian reads. */
export async function latelyWritten(db: Db, guardianId: string, now: Date): Promise<LateLetter[]> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  const ids = children.map(({ id }) => id);
  return lettersSince(db, guardianId, ids, new Date(now.getTime() - latelyDays * dayMs));
}

export async function unreadReplies(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<ReplyFacts[]> {
  const found = await store.unreadOf(db, guardianId, studentIds);
  const rows = found.sort((a, b) => byCodePoint(a.thread_id, b.thread_id));
  const files = await filesOf(
    db,
    rows.flatMap(({ id, text }) => (text === '' ? [id] : [])),
  );
  return rows.map((row) => ({
    studentId: row.student_id,
    threadId: row.thread_id,
    author: row.author,
    text: inShort(
      row.text,
      files.filter((file) => file.message_id === row.id),
    ),
    receivedAt: row.at.toISOString(),
  }));
}
