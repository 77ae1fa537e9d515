import { at } from './calendar';

/* Who was absent when, and what the schools gave out. */

/** Attendance that is not plain presence: student, date, the periods concerned, the school's code. */
export const absences: readonly {
  student: string;
  date: string;
  periods: 'all' | readonly string[];
  code: string;
}[] = [
  { student: 'isolde', date: '2026-10-16', periods: 'all', code: 'E' },
  { student: 'isolde', date: '2026-10-08', periods: ['5', '6'], code: 'T' },
  ...['2026-10-19', '2026-10-20', '2026-10-21'].map((date) => ({
    student: 'isolde',
    date,
    periods: ['7'],
    code: 'U',
  })),
  { student: 'isolde', date: '2026-09-22', periods: ['1'], code: 'L' },
  { student: 'caspian', date: '2026-10-08', periods: 'all', code: 'T' },
  { student: 'caspian', date: '2026-10-07', periods: ['1'], code: 'L' },
  { student: 'caspian', date: '2026-10-14', periods: ['1'], code: 'L' },
  { student: 'pet', date: '2026-09-30', periods: 'all', code: 'E' },
];

/** The schools' attendance codes and what they mean. */
export const codes = {
  P: { kind: 'present', excused: false, label: 'Present' },
  E: { kind: 'absent', excused: true, label: 'Absent, explained' },
  U: { kind: 'absent', excused: false, label: 'Absent, unexplained' },
  L: { kind: 'tardy', excused: false, label: 'Came late' },
  T: { kind: 'activity', excused: true, label: 'On a trip' },
  H: { kind: 'closed', excused: false, label: 'No school' },
} as const;

/** Codes that the schools have given out: one to use, one that has run out. */
export const linkCodes = [
  { school: 'little-fathom', student: 'pet', code: 'SORREL-PET-3141', expiresAt: at('2026-12-18', '23:59') },
  {
    school: 'millrace',
    student: 'neighbour-b',
    code: 'SORREL-TAM-2718',
    expiresAt: at('2026-12-18', '23:59'),
  },
  { school: 'millrace', student: 'caspian', code: 'SORREL-CAS-1592', expiresAt: at('2026-10-01', '23:59') },
] as const;
