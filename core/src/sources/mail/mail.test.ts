import * as fc from 'fast-check';
import { namedIn, plainSubject, proposalsOf, unforward, type Proposal } from '.';

// A Wednesday.
const asked = { lang: 'en', today: '2026-10-21' } as const;
const read = (text: string, html = '', lang: 'en' | 'es' = 'en') =>
  proposalsOf({ text, html }, { ...asked, lang });
const short = ({ title, dueOn, earned, possible, percent, status }: Proposal) => [
  title,
  dueOn,
  earned,
  possible,
  percent,
  status,
];

describe('what a mail says of work', () => {
  it('is read line by line, on the words that say it', () => {
    const found = read(
      [
        'Hi Ms. Aldervane,',
        'I wanted to let you know how Wren is doing.',
        '- Quiz 4: 17/20',
        '- Missing: Worksheet 7',
        'Tide essay is due Friday, 50 points',
        'Harbour map 85%',
        'See you at the conference on November 12.',
        'Best,',
        'Ms. Brill',
      ].join('\n'),
    );
    expect(found.map(short)).toEqual([
      ['Quiz 4', null, 17, 20, null, 'scored'],
      ['Worksheet 7', null, null, null, null, 'missing'],
      ['Tide essay', '2026-10-23', null, 50, null, 'open'],
      ['Harbour map', null, null, null, 85, 'scored'],
    ]);
    expect(found[0]?.words).toBe('Quiz 4: 17/20');
  });

  it('is read in Spanish, too', () => {
    expect(
      read(
        'Hola:\nPrueba 4: 17/20\nFalta: Hoja 7\nEnsayo para el 12 de noviembre, 50 puntos\nSaludos',
        '',
        'es',
      ).map(short),
    ).toEqual([
      ['Prueba 4', null, 17, 20, null, 'scored'],
      ['Hoja 7', null, null, null, null, 'missing'],
      ['Ensayo', '2026-11-12', null, 50, null, 'open'],
    ]);
  });

  it('is read out of its tables, whatever holds them together', () => {
    const html = `<table><tr><td><table>
      <tr><th>Assignment</th><th>Due</th><th>Score</th></tr>
      <tr><td>Knots</td><td>Oct 9</td><td>9 / 10</td></tr>
      <tr><td>Sails</td><td>Oct 16</td><td>Missing</td></tr>
    </table></td></tr><tr><td>Have a good week</td></tr></table>`;
    expect(read('Knots Oct 9 9 / 10 Sails Oct 16 Missing', html).map(short)).toEqual([
      ['Knots', '2026-10-09', 9, 10, null, 'scored'],
      ['Sails', '2026-10-16', null, null, null, 'missing'],
    ]);
  });

  it.each([
    'The field trip is on Friday. Please pack a lunch.',
    'School is closed on November 11 for the holiday.',
    'Thank you for coming to the concert, it was a great evening for all 120 of us.',
    'Picture day is 10/30.',
    'Call the office at 555-0142 by 3:30.',
  ])('proposes nothing for: %s', (text) => expect(read(text)).toEqual([]));

  it('has an end for whatever is sent, and is the same twice', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 600 }), fc.string({ maxLength: 600 }), (text, html) => {
        expect(read(text, html)).toEqual(read(text, html));
      }),
    );
  });
});

describe('a forward', () => {
  const body = 'Wren did well.\nQuiz 4: 17/20';
  it.each([
    [
      `FYI\n\n---------- Forwarded message ---------\nFrom: Ada Brill <brill@skerry.example>\nDate: Wed, Oct 21\nSubject: Wren in math\nTo: Maren\n\n${body}`,
      'Ada Brill <brill@skerry.example>',
      'Wren in math',
    ],
    [
      `Begin forwarded message:\n\n> From: Ada Brill <brill@skerry.example>\n> Subject: Wren in math\n> Date: October 21\n>\n> Wren did well.\n> Quiz 4: 17/20`,
      'Ada Brill <brill@skerry.example>',
      'Wren in math',
    ],
    [
      `-----Mensaje original-----\nDe: Ada Brill\nEnviado el: miércoles\nPara: Maren\nAsunto: Wren en matemáticas\n\n${body}`,
      'Ada Brill',
      'Wren en matemáticas',
    ],
  ])('is taken out of its wrapping', (text, from, subject) => {
    expect(unforward(text)).toEqual({ from, subject, text: body });
  });
  it('without one is what it is', () => {
    expect(unforward(body)).toEqual({ from: null, subject: null, text: body });
    expect(plainSubject('Fwd: RE: Wren in math')).toBe('Wren in math');
  });
});

it.each([
  ['Wren in math', ['Wren', 'Lark'], 0],
  ['Wren and Lark', ['Wren', 'Lark'], null],
  ['Brenda', ['Bren'], null],
])('in %s of %j the one named is %s', (text, names, at) => expect(namedIn(text, names)).toBe(at));
