import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ProblemCode } from '@cadro/contract';

/** What may wait for a connection, by method and pattern of its address, and what it is called. */
export const mayWait = {
  'POST /api/messages': 'letter',
  'POST /api/announcements/:announcementId/answers/:studentId': 'answer',
  'POST /api/followups': 'inHand',
  'PATCH /api/followups/:followUpId': 'inHand',
  'POST /api/entries': 'entry',
  'PATCH /api/entries/:entryId': 'entry',
  'POST /api/entries/:entryId/days': 'tick',
  'PATCH /api/students/:studentId/plan/tasks/:itemId': 'tick',
  'POST /api/students/:studentId/items/:itemId/supplies': 'tick',
  'POST /api/students/:studentId/desk/words': 'word',
  'POST /api/students/:studentId/desk/pieces': 'piece',
  'PATCH /api/students/:studentId/desk/pieces/:pieceId': 'piece',
  'POST /api/students/:studentId/items/:itemId/effort': 'time',
} as const;
export type WaitingKind = (typeof mayWait)[keyof typeof mayWait];

/** A write that has not reached the server, with the key under which it is done once. */
export interface Waiting {
  readonly key: string;
  readonly kind: WaitingKind;
  /** The first words of it. */
  readonly says: string;
  readonly method: string;
  readonly url: string;
  readonly body: unknown;
  /** Who wrote it: it goes out while they are signed in, and nobody else is shown it. */
  readonly personId: string;
  /** Why the server would not have it; null while it only waits. */
  readonly refused: ProblemCode | null;
}

export const outboxKey = 'cadro.outbox';
/** An evening in a tunnel is not longer. */
const mostWaiting = 50;

export function rememberedOutbox(): readonly Waiting[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(outboxKey) ?? '[]');
    return Array.isArray(kept) ? (kept as Waiting[]) : []; // as this app has put it there
  } catch {
    return [];
  }
}

/** Also for the next time the app is opened. */
export function rememberOutbox(waiting: readonly Waiting[]): void {
  try {
    if (waiting.length === 0) localStorage.removeItem(outboxKey);
    else localStorage.setItem(outboxKey, JSON.stringify(waiting));
  } catch {
    // A browser that keeps nothing still sends what waits, while this page is open.
  }
}

const withoutKey = (waiting: readonly Waiting[], key: string): readonly Waiting[] =>
  waiting.filter((each) => each.key !== key);

export const outboxSlice = createSlice({
  name: 'outbox',
  initialState: { waiting: [] as readonly Waiting[] },
  reducers: {
    putInOutbox: ({ waiting }, { payload }: PayloadAction<Waiting>) => ({
      waiting: [...withoutKey(waiting, payload.key), payload].slice(-mostWaiting),
    }),
    /** What another window of this browser has put there, or sent. */
    outboxReadAnew: (_before, { payload }: PayloadAction<readonly Waiting[]>) => ({ waiting: payload }),
    leftOutbox: ({ waiting }, { payload }: PayloadAction<string>) => ({
      waiting: withoutKey(waiting, payload),
    }),
    refusedFromOutbox: (
      { waiting },
      { payload: { key, code } }: PayloadAction<{ key: string; code: ProblemCode }>,
    ) => ({ waiting: waiting.map((each) => (each.key === key ? { ...each, refused: code } : each)) }),
  },
});
export const { putInOutbox, outboxReadAnew, leftOutbox, refusedFromOutbox } = outboxSlice.actions;

const longest = 60;
/** What a write says, in its own first words; nothing where it has none. */
export function firstWords(body: unknown): string {
  const { subject, title, text, note } = (typeof body === 'object' && body !== null ? body : {}) as Record<
    string,
    unknown
  >;
  const words = [subject, title, text, note].find(
    (each): each is string => typeof each === 'string' && each !== '',
  );
  return words && words.length > longest ? `${words.slice(0, longest).trimEnd()}…` : (words ?? '');
}
