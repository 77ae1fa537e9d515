import type { MarkKind } from '@cadro/contract';
import { at, closures, schoolDays, storyEnd } from './calendar';
import { periodOn, rotationDayOf } from './rotation';
import type { SchoolSpec } from '../schools/specs';
import type { Records } from '../world';

/** Attendance that is not plain presence: the child, the day, the periods concerned, and what happened. */
interface Absence {
  readonly student: string;
  readonly date: string;
  readonly periods: 'all' | readonly string[];
  readonly what: What;
}

type What = 'present' | 'explained' | 'unexplained' | 'late' | 'trip' | 'closed' | 'unknown';

const days = (
  student: string,
  dates: readonly string[],
  periods: Absence['periods'],
  what: What,
): Absence[] => dates.map((date) => ({ student, date, periods, what }));

const absences: readonly Absence[] = [
  ...days('isolde', ['2026-10-16'], 'all', 'explained'),
  ...days('isolde', ['2026-10-08'], ['5', '6'], 'trip'),
  ...days('isolde', ['2026-10-19', '2026-10-20', '2026-10-21'], ['7'], 'unexplained'),
  ...days('isolde', ['2026-09-22'], ['1'], 'late'),
  // Thursdays: the ferry to the dentist on the mainland goes and comes back once a day.
  ...days('caspian', ['2026-09-24', '2026-10-01', '2026-10-15'], 'all', 'explained'),
  ...days('caspian', ['2026-10-08'], 'all', 'trip'),
  ...days('caspian', ['2026-10-07', '2026-10-14'], ['1'], 'late'),
  ...days('caspian', ['2026-10-20'], ['3'], 'unknown'),
  ...days('pet', ['2026-09-30'], 'all', 'explained'),
];

interface Code {
  readonly code: string;
  readonly kind: MarkKind;
  readonly excused: boolean;
  readonly label: string;
}

/** Every school has codes of its own. Millrace uses one that its map does not explain. */
const codes: Readonly<Record<string, Partial<Record<What, Code>>>> = {
  'gannet-head': {
    present: { code: 'P', kind: 'present', excused: false, label: 'Present' },
    explained: { code: 'E', kind: 'absent', excused: true, label: 'Absent, explained' },
    unexplained: { code: 'U', kind: 'absent', excused: false, label: 'Absent, unexplained' },
    late: { code: 'L', kind: 'tardy', excused: false, label: 'Came late' },
    trip: { code: 'T', kind: 'activity', excused: true, label: 'On a trip' },
    closed: { code: 'H', kind: 'closed', excused: false, label: 'No school' },
  },
  millrace: {
    present: { code: '/', kind: 'present', excused: false, label: 'Here' },
    explained: { code: 'AX', kind: 'absent', excused: true, label: 'Away, reason known' },
    unexplained: { code: 'AU', kind: 'absent', excused: false, label: 'Away, no reason yet' },
    late: { code: 'LT', kind: 'tardy', excused: false, label: 'After the bell' },
    trip: { code: 'EX', kind: 'activity', excused: true, label: 'Excursion' },
    closed: { code: 'NS', kind: 'closed', excused: false, label: 'No school' },
  },
  'little-fathom': {
    present: { code: '1', kind: 'present', excused: false, label: 'Present' },
    explained: { code: '0', kind: 'absent', excused: true, label: 'Not here, we know why' },
    unexplained: { code: '0?', kind: 'absent', excused: false, label: 'Not here, no word yet' },
    late: { code: '1L', kind: 'tardy', excused: false, label: 'Late' },
    closed: { code: '-', kind: 'closed', excused: false, label: 'No school' },
  },
};
const unexplainedCode = 'Q7';

export const codeFor = (school: string, what: What): string => codes[school]?.[what]?.code ?? unexplainedCode;

/** What a lesson's mark is kept under; `day` for a whole day's. */
export const markId = (student: string, date: string, courseOrDay: string): string =>
  `${student}-${date}-${courseOrDay}`;

function whatHappened(student: string, date: string, period: string | null): What {
  if (date in closures) return 'closed';
  const found = absences.find(
    (each) =>
      each.student === student &&
      each.date === date &&
      (each.periods === 'all' || (period !== null && each.periods.includes(period))),
  );
  return found?.what ?? 'present';
}

/** The school's code map, and a mark for every child and lesson of the term, or for every day. */
export function putAttendance(school: SchoolSpec, records: Records): void {
  for (const { code, ...meaning } of Object.values(codes[school.id] ?? {})) {
    records.put('attendanceCodes', `code-${code}`, at('2026-08-24', '09:00'), { code, ...meaning });
  }
  const put = (student: string, date: string, id: string, row: object): void =>
    records.put('attendance', markId(student, date, id), at(date, '16:00'), {
      studentId: student,
      date,
      ...row,
    });
  for (const { id: student } of school.students) {
    for (const date of [...schoolDays(storyEnd), ...Object.keys(closures)]) {
      if (school.marks === 'days') {
        put(student, date, 'day', {
          period: 'day',
          code: codeFor(school.id, whatHappened(student, date, null)),
        });
        continue;
      }
      for (const course of school.courses) {
        const period = periodOn(course, rotationDayOf(school, date));
        if (period === null) continue;
        const code = codeFor(school.id, whatHappened(student, date, period));
        const { givenName, familyName } = course.teacher;
        // Who is there needs no name under it.
        const markedBy =
          code === codeFor(school.id, 'present') ? {} : { markedBy: `${givenName} ${familyName}` };
        put(student, date, course.id, { period, classId: course.id, code, ...markedBy });
      }
    }
  }
}
