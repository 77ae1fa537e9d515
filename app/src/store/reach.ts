import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export interface Reach {
  /** Whether the last that was asked for did not reach the server. */
  readonly away: boolean;
  /** When the server was last heard; ms since 1970, null before. */
  readonly heardAt: number | null;
  /** When what stands in for an answer came, by the cache's key of the question; ms since 1970. */
  readonly copies: Readonly<Record<string, number>>;
  /** Whether a newer version of the app is here, and waits. */
  readonly newVersion: boolean;
}

/** Whether Cadro can be reached, and how old what is shown is while it cannot. */
export const reachSlice = createSlice({
  name: 'reach',
  initialState: { away: false, heardAt: null, copies: {}, newVersion: false } as Reach,
  reducers: {
    wentAway: (now) => ({ ...now, away: true }),
    heard: ({ copies, newVersion }, { payload }: PayloadAction<{ at: number; key?: string | undefined }>) => {
      const { [payload.key ?? '']: _fresh, ...others } = copies;
      return { away: false, heardAt: payload.at, copies: others, newVersion };
    },
    versionCame: (now) => ({ ...now, newVersion: true }),
    copyShown: (now, { payload }: PayloadAction<{ key: string; cameAt: number }>) => ({
      ...now,
      copies: { ...now.copies, [payload.key]: payload.cameAt },
    }),
  },
});
export const { wentAway, heard, copyShown, versionCame } = reachSlice.actions;

/** So often at most it is noted that the server was heard, while nothing else changes. */
const noteEveryMs = 10_000;

/** Whether hearing the server now says more than what is known. */
export const isNews = ({ away, heardAt, copies }: Reach, at: number, key?: string): boolean =>
  away || heardAt === null || at - heardAt >= noteEveryMs || (key !== undefined && key in copies);

/**
 * How old the oldest is of what a page may show while nobody is heard.
 * @param asked the cache's keys of what the page has asked for lately
 * @returns ms since 1970; null while the server is heard, and where nothing has come
 */
export function oldestShown({ away, heardAt, copies }: Reach, asked: readonly string[]): number | null {
  if (!away) return null;
  const ages = asked.flatMap((key) => copies[key] ?? heardAt ?? []);
  return ages.length > 0 ? Math.min(...ages) : heardAt;
}
