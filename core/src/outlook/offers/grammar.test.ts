import { readOffers } from '.';
import type { Part } from './tests/grammar';
import { inEnglish } from './tests/grammar.en';
import { inSpanish } from './tests/grammar.es';

/*
 * A reader that knows sentences by heart knows no others. Here sentences are put together of their parts, so that every
 * way to name a day has stood beside every way to name a credit.
 */
const read = (text: string, lang: 'en' | 'es') =>
  readOffers({ text, writtenAt: '2026-10-21T18:00:00Z', timeZone: 'America/Halifax', lang }).map(
    ({ kind, until, credit }) => [kind, until, credit],
  );
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
const small = (words: string): string =>
  words.startsWith('I ') ? words : words.charAt(0).toLowerCase() + words.slice(1);
const sentence = (...words: readonly string[]): string => `${words.filter(Boolean).join(' ')}.`;

interface Case {
  readonly text: string;
  readonly means: readonly (readonly (string | number | null)[])[];
}
/** The day behind, in the middle and in front. */
const orders = (act: string, day: string, credit: string): string[] => [
  sentence(act, day, credit),
  sentence(act, credit, day),
  ...(day ? [sentence(capital(day), small(act), credit)] : []),
];
/** Every so manieth: what is left out differs from part to part. */
const some = <T>(all: readonly T[], step: number): T[] => all.filter((_, index) => index % step === 0);
const found = (cases: readonly Case[], lang: 'en' | 'es'): string[] =>
  cases.flatMap(({ text, means }) => {
    const got = JSON.stringify(read(text, lang));
    return got === JSON.stringify(means) ? [] : [`${text} → ${got}`];
  });

describe.each([
  ['English', 'en', inEnglish],
  ['Spanish', 'es', inSpanish],
] as const)('%s', (_name, lang, sayings) => {
  const { acts, days, credits, openings, ends, forms, formDays, told, toldDays } = sayings;

  it('is read however an action, a day and a credit are put together', () => {
    const dated = ([, until]: Part, [, credit]: Part) => until !== null || credit !== null;
    const cases = acts.flatMap(([act, kind]) =>
      days.flatMap((day) =>
        credits.flatMap((credit) =>
          dated(day, credit)
            ? orders(act, day[0], credit[0]).map((text) => ({ text, means: [[kind, day[1], credit[1]]] }))
            : [],
        ),
      ),
    );
    const tried = some(cases, 421);
    expect(tried.length).toBeGreaterThan(250);
    expect(found(tried, lang)).toEqual([]);
  });

  it('is read over two sentences', () => {
    const cases = openings.flatMap(([first, kind]) =>
      ends.map(([second, credit]) => ({ text: `${first} ${second}`, means: [[kind, '2026-10-23', credit]] })),
    );
    expect(found(some(cases, 5), lang)).toEqual([]);
  });

  it('is read in each of its forms', () => {
    const contracted = (text: string) => text.replace(/(?<!\p{L})(a|de) el /gu, '$1l ');
    const cases = forms.flatMap(([form, kind, credit]) =>
      formDays.map(([phrase, bare, until]) => ({
        text: contracted(`${form.replace('D0', bare).replace(/\bD\b/, phrase)}.`),
        means: [[kind, until, credit]],
      })),
    );
    expect(found(cases, lang)).toEqual([]);
  });

  it('finds nothing in what is told, denied or meant for others', () => {
    const cases = told.flatMap((text) => toldDays.map((day) => ({ text: sentence(text, day), means: [] })));
    expect(found(cases, lang)).toEqual([]);
  });
});
