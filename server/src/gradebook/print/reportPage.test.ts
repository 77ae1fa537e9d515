import type { CourseFigures } from '@cadro/contract';
import { countedGrade } from '@cadro/core';
import { PaperReader } from '../../testing/paper';
import { reportPage, type Report, type ReportCourse } from './reportPage';

const figures: CourseFigures = {
  posted: 84.2,
  display: 84.2,
  letter: 'B',
  categories: [],
  standards: [],
  ifLeft: 75,
  ifMadeUp: 86,
  best: 90,
  looseEnds: [],
  chances: [],
  trend: { class: 'steady', slope: 0 },
};
const course = (more: Partial<ReportCourse> = {}): ReportCourse => ({
  title: 'Kelp chemistry',
  teacher: 'Aldous Quillfeather',
  scale: { method: 'weighted', outOf: 100, decimals: 1, letters: [{ letter: 'A', from: 0.9 }] },
  figures,
  grade: countedGrade({ decimals: 1 }, { posted: 84.2, display: 84.2, letter: 'B' }),
  state: 'running',
  standards: [],
  remark: null,
  ...more,
});
const report = (courses: readonly ReportCourse[], language: 'en' | 'es' = 'en'): Report => ({
  language,
  timeZone: 'America/Halifax',
  childName: 'Isolde Aldervane',
  schoolName: 'Gannet Head Upper School',
  year: '11',
  term: { title: 'First quarter', startsOn: '2026-09-07', endsOn: '2026-11-06' },
  asOf: new Date('2026-10-21T19:40:00Z'),
  source: { name: 'Gannet Head', readAt: null },
  courses,
  attendance: { days: 32, absent: 1, lessons: 10, unexcused: 3, late: 1 },
});
const pages = (bytes: Buffer): number => bytes.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

const reader = new PaperReader();
afterAll(() => reader.close());
const textsOn = async (bytes: Buffer): Promise<string[]> =>
  (await reader.read(bytes)).flat().map(({ text }) => text);

it.each([0, 1, 7, 12, 60])('stays one page with %d courses', async (count) => {
  const bytes = await reportPage(report(Array.from({ length: count }, () => course())));
  expect(pages(bytes)).toBe(1);
});

it('says more about more courses, until the page is full', async () => {
  const texts = async (count: number) =>
    textsOn(await reportPage(report(Array.from({ length: count }, () => course()))));
  expect((await texts(3)).length).toBeGreaterThan((await texts(1)).length);
  expect((await texts(60)).length).toBe((await texts(40)).length);
  const full = await texts(60);
  const shown = full.filter((text) => text === 'Kelp chemistry').length;
  expect(full).toContain(`and ${60 - shown} more courses`);
});

it.each([
  ['nothing yet', { figures: null, grade: null, state: null }],
  [
    'a figure above its scale',
    {
      figures: { ...figures, posted: 130, ifLeft: 130, ifMadeUp: 130, display: 130 },
      grade: countedGrade({ decimals: 1 }, { posted: 130, display: 130, letter: 'A' }),
    },
  ],
  [
    'a stored grade alone',
    {
      figures: null,
      state: 'stored' as const,
      grade: {
        ...countedGrade({ decimals: 1 }, { posted: 91, display: 91, letter: 'A' }),
        by: 'final' as const,
      },
    },
  ],
  [
    'our count beside the school’s grade',
    {
      grade: {
        ...countedGrade({ decimals: 1 }, { posted: 88, display: 88, letter: 'B' }),
        ...{ by: 'school' as const, count: { figure: 84.2, display: 84.2, decimals: 1, letter: 'B' } },
      },
    },
  ],
  [
    'standards',
    {
      scale: { ...course().scale, method: 'standards' as const },
      standards: [{ title: 'Reads', level: null }],
    },
  ],
  ['text of every kind', { title: 'Ω <b>=1+1</b> \u202E\u0007 漢字', remark: 'x'.repeat(5000) }],
])('prints a course with %s, in both languages', async (_name, more) => {
  for (const language of ['en', 'es'] as const) {
    expect(pages(await reportPage(report([course(more)], language)))).toBe(1);
  }
});

const standards = [
  { title: 'Guesses a word from the sentence around it', level: null },
  { title: 'Reads aloud so that others can follow', level: 3 },
];
it.each([
  ['en', ['no grade yet', 'not yet', 'level 3']],
  ['es', ['sin calificar', 'aún no', 'nivel 3']],
] as const)('says everything of it whole, in %s', async (language, expected) => {
  const courses = [
    course({ figures: null, grade: null, state: null }),
    course({ scale: { ...course().scale, method: 'standards' }, standards }),
  ];
  const texts = await textsOn(await reportPage(report(courses, language)));
  expect(texts).toEqual(expect.arrayContaining([...expected, ...standards.map(({ title }) => title)]));
  expect(texts.filter((text) => text.endsWith('…'))).toEqual([]);
});
