import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { enUS, es } from 'date-fns/locale';
import type { Letter, Simulation } from '../simulation';
import { at, codeFor, markId, schoolDays, schools, storyEnd } from '../story';

export interface Answer {
  readonly text: string;
  /** What is done besides writing. */
  readonly act?: (simulation: Simulation) => void;
}

/** What a letter to the attendance desk is about, by its words. */
const readers = [
  {
    words: /\b(looks? wrong|was there|was in|no es correct|estuvo)/i,
    what: 'present',
    text: 'Thank you. The teacher checked, and you’re right. We’ve corrected it.',
  },
  {
    words: /\b(will be away|will not be|won['’]t be|faltará|no asistirá)/i,
    what: 'explained',
    text: 'Thank you for telling us ahead. We’ve noted it for that day.',
  },
  {
    words: /\b(reason|because|explain|motivo|porque)/i,
    what: 'explained',
    text: 'Thank you for letting us know. Those classes are excused now.',
  },
] as const;

/** Days the letter names, as people write them: 'October 19', '19 October' or '19 de octubre'. */
const daysIn = (text: string): string[] =>
  schoolDays(storyEnd).filter((date) =>
    [
      format(parseISO(date), 'MMMM d', { locale: enUS }),
      format(parseISO(date), 'd MMMM', { locale: enUS }),
      format(parseISO(date), "d 'de' MMMM", { locale: es }),
    ].some((written) => new RegExp(`(^|\\D)${written}(?!\\d)`, 'i').test(text)),
  );

/** The desk reads the child's name, the days and the lessons out of a letter, and mends its register. */
export function deskAnswer(schoolId: string, { subject, text }: Letter): Answer {
  const letter = `${subject}\n${text}`;
  const school = schools.find(({ id }) => id === schoolId);
  const student = school?.students.find(({ givenName, called }) => letter.includes(called ?? givenName));
  const reader = readers.find(({ words }) => words.test(letter));
  const dates = daysIn(letter);
  if (!school || !student || !reader || dates.length === 0) {
    return { text: 'Thank you for writing. Please tell us which student, which day, and which classes.' };
  }
  const named = school.courses.filter(({ title }) => letter.includes(title));
  const courses = named.length > 0 ? named : school.courses;
  const keys = school.marks === 'days' ? ['day'] : courses.map(({ id }) => id);
  const act = (simulation: Simulation): void => {
    const records = simulation.records.get(schoolId);
    for (const date of dates) {
      for (const key of keys) {
        const id = markId(student.id, date, key);
        const mark = records?.versions('attendance', id).at(-1)?.row;
        if (!mark) continue;
        // A day that is still to come is marked when it is over, as every day is.
        const marked = at(date, '16:01');
        const row = { ...mark, code: codeFor(schoolId, reader.what) };
        simulation.add(schoolId, 'attendance', id, row, marked > simulation.now ? marked : simulation.now);
      }
    }
  };
  return { text: reader.text, act };
}
