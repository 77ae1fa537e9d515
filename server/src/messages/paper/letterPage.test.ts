import { PaperReader } from '../../testing/paper';
import { letterPage } from './letterPage';

const reader = new PaperReader();
afterAll(() => reader.close());
const letter = (text: string) => ({
  ...{ language: 'es' as const, timeZone: 'America/Halifax', author: 'Maren Aldervane' },
  ...{ receiver: 'Edmund Pellory', schoolName: 'Gannet Head Upper School', subject: 'La niña y el faro' },
  ...{ text, at: new Date('2026-10-22T01:30:00Z') },
});
const pagesOf = async (text: string): Promise<string[]> =>
  (await reader.read(await letterPage(letter(text)))).map((page) => page.map((each) => each.text).join(' '));

it('says who writes to whom, and the day it is where the school is', async () => {
  const [page = ''] = await pagesOf('¿Podría llamarme?');
  for (const words of [
    'Maren Aldervane',
    '21 de octubre de 2026',
    'Edmund Pellory',
    'La niña y el faro',
    '¿Podría llamarme?',
  ])
    expect(page).toContain(words);
});

it('takes as many pages as its words need, and leaves none of them out', async () => {
  const pages = await pagesOf(
    Array.from({ length: 400 }, (_, at) => `Palabra${at} sobre la marea.`).join('\n'),
  );
  expect(pages.length).toBeGreaterThan(3);
  const all = pages.join(' ');
  for (const at of [0, 199, 399]) expect(all).toContain(`Palabra${at} `);
});

it('is read by ear in its language: a tree of headings and paragraphs', async () => {
  const file = (await letterPage(letter('¿Podría llamarme?'))).toString('latin1');
  expect(file).toContain('/Marked true');
  expect(file).toContain('/Lang (es)');
  expect(file.match(/\/S \/H2\b/g)).toHaveLength(1);
  expect(file.match(/\/S \/P\b/g)?.length).toBeGreaterThanOrEqual(5);
});
