const minuteMs = 60 * 1000;
/** Tries before a message has failed; the last comes about three hours after the first. */
export const mostTries = 9;
const longestMs = 60 * minuteMs;

/**
 * How long to wait after so many tries: a minute, then twice as long each time, an hour at most; null when there is no
 * other try.
 * @example after 3 tries 4 minutes, after 8 an hour.
 */
export const waitMsAfter = (tries: number): number | null =>
  tries >= mostTries ? null : Math.min(longestMs, minuteMs * 2 ** (tries - 1));
