import type { TermCourse, TermNode } from '@cadro/contract';
import { countedGrade } from '@cadro/core';
import { PaperReader } from '../../testing/paper';
import { cardsPage, type CardsReport } from './cardsPage';

const term = (part: string, depth: number, endsOn: string): TermNode => ({
  ...{ id: part, part, parent: depth === 0 ? null : 'year', depth, title: `The ${part}` },
  ...{ startsOn: '2026-09-07', endsOn, state: 'running', courseIds: ['c'] },
});
const terms = [
  term('first', 1, '2026-11-06'),
  term('second', 1, '2027-01-29'),
  term('year', 0, '2027-06-25'),
];
const course = (more: Partial<TermCourse> = {}): TermCourse => ({
  ...{ courseId: 'c', title: 'Kelp chemistry', teacher: 'Aldous Quillfeather', current: true },
  scale: { method: 'weighted', outOf: 100, decimals: 1, letters: [] },
  ...{ credits: 1, creditsEarned: 0 },
  grades: [
    {
      ...{ part: 'first', depth: 1, title: null, state: 'stored', fraction: 0.84, parts: [] },
      grade: countedGrade({ decimals: 1 }, { posted: 84.2, display: 84.2, letter: 'B' }),
    },
    {
      ...{ part: 'second', depth: 1, title: null, state: 'running', fraction: null, parts: [] },
      grade: countedGrade({ decimals: 1 }, { posted: null, display: null, letter: null }),
    },
  ],
  remarks: [
    { part: 'first', text: 'Neat at the bench.', author: 'Aldous', writtenAt: '2026-11-10T16:00:00Z' },
  ],
  ...more,
});
const cards = (courses: readonly TermCourse[], language: 'en' | 'es' = 'en'): CardsReport => ({
  ...{ language, childName: 'Isolde Aldervane', schoolName: 'Gannet Head', title: '2026–27' },
  ...{ asOf: new Date('2026-11-12T19:40:00Z'), timeZone: 'America/Halifax', terms, courses },
  attendance: [{ part: 'first', schoolDays: 44, daysMissed: 1, lessonsMissed: 9, late: 1 }],
});
const pages = (bytes: Buffer): number => bytes.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;

it.each<[string, readonly TermCourse[], number]>([
  ['no course', [], 1],
  ['a course', [course()], 1],
  ['standards and letters alone', [course({ grades: [] }), course({ credits: 0, remarks: [] })], 1],
  ['more courses than a page holds', Array.from({ length: 40 }, () => course()), 3],
  ['long and odd words', [course({ title: 'Ω <b> \u202E 漢字 '.repeat(9), remarks: [] })], 1],
])('prints %s', async (_name, courses, most) => {
  for (const language of ['en', 'es'] as const) {
    const bytes = await cardsPage(cards(courses, language));
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pages(bytes)).toBeLessThanOrEqual(most);
  }
});

it('goes on to the next page, so that nothing is left out', async () => {
  const many = (count: number) => cardsPage(cards(Array.from({ length: count }, () => course())));
  expect(pages(await many(60))).toBeGreaterThan(pages(await many(10)));
});

it('keeps no room for the attendance of a year the school gives none for', async () => {
  const many = (count: number) => cards(Array.from({ length: count }, () => course({ remarks: [] })));
  const counts = Array.from({ length: 20 }, (_, place) => place + 10);
  const fuller = await Promise.all(
    counts.map(async (count) => {
      const recorded = pages(await cardsPage(many(count)));
      return recorded > pages(await cardsPage({ ...many(count), attendance: [] }));
    }),
  );
  expect(fuller).toContain(true);
});

it('says each grade, who missed what, and the day by the school’s own clock', async () => {
  const reader = new PaperReader();
  // Still the twelfth at the school.
  const bytes = await cardsPage({ ...cards([course()]), asOf: new Date('2026-11-13T02:30:00Z') });
  const texts = (await reader.read(bytes)).flat().map(({ text }) => text);
  await reader.close();
  expect(texts).toEqual(
    expect.arrayContaining(['As of Nov 12, 2026', 'Kelp chemistry', '84.2 B', '–', 'Days missed', '1']),
  );
  expect(texts.join(' ')).toContain('Kelp chemistry, Aldous: “Neat at the bench.”');
});
