import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/**
 * Whether the session under an open page has ended: the page stays, and one signs in on top of it. Sessions are counted,
 * because an answer that comes late tells of the session in which it was asked for, and ends no other.
 */
export const sessionSlice = createSlice({
  name: 'session',
  initialState: { ended: false, count: 0 },
  reducers: {
    sessionEnded: (now, { payload: count }: PayloadAction<number>) =>
      count === now.count ? { count, ended: true } : now,
    sessionBegun: ({ count }) => ({ count: count + 1, ended: false }),
  },
});

/** Which session of this page there is. @param state the store's, as far as it is known there */
export const sessionOf = (state: unknown): number =>
  (state as { readonly session?: { readonly count: number } }).session?.count ?? 0;

export const { sessionEnded, sessionBegun } = sessionSlice.actions;
