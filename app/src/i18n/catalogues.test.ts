import {
  allRoutes,
  followUpSteps,
  languages,
  looseEndKinds,
  problemCodes,
  resultStatuses,
} from '@cadro/contract';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { i18next } from './i18n';
import { makeFormat } from './format';
import { catalogues, everyText, startTexts } from '../testing/texts';

const en = new Map(everyText(catalogues.en));

/** Every key the code asks for by a plain text, `t('a.b')`. */
function keysInSource(folder = join(__dirname, '..')): string[] {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !entry.name.includes('.test.'))
    .flatMap((entry) => [
      ...readFileSync(join(entry.parentPath, entry.name), 'utf8').matchAll(/\bt\(\s*'([\w.-]+)'/g),
    ])
    .map(([, key]) => key ?? '');
}

describe('the catalogues', () => {
  it.each(languages)('%s has every key, and the same places for values', (language) => {
    const texts = new Map(everyText(catalogues[language]));
    expect([...texts.keys()].sort()).toEqual([...en.keys()].sort());
    const places = (text: string) => [...text.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name).sort();
    for (const [key, text] of texts)
      expect({ key, places: places(text) }).toEqual({ key, places: places(en.get(key) ?? '') });
  });

  it('has every key that the code names', () => {
    const known = new Set([...en.keys()].map((key) => key.replace(/_(zero|one|other)$/, '')));
    const asked = keysInSource();
    expect(asked.length).toBeGreaterThan(150);
    expect(
      asked.filter((key) => !known.has(key) && ![...known].some((each) => each.startsWith(`${key}.`))),
    ).toEqual([]);
  });

  it('has words for every code of the contract', () => {
    expect(allRoutes.length).toBeGreaterThan(0);
    for (const code of problemCodes) expect(en.has(`problems.${code}`)).toBe(true);
    for (const kind of looseEndKinds)
      expect(en.has(`kinds.${kind}`) && en.has(`item.states.${kind}`)).toBe(true);
    for (const status of resultStatuses) expect(en.has(`item.states.${status}`)).toBe(true);
    for (const step of followUpSteps) expect(en.has(`steps.${step}`)).toBe(true);
  });

  it('scolds nobody and shouts at nobody', () => {
    for (const language of languages)
      for (const [key, text] of everyText(catalogues[language]))
        expect({ key, text }).not.toMatchObject({ text: expect.stringMatching(/[!¡]/) });
  });
});

describe('numbers and days', () => {
  startTexts('en');
  const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');
  it.each([
    ['a figure', format.figure(3.1, 1), '3.1'],
    ['no figure', format.figure(null, 1), '–'],
    ['an instant near midnight, in the school’s zone', format.day('2026-10-13T02:59:00Z'), 'Mon, Oct 12'],
    ['a calendar date, whatever the zone', format.day('2026-10-12'), 'Mon, Oct 12'],
    ['tomorrow', format.relative('2026-10-22'), 'tomorrow'],
    ['a date beyond a week', format.relative('2026-11-06'), 'Nov 6'],
    ['today, late in the evening', format.dateOf('2026-10-22T02:00:00Z'), '2026-10-21'],
    ['three days on', format.daysAhead(3), '2026-10-24'],
    ['across the change of clocks', String(format.daysBetween('2026-10-30', '2026-11-03')), '4'],
  ])('%s', (_name, said, expected) => expect(said).toBe(expected));

  it('says them in Spanish', async () => {
    await i18next.changeLanguage('es');
    expect(makeFormat('es', 'America/Halifax', '2026-10-21T19:40:00Z').figure(3.1, 1)).toBe('3.1');
    expect(i18next.t('brief.title', { count: 0, name: 'Maren' })).toBe('Hoy nada le necesita');
  });
});
