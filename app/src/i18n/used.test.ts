import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { catalogues, everyText } from '../testing/texts';

const root = join(__dirname, '..');
const sources = readdirSync(root, { recursive: true })
  .map(String)
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file) && !/^i18n\/(en|es)\//.test(file))
  .map((file) => readFileSync(join(root, file), 'utf8'));

const [whole, begun] = [new Set<string>(), new Set<string>()];
for (const text of sources) {
  for (const [, key = ''] of text.matchAll(/['"`]([a-zA-Z][\w-]*(?:\.[\w-]+)+)['"`]/g)) whole.add(key);
  for (const [, key = ''] of text.matchAll(/`([a-zA-Z][\w-]*\.(?:[\w-]+\.)*(?:[\w-]+)?)\$\{/g))
    begun.add(key);
}
const starts = [...begun];

/** Whether a key, or what it is a part of, is named somewhere, or begun and ended by what is known when it is shown. */
function isUsed(path: string): boolean {
  const key = path.replace(/_(zero|one|other|many)$/, '');
  const parts = key.split('.');
  const above = parts.map((_, at) => parts.slice(0, at + 1).join('.'));
  return above.some((each) => whole.has(each)) || starts.some((start) => key.startsWith(start));
}

it('every text of the catalogues is said somewhere', () => {
  const texts = everyText(catalogues.en);
  expect(texts.map(([path]) => path).filter((path) => !isUsed(path))).toEqual([]);
});

it('would find a text that nobody says', () => expect(isUsed('brief.neverSaid')).toBe(false));
