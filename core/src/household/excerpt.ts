/** Letters as they are looked for: small, and without accents. */
const plain = (text: string): string => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

/**
 * The words of a text around the first of those that are looked for; its beginning where none of them stands in it.
 * @param width about so many characters.
 */
export function excerptOf(text: string, words: readonly string[], width = 120): string {
  // Composed letters are of one length with their accents and without.
  const line = text.normalize('NFC').replace(/\s+/g, ' ').trim();
  if (line.length <= width) return line;
  const folded = plain(line);
  const at = Math.min(
    ...words.map((word) => folded.indexOf(plain(word))).filter((index) => index >= 0),
    line.length,
  );
  const start = at === line.length || at < width / 3 ? 0 : line.lastIndexOf(' ', at - width / 4) + 1;
  const cut = line.slice(start, start + width);
  const end = start + cut.length < line.length ? cut.slice(0, cut.lastIndexOf(' ')) : cut;
  return `${start > 0 ? '… ' : ''}${end}${start + cut.length < line.length ? ' …' : ''}`;
}
