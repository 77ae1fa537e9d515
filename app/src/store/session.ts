import { createSlice } from '@reduxjs/toolkit';

/** Whether the session under an open page has ended: the page stays, and one signs in on top of it. */
export const sessionSlice = createSlice({
  name: 'session',
  initialState: { ended: false },
  reducers: {
    sessionEnded: () => ({ ended: true }),
    sessionBegun: () => ({ ended: false }),
  },
});
export const { sessionEnded, sessionBegun } = sessionSlice.actions;
