import { readAnnouncement } from './read';
import { heldOut } from './tests/heldOut';
import type { Marked } from './tests/marked';
import { markedEnglish } from './tests/marked.en';
import { markedSpanish } from './tests/marked.es';

const posted = '2026-10-21';

/** What was read, each as one line of the collection. */
function lines(text: string): string[] {
  const { parts, asks, helpers } = readAnnouncement(text, posted);
  const of = parts.map(({ kind, on, lastOn, startsAt, endsAt, what }) => {
    if (kind === 'bring') return `bring ${on ?? '-'}: ${what}`;
    const days = lastOn !== null && lastOn !== on ? `${on}..${lastOn}` : `${on}`;
    const hours = startsAt === null ? '' : ` ${startsAt}${endsAt === null ? '' : `-${endsAt}`}`;
    return `${kind} ${days}${hours}`;
  });
  return [...of, ...(asks ? [`ask ${asks}`] : []), ...(helpers ? ['helpers'] : [])].sort();
}

const sorted = (found: readonly string[]) => [...found].sort();

describe('announcements the readers were made with', () => {
  it.each([...markedEnglish, ...markedSpanish])('%s', (text, found) =>
    expect(lines(text)).toEqual(sorted(found)),
  );
});

it('tells every part by its place in the text and a name of its own', () => {
  for (const [text] of [...markedEnglish, ...markedSpanish, ...heldOut.en, ...heldOut.es]) {
    const { parts } = readAnnouncement(text, posted);
    expect(new Set(parts.map(({ key }) => key)).size).toBe(parts.length);
    for (const { start, end, what } of parts) {
      expect(text.slice(start, end).trim()).not.toBe('');
      if (what !== null) expect(text.slice(start, end)).toBe(what);
    }
  }
});

it('reads a text of any length in a moment, and no day that is over', () => {
  const long = 'Please bring a hat on Friday, from 2 to 4 and '.repeat(20_000);
  expect(readAnnouncement(long, posted).parts.length).toBeGreaterThan(0);
  expect(readAnnouncement('The fair is on October 2, 2026.', posted).parts).toEqual([]);
});

/** How much of what was read is so, and how much of what is so was read. */
function measured(collection: readonly Marked[]) {
  const counts = collection.map(([text, found]) => {
    const read = lines(text);
    return { read: read.length, so: found.length, both: read.filter((line) => found.includes(line)).length };
  });
  const sum = (of: 'read' | 'so' | 'both') => counts.reduce((total, each) => total + each[of], 0);
  return { precision: sum('both') / sum('read'), recall: sum('both') / sum('so') };
}

describe('announcements they were never shown', () => {
  it.each(['en', 'es'] as const)('in %s', (lang) => {
    const { precision, recall } = measured(heldOut[lang]);
    process.stdout.write(
      `measured: announcements never shown (${lang}): precision ${precision.toFixed(2)}, recall ${recall.toFixed(2)}\n`,
    );
    expect(precision).toBeGreaterThanOrEqual(0.8);
    expect(recall).toBeGreaterThanOrEqual(0.8);
  });
});
