import { counted } from './formats';
import type { AlertWords } from './words';

/** What is said of alerts in English, beside what each rule says. */
export const en: AlertWords = {
  language: 'en',
  kinds: {
    figure: 'Grades',
    work: 'Loose ends',
    coming: 'Upcoming work',
    comment: 'Comments',
    attendance: 'Attendance',
    term: 'Term grades',
    school: 'From the schools',
    good: 'Good news',
    upkeep: 'Records and visits',
  },
  of: 'of',
  points: (number, one) => `${number} ${one ? 'point' : 'points'}`,
  days: (n) => counted(n, 'day', 'days'),
  manyWorks: (n, courseTitle) => `${n} loose ends in ${courseTitle}`,
  manyFinals: (grades, term) => `${term ? `${term}, final` : 'Final'}: ${grades}`,
  manyFinalsAt: (courses, term) => `${term ? `${term}, final` : 'Final'} grades are in: ${courses}`,
  source: (name, at) => `${name}, ${at}`,
};
