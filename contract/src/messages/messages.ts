import { Type, type Static } from '@sinclair/typebox';
import { contactKinds } from '../contacts/kinds';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { MessageFile } from './files';
import { NewLetters, NewMessage } from './writing';

/** `queued` can still be taken back; `sending` is being handed to the school's mail server. */
export const messageStates = ['queued', 'sending', 'sent', 'failed', 'received'] as const;
export const doubts = ['other-sender', 'not-verified', 'not-addressed'] as const;
export const Message = Type.Object({
  id: Uuid,
  author: Type.String(),
  fromTeacher: Type.Boolean(),
  /**
   * Of what came in: why it is not confirmed to be from the teacher, and from which address it came. It came from
   * another address, the mail provider did not vouch for its sender, or it was not written to the thread's address but
   * only brought there. Null for what is confirmed or was written here.
   */
  doubt: Nullable(
    Type.Object({
      reason: Type.Union(doubts.map((doubt) => Type.Literal(doubt))),
      sender: Type.String(),
      /** Who of the family has said that it is not the teacher; null while nobody has said anything. */
      deniedBy: Nullable(Type.String()),
    }),
  ),
  /** Whether a program wrote it by itself: away until Monday. */
  automatic: Type.Boolean(),
  text: Type.String(),
  at: Instant,
  state: Type.Union(messageStates.map((state) => Type.Literal(state))),
  files: Type.Array(MessageFile),
  /** When a letter goes out that is still here; null of every other. */
  goesAt: Nullable(Instant),
  /** Of a letter that has gone out: whether somebody at the school has written since. */
  answered: Type.Boolean(),
  /** School days since the last letter went out without an answer; null of every other. */
  waitsDays: Nullable(Type.Integer()),
});
export type Message = Static<typeof Message>;

export const ThreadSummary = Type.Object({
  id: Uuid,
  studentId: Uuid,
  /** Whom it is with. */
  teacher: Type.Object({ id: Uuid, name: Type.String(), contactable: Type.Boolean() }),
  courseTitle: Nullable(Type.String()),
  lastMessage: Nullable(Message),
  unread: Type.Boolean(),
});
export type ThreadSummary = Static<typeof ThreadSummary>;

/** Who can read a thread at home, beside the teacher. */
export const Thread = Type.Composite([
  ThreadSummary,
  Type.Object({
    /** The latest letters, or those before one, the oldest first. */
    messages: Type.Array(Message),
    /** Whether there are letters before the first of them. */
    earlier: Type.Boolean(),
    readers: Type.Array(Type.String()),
  }),
]);
export type Thread = Static<typeof Thread>;

const room = 'messages';
export const messageRoutes = {
  threads: route({
    method: 'get',
    path: '/api/threads',
    room,
    access: 'signed-in',
    summary: 'One thread per child and teacher',
    status: 200,
    answer: Type.Object({ threads: Type.Array(ThreadSummary) }),
  }),
  thread: route({
    method: 'get',
    path: '/api/threads/:threadId',
    room,
    access: 'signed-in',
    summary: 'The latest letters of a thread, or those before one; reading it marks its answers as read',
    params: Type.Object({ threadId: Uuid }),
    query: Type.Object({ before: Type.Optional(Uuid) }),
    status: 200,
    answer: Thread,
  }),
  file: route({
    method: 'get',
    path: '/api/threads/:threadId/files/:fileId',
    room,
    access: 'signed-in',
    summary: 'A file that came with a letter, to be saved',
    params: Type.Object({ threadId: Uuid, fileId: Uuid }),
    status: 200,
    produces: 'application/octet-stream',
  }),
  sender: route({
    method: 'post',
    path: '/api/threads/:threadId/letters/:messageId/sender',
    room,
    access: 'signed-in',
    summary: 'Say whether a letter that is held is from the teacher; their address is known from then on',
    params: Type.Object({ threadId: Uuid, messageId: Uuid }),
    body: Type.Object({ known: Type.Boolean() }),
    status: 200,
    answer: Thread,
  }),
  teachers: route({
    method: 'get',
    path: '/api/students/:studentId/teachers',
    room,
    access: 'signed-in',
    summary: 'Whom the family of a child can write to: its teachers, offices and desks',
    params: Type.Object({ studentId: Uuid }),
    status: 200,
    answer: Type.Object({
      teachers: Type.Array(
        Type.Object({
          id: Uuid,
          name: Type.String(),
          kind: Type.Union(contactKinds.map((kind) => Type.Literal(kind))),
          contactable: Type.Boolean(),
          answersFor: Nullable(Type.String()),
          /** The language they read best, as a tag of BCP 47; null where it is not known. */
          language: Nullable(Type.String()),
          courseTitles: Type.Array(Type.String()),
          threadId: Nullable(Uuid),
          /** What the family wrote to them in the last two weeks, about any child, the latest first. */
          lately: Type.Array(
            Type.Object({
              studentId: Uuid,
              author: Type.String(),
              subject: Type.String(),
              at: Instant,
              answered: Type.Boolean(),
            }),
          ),
        }),
      ),
    }),
  }),
  takeBack: route({
    method: 'post',
    path: '/api/messages/:messageId/return',
    room,
    access: 'signed-in',
    summary: 'Take a letter back that has not gone out; answers what it said',
    params: Type.Object({ messageId: Uuid }),
    status: 200,
    answer: Type.Composite([
      Type.Omit(NewMessage, ['sendAt', 'followUpId', 'files']),
      Type.Object({ followUpId: Nullable(Uuid) }),
    ]),
  }),
  send: route({
    method: 'post',
    path: '/api/messages',
    room,
    access: 'signed-in',
    summary: 'Write to a teacher; sent as mail by the job worker',
    body: NewMessage,
    takesFile: true,
    status: 202,
    answer: Thread,
  }),
  paper: route({
    method: 'post',
    path: '/api/messages/paper',
    room,
    access: 'signed-in',
    summary: 'A letter to somebody at the school as a page to print',
    body: Type.Pick(NewMessage, ['studentId', 'teacherId', 'subject', 'text']),
    status: 200,
    produces: 'application/pdf',
    heavy: true,
  }),
  sendSeveral: route({
    method: 'post',
    path: '/api/messages/several',
    room,
    access: 'signed-in',
    summary: 'Write to several people at the school, to each a letter of their own: all of them, or none',
    body: NewLetters,
    takesFile: true,
    status: 202,
    answer: Type.Object({ threadIds: Type.Array(Uuid) }),
  }),
};
