import i18next from 'i18next';
import { startTexts } from '../testing/texts';
import { eachName, letterLanguage, lettersTo, openingOf, reopened, tones } from './opening';

startTexts('en');
const who = { teacher: 'Wren Thornwick', child: 'Caspian' };
const openings = tones.map((tone) => openingOf(i18next.t, tone, who));

it.each(tones.flatMap((from) => tones.map((to) => [from, to] as const)))(
  'goes from a %s opening to a %s one, and leaves the rest as it is',
  (from, to) => {
    const at = (tone: (typeof tones)[number]) => openings[tones.indexOf(tone)] ?? '';
    expect(reopened(`${at(from)}\n\nThe keel is late.`, openings, at(to))).toBe(
      `${at(to)}\n\nThe keel is late.`,
    );
  },
);

it('begins with one where there was none, and where nothing is written', () => {
  expect(reopened('The keel is late.', openings, 'Dear Wren,')).toBe('Dear Wren,\n\nThe keel is late.');
  expect(reopened('', openings, 'Dear Wren,')).toBe('Dear Wren,');
});

it('names each of several in their own letter', () => {
  const people = [
    { id: 'a', name: 'Wren Thornwick' },
    { id: 'b', name: 'Petra Eelgrass' },
  ];
  expect(lettersTo(people, `Dear ${eachName},\n\nThank you, ${eachName}.`)).toEqual([
    { teacherId: 'a', text: 'Dear Wren Thornwick,\n\nThank you, Wren Thornwick.' },
    { teacherId: 'b', text: 'Dear Petra Eelgrass,\n\nThank you, Petra Eelgrass.' },
  ]);
});

it.each([
  [null, 'en'],
  ['es', 'es'],
  ['es-US', 'es'],
  ['ES', 'es'],
  ['pt', 'en'],
] as const)('to who reads %s best, begins in %s', (read, language) =>
  expect(letterLanguage(read, 'en')).toBe(language),
);
