import { instantAt as instantInZone } from '@cadro/core/ical';

/** The instant of a time of day, `HH:MM`, where the school is; across a change of clocks by the zone's own rule. */
const instantAt = (date: string, time: string, timeZone: string): Date =>
  new Date(instantInZone(timeZone, { on: date, time }));

export const startOfDay = (date: string, timeZone: string): Date => instantAt(date, '00:00', timeZone);

/** The last instant of a day where the school is, to the minute. */
export const endOfDay = (date: string, timeZone: string): Date => instantAt(date, '23:59', timeZone);
