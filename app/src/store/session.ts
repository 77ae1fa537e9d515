import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Language } from '@cadro/contract';

/**
 * Whether the session under an open page has ended: the page stays, and one signs in on top of it. Sessions are counted,
 * because an answer that comes late tells of the session in which it was asked for, and ends no other. What language was
 * chosen at the door is kept until the account has been told.
 */
export const sessionSlice = createSlice({
  name: 'session',
  initialState: { ended: false, count: 0, chosen: null as Language | null },
  reducers: {
    sessionEnded: (now, { payload: count }: PayloadAction<number>) =>
      count === now.count ? { ...now, ended: true } : now,
    sessionBegun: (now) => ({ ...now, count: now.count + 1, ended: false }),
    chosenAtTheDoor: (now, { payload: chosen }: PayloadAction<Language | null>) => ({ ...now, chosen }),
  },
});

/** Which session of this page there is. @param state the store's, as far as it is known there */
export const sessionOf = (state: unknown): number =>
  (state as { readonly session?: { readonly count: number } }).session?.count ?? 0;

export const { sessionEnded, sessionBegun, chosenAtTheDoor } = sessionSlice.actions;
