import fc, { type Arbitrary } from 'fast-check';
import { readOffers, type WrittenComment } from '.';
import type { Marked } from './tests/marked';
import { fifthEnglish } from './tests/fifth.en';
import { fifthSpanish } from './tests/fifth.es';
import { fourthEnglish } from './tests/fourth.en';
import { fourthSpanish } from './tests/fourth.es';
import { freshEnglish } from './tests/fresh.en';
import { freshSpanish } from './tests/fresh.es';
import { heldOut } from './tests/heldOut';
import { heldOutLater } from './tests/heldOut.second';
import { english } from './tests/marked.en';
import { thirdEnglish } from './tests/third.en';
import { thirdSpanish } from './tests/third.es';
import { sixthEnglish } from './tests/sixth.en';
import { sixthSpanish } from './tests/sixth.es';
import { seventhEnglish } from './tests/seventh.en';
import { seventhSpanish } from './tests/seventh.es';
import { eighthEnglish } from './tests/eighth.en';
import { eighthSpanish } from './tests/eighth.es';
import { ninthEnglish } from './tests/ninth.en';
import { ninthSpanish } from './tests/ninth.es';
import { tenthEnglish } from './tests/tenth.en';
import { tenthSpanish } from './tests/tenth.es';
import { eleventhEnglish } from './tests/eleventh.en';
import { eleventhSpanish } from './tests/eleventh.es';
import { spanish } from './tests/marked.es';

const wednesday: Omit<WrittenComment, 'text'> = {
  writtenAt: '2026-10-21T18:00:00Z',
  timeZone: 'America/Halifax',
  lang: 'en',
};
const read = (text: string, more: Partial<WrittenComment> = {}) =>
  readOffers({ ...wednesday, text, ...more }).map(({ kind, until, credit }) => [kind, until, credit]);

describe('the marked collection', () => {
  const tally = (lang: 'en' | 'es', marked: readonly Marked[]) => {
    const wrong: string[] = [];
    let [right, invented, missed] = [0, 0, 0];
    for (const [text, offers] of marked) {
      const got = read(text, { lang }).map((offer) => JSON.stringify(offer));
      const wanted = offers.map((offer) => JSON.stringify(offer));
      const hits = wanted.filter((offer) => got.includes(offer)).length;
      [right, invented, missed] = [right + hits, invented + got.length - hits, missed + wanted.length - hits];
      if (hits < wanted.length || hits < got.length) wrong.push(`${text} → ${got.join(' ') || 'nothing'}`);
    }
    return { right, invented, missed, wrong };
  };

  it.each([
    ['English', 'en', english],
    ['Spanish', 'es', spanish],
    ['English, the second collection', 'en', freshEnglish],
    ['Spanish, the second collection', 'es', freshSpanish],
    ['English, the third collection', 'en', thirdEnglish],
    ['Spanish, the third collection', 'es', thirdSpanish],
    ['English, the fourth collection', 'en', fourthEnglish],
    ['Spanish, the fourth collection', 'es', fourthSpanish],
    ['English, the fifth collection', 'en', fifthEnglish],
    ['Spanish, the fifth collection', 'es', fifthSpanish],
    ['English, the sixth collection', 'en', sixthEnglish],
    ['Spanish, the sixth collection', 'es', sixthSpanish],
    ['English, the seventh collection', 'en', seventhEnglish],
    ['Spanish, the seventh collection', 'es', seventhSpanish],
    ['English, the eighth collection', 'en', eighthEnglish],
    ['Spanish, the eighth collection', 'es', eighthSpanish],
    ['English, the ninth collection', 'en', ninthEnglish],
    ['Spanish, the ninth collection', 'es', ninthSpanish],
    ['English, the tenth collection', 'en', tenthEnglish],
    ['Spanish, the tenth collection', 'es', tenthSpanish],
    ['English, the eleventh collection', 'en', eleventhEnglish],
    ['Spanish, the eleventh collection', 'es', eleventhSpanish],
  ] as const)('is read with a precision and a recall that are told: %s', (name, lang, marked) => {
    const { right, invented, missed, wrong } = tally(lang, marked);
    const [precision, recall] = [right / (right + invented), right / (right + missed)];
    process.stdout.write(
      `offers, ${name}: ${marked.length} comments, precision ${precision.toFixed(3)}, recall ${recall.toFixed(3)}\n` +
        wrong.map((each) => `  ${each}\n`).join(''),
    );
    // Every one is read as it is marked; one that cannot be is named here.
    expect(wrong).toEqual([]);
  });

  it.each([
    ['held out first', heldOut, 0.9],
    ['held out later', heldOutLater, 0.5],
  ] as const)('is read as well where the readers were not made from it: %s', (name, heldBack, least) => {
    const both = (['en', 'es'] as const).map((lang) => tally(lang, heldBack[lang]));
    const sum = (of: 'right' | 'invented' | 'missed') => both.reduce((all, each) => all + each[of], 0);
    const precision = sum('right') / (sum('right') + sum('invented'));
    const recall = sum('right') / (sum('right') + sum('missed'));
    process.stdout.write(
      `offers, ${name}: ${heldBack.en.length + heldBack.es.length} comments, precision ${precision.toFixed(3)}, recall ${recall.toFixed(3)}\n`,
    );
    expect(precision).toBeGreaterThan(least);
    expect(recall).toBeGreaterThan(least);
  });

  it('is large enough, and holds enough with nothing to find', () => {
    const all = [
      ...english,
      ...spanish,
      ...freshEnglish,
      ...freshSpanish,
      ...thirdEnglish,
      ...thirdSpanish,
      ...fourthEnglish,
      ...fourthSpanish,
      ...fifthEnglish,
      ...fifthSpanish,
      ...sixthEnglish,
      ...sixthSpanish,
      ...seventhEnglish,
      ...seventhSpanish,
      ...eighthEnglish,
      ...eighthSpanish,
      ...ninthEnglish,
      ...ninthSpanish,
      ...tenthEnglish,
      ...tenthSpanish,
      ...eleventhEnglish,
      ...eleventhSpanish,
      ...heldOut.en,
      ...heldOut.es,
      ...heldOutLater.en,
      ...heldOutLater.es,
    ];
    expect(all.length).toBeGreaterThanOrEqual(150);
    expect(all.filter(([, offers]) => offers.length === 0).length * 3).toBeGreaterThanOrEqual(all.length);
    expect(new Set(all.map(([text]) => text)).size).toBe(all.length);
  });
});

describe('days', () => {
  it.each([
    // 2026-10-22T02:30Z is still Wednesday evening at the school, and Thursday in Madrid.
    ['2026-10-22T02:30:00Z', 'America/Halifax', 'Redo it by tomorrow.', '2026-10-22'],
    ['2026-10-22T02:30:00Z', 'Europe/Madrid', 'Redo it by tomorrow.', '2026-10-23'],
    ['2026-10-23T15:00:00Z', 'America/Halifax', 'Redo it by Friday.', '2026-10-23'],
    ['2026-12-16T15:00:00Z', 'America/Halifax', 'Redo it by 8 January.', '2027-01-08'],
    ['2027-02-10T15:00:00Z', 'America/Halifax', 'Redo it by 29 February.', null],
    ['2026-10-21T15:00:00Z', 'America/Halifax', 'Redo it within ten school days.', '2026-11-04'],
  ])('written %s in %s: %s', (writtenAt, timeZone, text, until) => {
    expect(read(text, { writtenAt, timeZone })).toEqual([['redo', until, null]]);
  });
});

it.each([
  ['You may redo it until the end of the term.', '2026-11-06'],
  ['You may redo it until the end of the unit.', '2026-10-29'],
  ['You may redo it until the term ends.', '2026-11-06'],
  ['You may redo it until the end of the year.', null],
])('%s ends where the course tells it', (text, until) => {
  const ends = { term: '2026-11-06', unit: '2026-10-29' };
  expect(read(text, { ends })).toEqual([['redo', until, null]]);
  expect(read(text)).toEqual([['redo', null, null]]);
  expect(read(text, { ends: { term: null, unit: null } })).toEqual([['redo', null, null]]);
});

it('lets a day at the end be said of both, and not where the first has terms of its own', () => {
  expect(read('Redo the map or correct the quiz by Friday.')).toEqual([
    ['redo', '2026-10-23', null],
    ['correct', '2026-10-23', null],
  ]);
  expect(read('Redo the map for half credit or correct the quiz by Friday.')).toEqual([
    ['redo', null, 0.5],
    ['correct', '2026-10-23', null],
  ]);
});

it('reads a letter as the course has it', () => {
  const letters = [{ letter: 'C', from: 0.73 }];
  expect(read('You may redo it, up to a C.', { letters })).toEqual([['redo', null, 0.73]]);
});

describe('the quote', () => {
  it.each<[string, readonly string[]]>([
    [
      'A fine start. You may redo the chart until Friday for half credit. Come and see me.',
      ['You may redo the chart until Friday for half credit'],
    ],
    [
      'The last day for full credit is Thursday, and the last day for half credit is 30 October.',
      ['The last day for full credit is Thursday', 'the last day for half credit is 30 October'],
    ],
    [
      'Redo the map or correct the quiz by Friday.',
      ['Redo the map or correct the quiz by Friday', 'correct the quiz by Friday'],
    ],
    ['Well done; retakes on Thursday at lunch, bring a pencil.', ['retakes on Thursday at lunch']],
    [
      'Please hand it in by Monday. It counts for half credit. Thank you.',
      ['Please hand it in by Monday. It counts for half credit'],
    ],
  ])('of %j is in its very words', (text, quotes) =>
    expect(readOffers({ ...wednesday, text }).map(({ quote }) => quote)).toEqual(quotes),
  );
});

describe('hostile text', () => {
  const words: Arbitrary<string> = fc.constantFrom(
    'redo',
    'retake',
    'by',
    'Friday',
    'no',
    'after',
    '50 %',
    'until',
    'half credit',
    'or',
    ',',
    '.',
    'due date',
    'moved to',
    '31 November',
    '99/99',
    'hand in',
    'entregar',
    'hasta',
    '\u202E',
    '<b>',
    '0'.repeat(30),
    '\n',
    'next week',
    'two',
  );

  it('never throws, and only quotes what is there', () => {
    fc.assert(
      fc.property(fc.array(words, { maxLength: 40 }), fc.constantFrom('en', 'es'), (parts, lang) => {
        const text = parts.join(' ');
        for (const { quote, until, credit } of readOffers({ ...wednesday, text, lang })) {
          expect(text).toContain(quote);
          expect(quote).not.toBe('');
          expect(credit === null || (credit > 0 && credit <= 1)).toBe(true);
          expect(until === null || !Number.isNaN(Date.parse(until))).toBe(true);
        }
      }),
    );
  });

  it.each<[string, readonly (readonly [string, string | null, number | null])[]]>([
    ['no ', []],
    ['1', []],
    ['1/1/', []],
    ['redo by Friday, or ', [['redo', '2026-10-23', null]]],
    ['You may redo it by Friday for half credit. ', [['redo', '2026-10-23', 0.5]]],
    [' ', []],
    ['may be ', []],
    ['hand in the ', [['hand-in', null, null]]],
    ['la mitad de la nota hasta el ', []],
  ])('reads twenty thousand characters of %j as what they say once', (piece, offers) => {
    const text = piece.repeat(Math.ceil(20_000 / piece.length)).slice(0, 20_000);
    const lang = piece.includes('mitad') ? 'es' : 'en';
    const found = readOffers({ ...wednesday, text, lang });
    expect(found.map(({ kind, until, credit }) => [kind, until, credit])).toEqual(offers);
  });
});
