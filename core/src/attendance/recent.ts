import type { SchoolDay } from './schoolDays';

/** School days on which an absence is still news, and one that nobody explained is still to be mended. */
const recentDays = 5;

export const recentSchoolDays = (days: readonly SchoolDay[]): readonly SchoolDay[] => days.slice(-recentDays);

/** The dates of the last school days on which an absence is unexplained, oldest first. */
export const recentlyUnexplained = (days: readonly SchoolDay[]): string[] =>
  recentSchoolDays(days)
    .filter(({ lessons }) => lessons.some(({ kind, excused }) => kind === 'absent' && !excused))
    .map(({ date }) => date);
