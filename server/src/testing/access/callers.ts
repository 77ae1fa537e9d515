import { randomUUID } from 'node:crypto';
import { withheld } from '@cadro/contract';

/*
 * Who may do what. Every route of the contract stands in a table; a new one that does not fails the test.
 * `sibling` is a child of the same household with an account of its own; `helper` sees the course of the table.
 * `apart` is a guardian of the same child in another household: the record is theirs too, the first household's
 * follow-ups and letters are not. `restricted` is one, too, from whom the school holds back all that it may: the course
 * of the table, comments, attendance, contacts.
 */
export const callers = [
  ...(['nobody', 'stranger', 'sibling', 'ended', 'looker', 'helper', 'student', 'apart'] as const),
  ...(['restricted', 'guardian'] as const),
] as const;
export type Caller = (typeof callers)[number];
/**
 * Where nothing else is said, a helper is answered as the child is, the child's sibling as a stranger, and who is
 * restricted as a guardian of another household.
 */
export type Statuses = Record<Exclude<Caller, 'sibling' | 'helper' | 'restricted'>, number> &
  Partial<Record<'sibling' | 'helper' | 'restricted', number>>;

export const statusFor = ({ sibling, helper, restricted, ...statuses }: Statuses, caller: Caller): number => {
  if (caller === 'sibling') return sibling ?? statuses.stranger;
  if (caller === 'restricted') return restricted ?? statuses.apart;
  return caller === 'helper' ? (helper ?? statuses.student) : statuses[caller];
};

/** The rows that the table asks about, all of the guardian’s household. */
export interface Ids {
  readonly studentId: string;
  readonly courseId: string;
  readonly itemId: string;
  readonly followUpId: string;
  readonly threadId: string;
  readonly teacherId: string;
  /** An answer that is held in the thread, and a file that came with it. */
  readonly messageId: string;
  readonly fileId: string;
  /** For the course of the table, and a day read out of its words. */
  readonly announcementId: string;
  readonly part: string;
  readonly commentId: string;
  readonly tryId: string;
  readonly on: string;
  readonly entryId: string;
  readonly feedId: string;
  readonly importId: string;
  readonly alertId: string;
  readonly silenceId: string;
  readonly deviceId: string;
  readonly token: string;
  readonly sessionId: string;
  readonly passkeyId: string;
  readonly personId: string;
  readonly invitationId: string;
  readonly noteId: string;
  readonly sitdownId: string;
  readonly meetingId: string;
  readonly guestId: string;
  readonly slotId: string;
  readonly wordId: string;
  readonly pieceId: string;
  /** The school's, and a file's that nobody has handed over. */
  readonly sourceId: string;
  readonly bundleId: string;
  readonly clientId: string;
  readonly mailId: string;
  /** The child itself: no record is another one of itself. */
  readonly otherId: string;
}

/** A meeting that is put down by hand. */
export const meeting = ({ studentId, teacherId }: Pick<Ids, 'studentId' | 'teacherId'>) => ({
  ...{ studentId, teacherId, startsAt: '2026-10-26T18:00:00Z', endsAt: '2026-10-26T18:20:00Z' },
  ...{ way: 'phone', place: 'The phone of ours', href: null },
});

/** All that a school may hold back, of the course of the table where it is one. */
export const heldBack = ({ courseId }: Ids) =>
  withheld.map((what) => ({ what, course_id: what === 'course' ? courseId : null }));

/** Who is answered how, and what is sent. */
export type Table = Record<string, { readonly statuses: Statuses; readonly body?: (ids: Ids) => object }>;

/** A list: everyone who is signed in gets one; strangers find nothing of this child in it. */
export const list: Statuses = {
  nobody: 401,
  stranger: 200,
  ended: 200,
  looker: 200,
  student: 200,
  apart: 200,
  guardian: 200,
};
/** Of a public route: the same for all. */
export const anybody = (status: number): Statuses => ({ ...own(status), nobody: status });
/** What concerns nothing but the own account. */
export const own = (status: number): Statuses => ({
  ...{ nobody: 401, stranger: status, ended: status, looker: status, student: status, apart: status },
  guardian: status,
});
export const passkey = {
  id: 'x',
  rawId: 'x',
  type: 'public-key',
  response: { clientDataJSON: 'x' },
  clientExtensionResults: {},
};
export const arriving = (name: string) => ({
  ...{ name: 'Rosamund Tern', email: `${name}@test.example`, language: 'en' },
  password: 'lantern wicks for thirty herons',
});
export const record: Statuses = { ...list, stranger: 404, ended: 404 };
export const talk: Statuses = { ...record, student: 404, apart: 404 };
export const writing = (done: number): Statuses => ({
  nobody: 401,
  stranger: 404,
  ended: 404,
  looker: 403,
  student: 403,
  apart: done,
  guardian: done,
});

/** What a guardian of any child does for the own household. */
export const sitting = (done: number): Statuses => ({
  ...{ nobody: 401, stranger: done, sibling: 404, ended: 404, looker: 403, student: 404 },
  ...{ apart: done, guardian: done },
});

/** What belongs to one guardian alone. */
export const owners = (done: number): Statuses => ({
  ...{ nobody: 401, stranger: 404, ended: 404, looker: 404, student: 404, apart: 404 },
  guardian: done,
});
/** A device that nothing reaches; each is another. */
export const pushDevice = () => ({
  endpoint: `https://push.test.example/${randomUUID()}`,
  keys: {
    p256dh: 'BB4YUy_UdUwC8wQdnHXOszuD_9gax85P6ILMscmLxYlupGwxHE4v9A3ZajZT5uRURdMt_khuztdcepDGoYiBwKM',
    auth: 'A'.repeat(22),
  },
});
export const calendarFile = {
  name: 'Harbour club',
  text: 'BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:a\nDTSTART;VALUE=DATE:20261028\nEND:VEVENT\nEND:VCALENDAR',
};
export const entry = (ids: Ids) => ({
  ...{ kind: 'reminder', title: 'Library books for us', studentIds: [ids.studentId] },
  ...{ shared: true, on: '2026-10-28' },
});
export const feed = (ids: Ids) => ({ name: 'Kitchen', layers: ['due'], studentIds: [ids.studentId] });

export const withoutQuery = (key: string) => key.split('?')[0];
export const keyOf = ({ method, path }: { method: string; path: string }) => `${method} ${path}`;

/** A route's address with the ids of now. */
export const addressIn = (key: string, ids: Ids): string =>
  (key.split(' ')[1] ?? '').replace(/:(\w+)/g, (_all, name: string) => ids[name as keyof Ids]);
