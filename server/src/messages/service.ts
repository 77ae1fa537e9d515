import type { Child, Message, NewMessage, Thread, ThreadSummary } from '@cadro/contract';
import { dateIn, type ReplyFacts } from '@cadro/core';
import { followUpById, markWritten } from '../followups';
import { childrenFor, householdOf, requireChild } from '../household';
import { addJobs, HttpProblem, Streamed, takeTry, type Db, type Deps, type Job, type Trx } from '../kit';
import { desksOf } from '../records';
import { inShort } from './answers';
import { fileIn, filesOf, type FileRow } from './fileStore';
import * as store from './store';

const messageView = (row: store.MessageRow, files: readonly FileRow[] = []): Message => ({
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
});

const summaryOf = (
  row: store.ThreadRow,
  last: store.MessageRow | undefined,
  unread: boolean,
  files: readonly FileRow[],
): ThreadSummary => ({
  id: row.id,
  studentId: row.student_id,
  teacher: { id: row.teacher_id, name: row.teacher_name, contactable: row.teacher_email !== null },
  courseTitle: row.course_title,
  lastMessage: last ? messageView(last, files) : null,
  unread,
});

async function visibleThreads(db: Db, guardianId: string): Promise<store.ThreadRow[]> {
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
    .map((row) => summaryOf(row, last.get(row.id), unread.has(row.id), files))
    .sort((a, b) => (b.lastMessage?.at ?? '').localeCompare(a.lastMessage?.at ?? ''));
}

export async function wholeThread(db: Db, guardianId: string, threadId: string): Promise<Thread> {
  const row = (await visibleThreads(db, guardianId)).find(({ id }) => id === threadId);
  if (!row) throw new HttpProblem('not-found');
  const [messages, unread] = await Promise.all([
    store.messagesOf(db, [threadId]),
    store.unreadThreads(db, guardianId, [threadId]),
  ]);
  const files = await filesOf(
    db,
    messages.map(({ id }) => id),
  );
  return {
    ...summaryOf(row, messages[messages.length - 1], unread.has(threadId), files),
    messages: messages.map((message) => messageView(message, files)),
  };
}

/** One thread; what it shows counts as read by this guardian from now on, and nothing that came meanwhile. */
export async function readThread({ db }: Deps, guardianId: string, threadId: string): Promise<Thread> {
  const thread = await wholeThread(db, guardianId, threadId);
  const last = thread.messages.at(-1);
  if (thread.unread && last) await store.markReadTo(db, guardianId, last.id);
  return thread;
}

/** What a browser is never to run, whatever a file holds. */
const asFile = (name: string, mediaType: string, size: number) => ({
  'content-type': mediaType,
  'content-length': String(size),
  'content-disposition': `attachment; filename="file"; filename*=UTF-8''${encodeURIComponent(name).replace(/['()*]/g, (mark) => `%${mark.charCodeAt(0).toString(16)}`)}`,
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'; sandbox",
  'cache-control': 'private, no-store',
});

/** A file of a thread, to be saved. @throws HttpProblem 404 for one that is not kept, or in no thread of the household. */
export async function fileOf(
  { db }: Deps,
  guardianId: string,
  { threadId, fileId }: { readonly threadId: string; readonly fileId: string },
): Promise<Streamed> {
  const thread = (await visibleThreads(db, guardianId)).find(({ id }) => id === threadId);
  const file = thread && (await fileIn(db, [threadId], fileId));
  const content = file?.content;
  if (!file || !content) throw new HttpProblem('not-found');
  return new Streamed(async (_request, response) => {
    response.set(asFile(file.name, file.media_type, content.length)).end(content);
  });
}

/** What is written to a teacher or to the school's desk. */
export interface SchoolLetter {
  readonly child: Child;
  /** Who writes. */
  readonly guardianId: string;
  readonly householdId: string;
  readonly teacherId: string;
  readonly followUpId: string | null;
  readonly author: string;
  readonly subject: string;
  readonly text: string;
  readonly now: Date;
  /** When the follow-up comes back; some days from now by default. */
  readonly lookAgainOn?: string;
}

/** The queue's wish that a stored message is sent. */
const mailJob = (messageId: string): Job => ({
  task: 'sendMail',
  payload: { messageId },
  key: `mail:${messageId}`,
});

const hour = 3600;
/**
 * Letters by one person, and by one household to one receiver: more than a family writes in its worst week, and too few
 * to bury a teacher.
 */
const letterPatience = {
  by: { free: 30, firstWaitSeconds: 600, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
  to: { free: 8, firstWaitSeconds: 900, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
} as const;

/**
 * Stores a message and the job that sends it, both or neither; a follow-up it is about moves on with it.
 * @throws HttpProblem `too-many-tries` with how long to wait.
 * @returns the thread it stands in, and the letter itself.
 */
export async function sendLetter(
  trx: Trx,
  letter: SchoolLetter,
): Promise<{ threadId: string; messageId: string | null }> {
  const { child, guardianId, householdId, teacherId, followUpId, author, subject, text, now, lookAgainOn } =
    letter;
  await takeTry(trx, [
    { kind: 'letter-by', of: guardianId, patience: letterPatience.by },
    { kind: 'letter-to', of: `${householdId}:${teacherId}`, patience: letterPatience.to },
  ]);
  const thread = await store.threadFor(trx, { householdId, studentId: child.id, teacherId });
  const message = await store.insertMessage(trx, {
    student_id: child.id,
    thread_id: thread,
    followup_id: followUpId,
    from_teacher: false,
    author,
    subject,
    text,
    at: now,
    state: 'queued',
    mime_id: null,
  });
  if (message) await addJobs(trx, [mailJob(message)]);
  if (followUpId) {
    const today = dateIn(child.timeZone, now);
    const about = { studentId: child.id, followUpId };
    await markWritten(trx, about, { author, text, today, now, ...(lookAgainOn ? { lookAgainOn } : {}) });
  }
  return { threadId: thread, messageId: message };
}

/** Writes to one of the child's teachers, or to who answers for attendance at the school. */
export async function writeToTeacher(
  { db, clock }: Deps,
  guardianId: string,
  input: NewMessage,
): Promise<Thread> {
  const child = await requireChild(db, guardianId, input.studentId, 'write-talk');
  const now = await clock.now();
  const [teachers, desks] = await Promise.all([
    store.teachersOf(db, guardianId, child.id, now),
    desksOf(db, [child.id]),
  ]);
  const teacher = [...teachers, ...desks.values()].find(({ id }) => id === input.teacherId);
  if (!teacher) throw new HttpProblem('not-found');
  if (!teacher.email) throw new HttpProblem('teacher-without-contact');
  const followUp = input.followUpId ? await followUpById(db, guardianId, [child.id], input.followUpId) : null;
  if (followUp === undefined) throw new HttpProblem('not-found');
  const { id: householdId, author } = await householdOf(db, guardianId);
  const { subject, text } = input;
  const { threadId } = await db.transaction((trx) =>
    sendLetter(trx, {
      child,
      guardianId,
      householdId,
      teacherId: teacher.id,
      followUpId: followUp?.id ?? null,
      author,
      subject,
      text,
      now,
    }),
  );
  return wholeThread(db, guardianId, threadId);
}

export async function unreadReplies(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
): Promise<ReplyFacts[]> {
  const rows = await store.unreadOf(db, guardianId, studentIds);
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
