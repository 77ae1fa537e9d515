import { inflateSync } from 'node:zlib';
import type { CourseFigures } from '@cadro/contract';
import { countedGrade } from '@cadro/core';
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

/** How many texts are set on the pages: what the drawing commands say, whatever their glyphs. */
function textsOn(bytes: Buffer): number {
  const text = bytes.toString('latin1');
  let found = 0;
  for (const stream of text.matchAll(/stream\n([\s\S]*?)\nendstream/g)) {
    try {
      const drawn = inflateSync(Buffer.from(stream[1] ?? '', 'latin1')).toString('latin1');
      found += drawn.match(/\bTJ\b/g)?.length ?? 0;
    } catch {
      continue; // a font, not a page
    }
  }
  return found;
}

it.each([0, 1, 7, 12, 60])('stays one page with %d courses', async (count) => {
  const bytes = await reportPage(report(Array.from({ length: count }, () => course())));
  expect(pages(bytes)).toBe(1);
});

it('says more about more courses, until the page is full', async () => {
  const texts = async (count: number) =>
    textsOn(await reportPage(report(Array.from({ length: count }, () => course()))));
  expect(await texts(3)).toBeGreaterThan(await texts(1));
  expect(await texts(60)).toBe(await texts(40));
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
