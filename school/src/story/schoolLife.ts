import { at } from './calendar';

/* What teachers wrote, who was absent when, and what the schools gave out. */
export interface SpecialComment {
  readonly school: string;
  readonly course: string;
  readonly item?: string;
  readonly student: string;
  readonly subject: 'score' | 'work' | 'rubric' | 'course' | 'report-card';
  readonly at: string;
  readonly text: string;
}

const thread = (school: string, course: string, student: string) => ({ school, course, student });

export const comments: readonly SpecialComment[] = [
  {
    ...thread('millrace', 'boats', 'caspian'),
    item: 'keel-model',
    subject: 'work',
    at: at('2026-10-15', '16:05'),
    text: 'Nothing here yet, Caspian. I take it until 27 October for three quarters.',
  },
  {
    ...thread('millrace', 'boats', 'caspian'),
    subject: 'course',
    at: at('2026-09-29', '15:00'),
    text: 'Careful hands and good questions. His workshop logs are a pleasure to read.',
  },
  {
    ...thread('millrace', 'seeds', 'caspian'),
    item: 'seed-log',
    subject: 'work',
    at: at('2026-10-13', '14:12'),
    text: 'Not in my tray. If you have it, bring it: I still mark it.',
  },
  {
    ...thread('millrace', 'seeds', 'caspian'),
    item: 'seed-log',
    subject: 'score',
    at: at('2026-10-19', '15:06'),
    text: 'Worth the wait. Lovely drawings of the beans.',
  },
  {
    ...thread('millrace', 'history', 'caspian'),
    item: 'map-key',
    subject: 'work',
    at: at('2026-10-15', '15:31'),
    text: 'Six signs of ten. Finish the last four and I will mark the whole.',
  },
  {
    ...thread('millrace', 'ferries', 'caspian'),
    subject: 'course',
    at: at('2026-10-08', '15:00'),
    text: 'Quick and exact. He explains his steps to the others without being asked.',
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'titration',
    subject: 'score',
    at: at('2026-10-19', '16:20'),
    text: 'You may redo the titration quiz until Friday. Look at page 41 first: it was the reading of the burette, not the sums.',
  },
  {
    ...thread('gannet-head', 'kelp', 'isolde'),
    item: 'reef-survey',
    subject: 'work',
    at: at('2026-10-12', '15:41'),
    text: 'I have no survey from you. Half credit until the end of the term.',
  },
  {
    ...thread('gannet-head', 'history', 'isolde'),
    item: 'source-letter',
    subject: 'score',
    at: at('2026-10-13', '13:01'),
    text: 'See the classroom system.',
  },
  {
    ...thread('gannet-head', 'rowing', 'isolde'),
    subject: 'course',
    at: at('2026-10-16', '15:30'),
    text: 'Isolde was very strong in the first weeks. Since vectors she says little. I would like to see her in the Tuesday help hour.',
  },
  {
    ...thread('gannet-head', 'spanish', 'isolde'),
    subject: 'course',
    at: at('2026-10-09', '12:00'),
    text: 'Habla con soltura. A joy to have in class.',
  },
  {
    ...thread('gannet-head', 'optics', 'isolde'),
    item: 'fog-horn',
    subject: 'work',
    at: at('2026-10-06', '15:01'),
    text: 'It can be heard from the quay.',
  },
  {
    ...thread('little-fathom', 'number', 'pet'),
    subject: 'course',
    at: at('2026-10-20', '15:00'),
    text: 'Pet read the harbour plan to the whole class and found the mistake in mine.',
  },
  {
    ...thread('little-fathom', 'reading', 'pet'),
    subject: 'course',
    at: at('2026-10-07', '15:00'),
    text: 'Reads with feeling. Retelling in order comes next.',
  },
];

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
