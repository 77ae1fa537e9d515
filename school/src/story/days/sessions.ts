/* The school years as each school divides them. */

export interface Session {
  readonly id: string;
  readonly title: string;
  readonly type: 'schoolYear' | 'semester' | 'gradingPeriod';
  readonly from: string;
  readonly to: string;
  readonly parent?: string;
  readonly schoolYear: string;
}

interface YearDates {
  readonly year: string;
  readonly title: string;
  /** First and last days of the four quarters. */
  readonly quarters: readonly [
    readonly [string, string],
    readonly [string, string],
    readonly [string, string],
    readonly [string, string],
  ];
}

const thisYear: YearDates = {
  year: '2026',
  title: 'School year 2026–27',
  quarters: [
    ['2026-09-07', '2026-11-06'],
    ['2026-11-09', '2027-01-29'],
    ['2027-02-01', '2027-04-09'],
    ['2027-04-12', '2027-06-25'],
  ],
};
const lastYear: YearDates = {
  year: '2025',
  title: 'School year 2025–26',
  quarters: [
    ['2025-09-08', '2025-11-07'],
    ['2025-11-10', '2026-01-30'],
    ['2026-02-02', '2026-04-10'],
    ['2026-04-13', '2026-06-26'],
  ],
};
const ordinals = ['First', 'Second', 'Third', 'Fourth'] as const;

export const yearId = (year: string): string => `year-${year}`;
export const semesterId = (year: string, semester: 1 | 2): string => `semester-${semester}-${year}`;
export const quarterId = (year: string, quarter: number): string => `quarter-${quarter}-${year}`;
export const thisQuarter = quarterId('2026', 1);
export const nextQuarter = quarterId('2026', 2);

function yearOf({ year, title, quarters }: YearDates, semesters: boolean): Session[] {
  const whole: Session = {
    id: yearId(year),
    title,
    type: 'schoolYear',
    from: quarters[0][0],
    to: quarters[3][1],
    schoolYear: year,
  };
  const halves = ([1, 2] as const).map((half): Session => ({
    id: semesterId(year, half),
    title: `${ordinals[half - 1]} semester`,
    type: 'semester',
    from: quarters[half === 1 ? 0 : 2][0],
    to: quarters[half === 1 ? 1 : 3][1],
    parent: yearId(year),
    schoolYear: year,
  }));
  const parts = quarters.map(([from, to], index): Session => ({
    id: quarterId(year, index + 1),
    title: `${ordinals[index]} quarter`,
    type: 'gradingPeriod',
    from,
    to,
    parent: semesters ? semesterId(year, index < 2 ? 1 : 2) : yearId(year),
    schoolYear: year,
  }));
  return [whole, ...(semesters ? halves : []), ...parts];
}

/** Last year's and this year's. */
export const sessionsOf = (semesters: boolean): Session[] =>
  [lastYear, thisYear].flatMap((dates) => yearOf(dates, semesters));

/** Key of the exam at the end of a semester. */
export const examKey = (year: string, semester: 1 | 2): string => `exam-${semester}-${year}`;

/** Two quarters and an exam make a semester, two semesters the year; without semesters the quarters make the year. */
export function compositionsOf(year: string, semesters: boolean) {
  const quarters = [1, 2, 3, 4];
  if (!semesters) {
    return [
      {
        sessionId: yearId(year),
        parts: quarters.map((quarter) => ({ part: quarterId(year, quarter), weight: 25 })),
      },
    ];
  }
  const halves = ([1, 2] as const).map((half) => ({
    sessionId: semesterId(year, half),
    parts: [
      { part: quarterId(year, half * 2 - 1), weight: 40 },
      { part: quarterId(year, half * 2), weight: 40 },
      { part: examKey(year, half), title: 'Semester exam', weight: 20 },
    ],
  }));
  const whole = {
    sessionId: yearId(year),
    parts: ([1, 2] as const).map((half) => ({ part: semesterId(year, half), weight: 50 })),
  };
  return [...halves, whole];
}
