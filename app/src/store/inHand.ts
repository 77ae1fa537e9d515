import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What one screen hands to the next; nothing of it is remembered. */
export const inHandSlice = createSlice({
  name: 'inHand',
  initialState: { marks: null } as {
    /** Marks of attendance as the text of a file of them. */
    readonly marks: string | null;
  },
  reducers: {
    marksHanded: (inHand, { payload }: PayloadAction<string | null>) => ({ ...inHand, marks: payload }),
  },
});
export const { marksHanded } = inHandSlice.actions;
