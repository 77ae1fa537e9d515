import * as fc from 'fast-check';
import { ownMissing, ownScales, ownSums } from '@cadro/contract';
import { ownPolicy, pairRows, plainTitle, readLine, rulesOf, splitTitle, usualTerm, type Line } from '.';

// A Wednesday.
const today = '2026-10-21';
const courses = ['Mathematics', 'Kelp chemistry', 'World history'];
const read = (
  text: string,
  lang: 'en' | 'es' = 'en',
  categories: readonly string[] = ['Quizzes', 'Projects'],
) => readLine(text, { lang, today, courses, categories });
const none: Line = {
  ...{ course: null, title: '', dueOn: null, earned: null, possible: null, percent: null },
  ...{ status: 'open', category: null },
};

describe('a line of free text', () => {
  it.each<[string, Partial<Line>]>([
    [
      'math quiz Friday 17/20',
      { course: 0, title: 'Quiz', dueOn: '2026-10-16', earned: 17, possible: 20, status: 'scored' },
    ],
    ['math quiz Friday', { course: 0, title: 'Quiz', dueOn: '2026-10-23' }],
    [
      'essay due 12 Nov worth 50, projects',
      { title: 'Essay', dueOn: '2026-11-12', possible: 50, category: 'Projects' },
    ],
    ['Essay due Nov 12, 50 points', { title: 'Essay', dueOn: '2026-11-12', possible: 50 }],
    ['kelp lab report 85%', { course: 1, title: 'Lab report', percent: 85, status: 'scored' }],
    ['history map missing, 10 pts', { course: 2, title: 'Map', possible: 10, status: 'missing' }],
    ['Chapter 4 reading due tomorrow', { title: 'Chapter 4 reading', dueOn: '2026-10-22' }],
    [
      'quiz yesterday 9/10',
      { title: 'Quiz', dueOn: '2026-10-20', earned: 9, possible: 10, status: 'scored' },
    ],
    ['poster due 11/12', { title: 'Poster', dueOn: '2026-11-12' }],
    ['poster 11/12', { title: 'Poster', earned: 11, possible: 12, status: 'scored' }],
    ['Worksheet 7 turned in', { title: 'Worksheet 7', status: 'handed-in' }],
    [
      'vocab test 18 out of 20, quiz',
      { title: 'Vocab test', earned: 18, possible: 20, status: 'scored', category: 'quiz' },
    ],
    [
      'lab notes 2026-10-19 9.5/10',
      { title: 'Lab notes', dueOn: '2026-10-19', earned: 9.5, possible: 10, status: 'scored' },
    ],
    ['Read pages 10-20', { title: 'Read pages 10-20' }],
  ])('%s', (text, said) => {
    expect(read(text)).toEqual({ ...none, ...said });
  });

  it.each<[string, Partial<Line>]>([
    [
      'prueba el viernes 17/20',
      { title: 'Prueba', dueOn: '2026-10-16', earned: 17, possible: 20, status: 'scored' },
    ],
    [
      'ensayo para el 12 de noviembre vale 50, proyectos',
      { title: 'Ensayo', dueOn: '2026-11-12', possible: 50, category: 'proyectos' },
    ],
    ['hoja 4 sin entregar', { title: 'Hoja 4', status: 'missing' }],
    ['mapa para el 5/11', { title: 'Mapa', dueOn: '2026-11-05' }],
    ['lectura mañana', { title: 'Lectura', dueOn: '2026-10-22' }],
    ['examen 8,5 de 10', { title: 'Examen', earned: 8.5, possible: 10, status: 'scored' }],
  ])('in Spanish: %s', (text, said) => {
    expect(read(text, 'es')).toEqual({ ...none, ...said });
  });

  it('reads whatever is typed without an end, and says the same twice', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        expect(read(text)).toEqual(read(text));
      }),
    );
  });
});

describe('rows and what is known', () => {
  const dates = [null, '2026-10-01', '2026-10-08', '2026-12-01'];
  const anyRow = fc.record({
    title: fc.constantFrom('Quiz 1', 'quiz  1', 'Quiz 2', 'Essay', 'Résumé', 'Resume'),
    dueOn: fc.constantFrom(...dates),
  });
  const anyRows = fc.array(anyRow, { maxLength: 8 });

  it('finds a row by its name and day, a moved one by its name alone', () => {
    const known = [
      { title: 'Quiz 1', dueOn: '2026-10-01' },
      { title: 'Essay', dueOn: '2026-10-08' },
    ];
    expect(pairRows(known, [{ title: 'essay', dueOn: '2026-10-15' }])).toEqual([1]);
    expect(pairRows(known, [{ title: 'Essay', dueOn: '2026-12-01' }])).toEqual([null]);
    expect(pairRows(known, [{ title: 'Quiz 1.', dueOn: null }])).toEqual([0]);
    // Two weekly ones of the same name are two.
    expect(
      pairRows(known, [
        { title: 'Quiz 1', dueOn: '2026-10-01' },
        { title: 'Quiz 1', dueOn: '2026-10-08' },
      ]),
    ).toEqual([0, null]);
  });

  it('gives no assignment to two rows, and finds every row again once it is known', () => {
    fc.assert(
      fc.property(anyRows, anyRows, (known, rows) => {
        const pairs = pairRows(known, rows);
        const places = pairs.filter((place) => place !== null);
        expect(new Set(places).size).toBe(places.length);
        const next = known.map((each, place) => rows[pairs.indexOf(place)] ?? each);
        const all = [...next, ...rows.filter((_row, at) => pairs[at] === null)];
        expect(pairRows(all, rows).every((place) => place !== null)).toBe(true);
      }),
    );
  });

  it('compares titles by their letters and digits', () => {
    expect(plainTitle('  Résumé — draft #2 ')).toBe('resume draft 2');
  });
});

it.each(
  ownSums.flatMap((adds) =>
    ownMissing.flatMap((missing) => ownScales.map((scale) => ({ adds, missing, scale }))),
  ),
)('what is said of grading comes back as it was said: %j', (rules) => {
  expect(rulesOf(ownPolicy({ ...rules, termEnd: '2026-12-18T23:59:00Z' }))).toEqual(rules);
});

it.each<[string, number | null, string]>([
  ['Math: Quiz 4', 0, 'Quiz 4'],
  ['Mathematics - Quiz 4', 0, 'Quiz 4'],
  ['Quiz 4 (Kelp chemistry)', 1, 'Quiz 4'],
  ['[World history] Map of the straits', 2, 'Map of the straits'],
  ['Map of the straits – World history', 2, 'Map of the straits'],
  ['Essay: the harbor', null, 'Essay: the harbor'],
  ['Picture day', null, 'Picture day'],
  ['W: Quiz', null, 'W: Quiz'],
])('the title %s names course %s beside %s', (title, course, work) => {
  expect(splitTitle(title, courses)).toEqual({ course, work });
});

it.each([
  ['2026-10-21', 'fall', '2026-08-17', '2026-12-18'],
  ['2026-12-28', 'fall', '2026-08-17', '2026-12-28'],
  ['2026-07-04', 'fall', '2026-07-04', '2026-12-18'],
  ['2027-01-02', 'spring', '2027-01-02', '2027-06-12'],
  ['2027-03-01', 'spring', '2027-01-05', '2027-06-12'],
])('on %s it is usually the %s term, from %s to %s', (today, season, startsOn, endsOn) => {
  expect(usualTerm(today)).toEqual({ season, startsOn, endsOn });
});
