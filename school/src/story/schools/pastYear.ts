import { examKey, quarterId, semesterId, yearId } from '../days/sessions';

/*
 * What the schools keep of last year: no work, only what was reported. Shares of the scale by quarter, and of the
 * two exams where the school has them.
 */
export interface PastCourse {
  readonly id: string;
  readonly title: string;
  readonly teacher: { readonly givenName: string; readonly familyName: string };
  readonly student: string;
  readonly quarters: readonly [number, number, number, number];
  readonly exams?: readonly [number, number];
  readonly credits: number;
  readonly creditArea?: string;
  readonly bump?: number;
  readonly remarks: readonly { readonly quarter: number; readonly text: string }[];
}

const year = '2025';

export const pastCourses: Readonly<Record<string, readonly PastCourse[]>> = {
  'gannet-head': [
    {
      id: 'shore-life-10',
      title: 'Shore life',
      teacher: { givenName: 'Aldous', familyName: 'Quillfeather' },
      student: 'isolde',
      quarters: [0.88, 0.91, 0.86, 0.9],
      exams: [0.84, 0.89],
      credits: 1,
      creditArea: 'Sciences',
      remarks: [
        {
          quarter: 2,
          text: 'Her reef notebook was the fullest in the class. The exam was a fair picture of her.',
        },
        { quarter: 4, text: 'A strong end. I look forward to kelp chemistry with her.' },
      ],
    },
    {
      id: 'charts-10',
      title: 'Charts and bearings',
      teacher: { givenName: 'Jory', familyName: 'Sandhaven' },
      student: 'isolde',
      quarters: [0.92, 0.9, 0.93, 0.94],
      exams: [0.9, 0.91],
      credits: 1,
      creditArea: 'Mathematics',
      bump: 0.5,
      remarks: [{ quarter: 4, text: 'Sure of hand and eye. She helps others without doing it for them.' }],
    },
    {
      id: 'reading-10',
      title: 'Sea reading',
      teacher: { givenName: 'Edmund', familyName: 'Pellory' },
      student: 'isolde',
      quarters: [0.79, 0.83, 0.85, 0.88],
      exams: [0.8, 0.86],
      credits: 1,
      creditArea: 'Languages',
      remarks: [{ quarter: 2, text: 'She has begun to trust her own reading. More of that, please.' }],
    },
    {
      id: 'gale-10',
      title: 'The age of sail',
      teacher: { givenName: 'Ione', familyName: 'Fennimore' },
      student: 'isolde',
      quarters: [0.81, 0.78, 0.84, 0.86],
      exams: [0.74, 0.83],
      credits: 1,
      creditArea: 'Humanities',
      remarks: [],
    },
    {
      id: 'joinery-10',
      title: 'Joinery',
      teacher: { givenName: 'Corwin', familyName: 'Lampwright' },
      student: 'isolde',
      quarters: [0.95, 0.96, 0.94, 0.97],
      exams: [0.93, 0.95],
      credits: 0.5,
      creditArea: 'Making',
      remarks: [{ quarter: 4, text: 'Her sea chest stands in the hall. Need I say more?' }],
    },
  ],
  millrace: [
    {
      id: 'boats-7',
      title: 'Small boats',
      teacher: { givenName: 'Wren', familyName: 'Thornwick' },
      student: 'caspian',
      quarters: [0.7, 0.74, 0.78, 0.8],
      credits: 0,
      remarks: [{ quarter: 4, text: 'He asks before he cuts. That is most of boat-building.' }],
    },
    {
      id: 'numbers-7',
      title: 'Numbers of the harbour',
      teacher: { givenName: 'Silas', familyName: 'Oakham' },
      student: 'caspian',
      quarters: [0.82, 0.85, 0.88, 0.9],
      credits: 0,
      remarks: [],
    },
    {
      id: 'stories-7',
      title: 'Telling stories',
      teacher: { givenName: 'Nell', familyName: 'Saltmarsh' },
      student: 'caspian',
      quarters: [0.77, 0.75, 0.8, 0.79],
      credits: 0,
      remarks: [{ quarter: 2, text: 'Good ideas, told too fast. He knows.' }],
    },
  ],
};

/** Every part of a past course with the fraction that the school stored. */
export function storedParts({ quarters, exams }: PastCourse): { part: string; fraction: number }[] {
  const parts = quarters.map((fraction, index) => ({ part: quarterId(year, index + 1), fraction }));
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  if (!exams) return [...parts, { part: yearId(year), fraction: mean(quarters) }];
  const [first, second, third, fourth] = quarters;
  const halfOf = (one: number, two: number, exam: number) => 0.4 * one + 0.4 * two + 0.2 * exam;
  const halves = [
    { part: semesterId(year, 1), fraction: halfOf(first, second, exams[0]) },
    { part: semesterId(year, 2), fraction: halfOf(third, fourth, exams[1]) },
  ];
  const tests = [
    { part: examKey(year, 1), fraction: exams[0] },
    { part: examKey(year, 2), fraction: exams[1] },
  ];
  return [
    ...parts,
    ...tests,
    ...halves,
    { part: yearId(year), fraction: mean(halves.map(({ fraction }) => fraction)) },
  ];
}
