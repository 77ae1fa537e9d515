import { createSlice } from '@reduxjs/toolkit';

/**
 * Whether the session under an open page has ended: the page stays, and one signs in on top of it. Sessions are counted,
 * because what was asked in an earlier one can be answered in this one, and then says nothing of it.
 */
export const sessionSlice = createSlice({
  name: 'session',
  initialState: { ended: false, count: 0 },
  reducers: {
    sessionEnded: ({ count }) => ({ count, ended: true }),
    sessionBegun: ({ count }) => ({ count: count + 1, ended: false }),
  },
});

/** In which session of this page something is asked. @param state the store's, as far as it is known there */
export const sessionOf = (state: unknown): number =>
  (state as { readonly session?: { readonly count: number } }).session?.count ?? 0;

export const { sessionEnded, sessionBegun } = sessionSlice.actions;
