import fc from 'fast-check';
import type { Means } from '@cadro/contract';
import { gridOf, markOfWord, readCourses, readMarks, readScore, readTable } from '.';
import { orderOf, readDay } from './days';

const today = '2026-10-21';
const read = (text: string, lang: 'en' | 'es' = 'en') => readTable(text, { lang, today });
/** What a row says, without what it does not. */
const said = (text: string, lang: 'en' | 'es' = 'en') =>
  read(text, lang).rows.map(({ row: _row, ...row }) =>
    Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)),
  );
const meansOf = (text: string): Means[] => read(text).columns.map(({ means }) => means);

describe('a score', () => {
  const score = (
    earned: number | null,
    possible: number | null,
    percent: number | null = null,
    letter: string | null = null,
  ) => ({
    ...{ earned, possible, percent, letter },
    status: 'scored',
  });
  it.each([
    ['17/20', score(17, 20)],
    ['17 / 20', score(17, 20)],
    ['17 of 20', score(17, 20)],
    ['17 out of 20 pts', score(17, 20)],
    ['17 de 20', score(17, 20)],
    ['17 sobre 20', score(17, 20)],
    ['17,5/20', score(17.5, 20)],
    ['3.5', score(3.5, null)],
    ['17 pts', score(17, null)],
    ['0', score(0, null)],
    ['85 %', score(null, null, 85)],
    ['85,5%', score(null, null, 85.5)],
    ['B+', score(null, null, null, 'B+')],
    ['A−', score(null, null, null, 'A-')],
    ['17/20 (85%)', score(17, 20, 85)],
    ['17/20 85% B', score(17, 20, 85, 'B')],
    ['85% (B)', score(null, null, 85, 'B')],
  ])('%s', (text, expected) => expect(readScore(text)).toEqual(expected));

  it.each([
    ['', 'open', null],
    ['—', 'open', null],
    ['- -', 'open', null],
    ['—/20', 'open', 20],
    ['/20', 'open', 20],
    ['M', 'missing', null],
    ['M/20', 'missing', 20],
    ['Missing', 'missing', null],
    ['not turned in', 'missing', null],
    ['No entregado', 'missing', null],
    ['EX', 'excused', null],
    ['Excused', 'excused', null],
    ['Exento', 'excused', null],
    ['Inc', 'incomplete', null],
    ['I', 'incomplete', null],
    ['Incompleta', 'incomplete', null],
    ['Turned in', 'handed-in', null],
    ['not graded yet', 'handed-in', null],
    ['Sin calificar', 'handed-in', null],
  ])('%j is %s', (text, status, possible) =>
    expect(readScore(text)).toEqual({ earned: null, possible, percent: null, letter: null, status }),
  );

  it.each(['see me', '17-20', 'period 2', '-4', 'A lot', '10/21/2026', 'ask about 17'])(
    '%j is none',
    (text) => expect(readScore(text)).toBeNull(),
  );
});

describe('a day', () => {
  it.each([
    ['2026-10-05', '2026-10-05'],
    ['2026-10-05T23:59:00Z', '2026-10-05'],
    ['10/5/2026', '2026-10-05'],
    ['10/5/26', '2026-10-05'],
    ['10/5', '2026-10-05'],
    ['25/10/2026', '2026-10-25'],
    ['25.10.2026', '2026-10-25'],
    ['Oct 5', '2026-10-05'],
    ['October 5th, 2026', '2026-10-05'],
    ['5 Oct 2026', '2026-10-05'],
    ['Wed, Oct 14', '2026-10-14'],
    ['Wednesday, October 14 at 11:59 PM', '2026-10-14'],
    ['due Oct 14 by 8:00 am', '2026-10-14'],
    ['14 de octubre de 2026', '2026-10-14'],
    ['mié 14 oct', '2026-10-14'],
    ['mar 13 oct', '2026-10-13'],
    ['martes 13 de octubre', '2026-10-13'],
    ['Mar 13', '2027-03-13'],
    ['13 mar', '2027-03-13'],
    ['Jan 12', '2027-01-12'],
    ['May 2', '2026-05-02'],
    ['tomorrow', '2026-10-22'],
    ['2026-02-30', null],
    ['31/31', null],
    ['next week', null],
    ['17', null],
  ])('%s', (text, date) => expect(readDay(text, { order: 'month-first', today })).toBe(date));

  it('of two orders is what the column decides, or what the language is used to', () => {
    expect(readDay('5/10', { order: 'day-first', today })).toBe('2026-10-05');
    expect(orderOf(['5/10', '13/10'])).toBe('day-first');
    expect(orderOf(['5/10', '10/13'])).toBe('month-first');
    expect(orderOf(['5/10', '6/10'])).toBeNull();
    expect(orderOf(['13/10', '10/13'])).toBeNull();
    const table = 'Tarea;Vence;Nota\nNudos;5/10;17/20\nMapas;6/10;8/10\n';
    expect([said(table, 'es')[0]?.['dueOn'], read(table, 'es').undecided]).toEqual(['2026-10-05', true]);
    expect(said(table.replace('6/10', '16/10'), 'en')[0]?.['dueOn']).toBe('2026-10-05');
    expect(read(table.replace('6/10', '16/10')).undecided).toBe(false);
  });
});

describe('what columns are about', () => {
  it.each<[string, Means[]]>([
    [
      'Assignment,Due,Category,Score,Comments\nQuiz,9/20,Tests,17/20,good\n',
      ['title', 'due', 'category', 'score', 'comment'],
    ],
    [
      'Tarea,Fecha de entrega,Puntos obtenidos,Puntos posibles,Observaciones\nMapa,20/9,7,10,bien\n',
      ['title', 'due', 'earned', 'possible', 'comment'],
    ],
    [
      'Name,Points,Out of,Percent,Grade\nQuiz,17,20,85%,B\n',
      ['title', 'earned', 'possible', 'percent', 'letter'],
    ],
    [
      'Student,Class,Assignment,Grade\nOdo,Knots,Quiz,18 out of 20\n',
      ['student', 'course', 'title', 'score'],
    ],
    [
      'Assigned,Due Date,Title,Turned in,Room\n9/1,9/20,Quiz,yes,12b\n',
      ['assigned', 'due', 'title', 'status', 'other'],
    ],
    ['What,When,How it went\nQuiz,Sep 20,17/20\nMap,Sep 21,B+\n', ['title', 'due', 'score']],
    ['Quiz,Sep 20,17/20\nMap,Sep 21,M\n', ['title', 'due', 'score']],
  ])('%j', (text, means) => expect(meansOf(text)).toEqual(means));

  it('is what somebody says it is', () => {
    const text = 'Room,Assignment,Score\nReef knot,12,17/20\n';
    const means: Means[] = ['title', 'other', 'score'];
    expect(readTable(text, { lang: 'en', today, means }).rows).toMatchObject([
      { title: 'Reef knot', earned: 17 },
    ]);
  });

  it('stands in two lines, where headings reach over several columns', () => {
    const text =
      'Assignment,Dates,,Points,,\n,Assigned,Due,Earned,Possible,Status\nQuiz,10/1,10/8,17,20,Graded\nMap,10/2,10/9,,10,Missing\n';
    expect(read(text).columns).toEqual([
      { header: 'Assignment', means: 'title' },
      { header: 'Dates Assigned', means: 'assigned' },
      { header: 'Dates Due', means: 'due' },
      { header: 'Points Earned', means: 'earned' },
      { header: 'Points Possible', means: 'possible' },
      { header: 'Points Status', means: 'status' },
    ]);
    expect(read(text).rows).toMatchObject([
      { row: 3, title: 'Quiz', earned: 17, possible: 20, status: 'scored' },
      { row: 4, title: 'Map', earned: null, possible: 10, status: 'missing' },
    ]);
  });
});

describe('the rows', () => {
  it('have the category they stand under, and no sums among them', () => {
    const text =
      'Knots, period 2\n\nName,Points,Out of,Due Date\nHomework (30%),,,\nSheet 1,9,10,2026-09-12\nSheet 2,,10,2026-10-30\nTests,70%,,\nQuiz 1,16,20,2026-09-18\nOverall,25,30,\nClass average,82%,,\n';
    expect(read(text).rows.map(({ title, category, status }) => [title, category, status])).toEqual([
      ['Sheet 1', 'Homework', 'scored'],
      ['Sheet 2', 'Homework', 'open'],
      ['Quiz 1', 'Tests', 'scored'],
    ]);
    expect(read(text).problems).toEqual([]);
  });

  it('are no sums because of how work is called', () => {
    const titles = (text: string) => read(text).rows.map(({ title }) => title);
    const dated =
      'Title,Due,Score\nTotal recall essay,9/21,18/20\nAverage speed lab,9/22,10/10\nHomework total,,18/20\nTotal,,28/30\n';
    expect(titles(dated)).toEqual(['Total recall essay', 'Average speed lab']);
    expect(
      titles(
        'Title,Score\nAverage speed lab,10/10\nFinal project,8/10\nFinal grade,90%\nClass average,82%\n',
      ),
    ).toEqual(['Average speed lab', 'Final project']);
  });

  it('have what is said above the table, and the category above each part of it', () => {
    const part = (name: string, title: string) => `${name}\nAssignment,Due,Score\n${title},10/1,9/10\n`;
    const text = `Student: Odo Wrack\nMateria: Química de algas\n${part('Homework', 'Sheet 1')}${part('Tests (70%)', 'Unit test')}`;
    expect(said(text)).toMatchObject([
      { title: 'Sheet 1', category: 'Homework', student: 'Odo Wrack', course: 'Química de algas' },
      { title: 'Unit test', category: 'Tests', student: 'Odo Wrack', course: 'Química de algas' },
    ]);
  });

  it('come out of the markup of a page or a mail', () => {
    const markup = `<p>Hi</p><table><tr><th>Assignment<th colspan=2>Points</tr><tr><th></th><th>Earned</th><th>Possible</th></tr>
      <tr><td>Map &amp; log</td><td><b>8</b></td><td>10<br></td></tr><tr><td>Quiz<td>M<td>20</table><script>alert(1)</script>`;
    expect(gridOf(markup).slice(0, 1)).toEqual([['Assignment', 'Points', '']]);
    expect(said(markup)).toEqual([
      { title: 'Map & log', earned: 8, possible: 10, status: 'scored' },
      { title: 'Quiz', possible: 20, status: 'missing' },
    ]);
  });

  it('say the same of what is missing wherever they say it', () => {
    const status = (cells: string) =>
      said(`Title,Score,Possible,Status\nQuiz,${cells}\nMap,8,10,Graded\n`)[0]?.['status'];
    expect(status('0,20,Missing')).toBe('missing');
    expect(status(',20,Turned in')).toBe('handed-in');
    expect(status('17,20,Turned in')).toBe('scored');
    expect(status(',20,Excused')).toBe('excused');
    expect(status('12,20,Incomplete')).toBe('incomplete');
    expect(status(',20,')).toBe('open');
  });

  it('that cannot be taken say why, and the others are taken', () => {
    const text =
      'Title,Due,Score\nQuiz,9/20,17/20\n,9/21,3/4\nMap,someday,8/10\nLog,9/23,see the office\nEssay,9/24,M\n';
    expect(read(text).problems).toEqual([
      { row: 3, fault: 'no-title', cell: '' },
      { row: 4, fault: 'date', cell: 'someday' },
      { row: 5, fault: 'score', cell: 'see the office' },
    ]);
    expect(read(text).rows.map(({ row, title }) => [row, title])).toEqual([
      [2, 'Quiz'],
      [4, 'Map'],
      [6, 'Essay'],
    ]);
  });

  it('are the same however their cells are set apart', () => {
    const cell = fc.constantFrom('17/20', '85 %', 'B+', 'M', 'EX', '3.5', '—', 'Inc');
    const row = fc.tuple(
      fc.constantFrom('Reef knot', 'Bowline, twice', 'Map of the bay'),
      fc.constantFrom('Sep 20', '10/3', '2026-10-05'),
      cell,
    );
    fc.assert(
      fc.property(fc.array(row, { minLength: 2, maxLength: 8 }), (rows) => {
        const table = [['Assignment', 'Due', 'Score'], ...rows];
        const by = (sign: string) =>
          said(
            table
              .map((cells) => cells.map((each) => (each.includes(sign) ? `"${each}"` : each)).join(sign))
              .join('\n'),
          );
        const barred = `|${table.map((cells) => cells.join(' | ')).join('|\n|')}|\n`.replace(
          '\n',
          '\n|---|---|---|\n',
        );
        expect(by('\t')).toHaveLength(rows.length);
        for (const other of [by(','), by(';'), said(barred)]) expect(other).toEqual(by('\t'));
      }),
    );
  });

  it('never come of nothing, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        const { rows, columns } = read(text);
        for (const { title } of rows) expect(text).toContain(title);
        expect(columns.length).toBeGreaterThanOrEqual(rows.length > 0 ? 1 : 0);
      }),
    );
    expect(gridOf('')).toEqual([]);
    expect(read('<script>alert(1)</script>').rows).toEqual([]);
  });
});

describe('shares of one', () => {
  const percents = (text: string, isSheet: boolean) =>
    readTable(text, { lang: 'en', today, isSheet }).rows.map(({ percent }) => percent);
  const grades = 'Assignment,Grade\nKnots,0.85\nReefs,0.9\nTides,1\n';
  it.each([
    ['under a heading of percent', 'Assignment,Percent\nKnots,0.85\nReefs,1\n', false, [85, 100]],
    ['alone in a workbook', grades, true, [85, 90, 100]],
  ])('are percent %s', (_where, text, isSheet, expected) => {
    expect(percents(text, isSheet)).toEqual(expected);
  });
  it.each([
    ['where they are written so', grades, false, 0.85],
    [
      'with the points there are',
      'Assignment,Score,Out of\nKnots,0.5,1\nReefs,0.75,1\nTides,1,1\n',
      true,
      0.5,
    ],
    ['among larger ones', 'Assignment,Grade\nKnots,0.5\nReefs,12\nTides,0.75\n', true, 0.5],
  ])('are points %s', (_where, text, isSheet, earned) => {
    expect(percents(text, isSheet)).toEqual([null, null, null]);
    expect(readTable(text, { lang: 'en', today, isSheet }).rows[0]?.earned).toBe(earned);
  });
});

describe('attendance', () => {
  const marks = (text: string, lang: 'en' | 'es' = 'en') => readMarks(gridOf(text), { lang, today });
  it.each([
    ['Absent', 'absent', false],
    ['Absent – excused', 'absent', true],
    ['Unexcused absence', 'absent', false],
    ['Excused', 'absent', true],
    ['Tardy (unexcused)', 'tardy', false],
    ['Late', 'tardy', false],
    ['Present', 'present', false],
    ['Field trip', 'activity', true],
    ['No school', 'closed', false],
    ['Ausencia justificada', 'absent', true],
    ['Falta injustificada', 'absent', false],
    ['Falta sin justificar', 'absent', false],
    ['Retardo', 'tardy', false],
    ['Asistió', 'present', false],
  ])('%s', (text, kind, excused) => expect(markOfWord(text)).toEqual({ kind, excused }));
  it.each(['A', 'T', 'AE', '17/20', 'Knots'])('%s is a word for none', (text) =>
    expect(markOfWord(text)).toBeNull(),
  );

  it('is a mark in a row, with its lesson and course', () => {
    expect(
      marks(
        'Attendance of Odo\nDate,Period,Class,Attendance\n10/19/2026,3,Knots,Absent - excused\n10/20/2026,,,Tardy\n',
      ),
    ).toEqual({
      marks: [
        {
          row: 2,
          on: '2026-10-19',
          period: '3',
          course: 'Knots',
          code: 'Absent - excused',
          kind: 'absent',
          excused: true,
        },
        { row: 3, on: '2026-10-20', period: '', course: '', code: 'Tardy', kind: 'tardy', excused: false },
      ],
      undated: [],
      undecided: false,
    });
  });
  it('leaves a school its own letters, where it says that it is attendance', () => {
    expect(marks('Fecha;Código de asistencia\n19/10/2026;A\n20/10/2026;T\n', 'es')?.marks).toMatchObject([
      { on: '2026-10-19', code: 'A', kind: null },
      { on: '2026-10-20', code: 'T', kind: null },
    ]);
  });
  it('needs nothing to say so where it is known', () => {
    const grid = gridOf('Date,Code\n9/24/2026,A\n9/25/2026,T\n');
    expect(readMarks(grid, { lang: 'en', today })).toBeNull();
    expect(readMarks(grid, { lang: 'en', today, isMarks: true })?.marks).toMatchObject([
      { code: 'A' },
      { code: 'T' },
    ]);
  });
  it('asks for the order of its days, and says which are none', () => {
    expect(
      marks('Date,Status\n1/10/2026,Absent\nsome day,Absent\n2/10/2026,Late\n3/10/2026,Late\n'),
    ).toMatchObject({
      undecided: true,
      undated: [3],
    });
  });
  it.each([
    ['a list of work with its marks', 'Assignment,Due,Mark\nKnots,10/19/2026,17/20\nReefs,10/20/2026,M\n'],
    ['work that is late or missing', 'Assignment,Due,Status\nKnots,10/19/2026,Late\nReefs,10/20/2026,Late\n'],
    ['letters that nothing calls attendance', 'Date,Mark\n10/19/2026,A\n10/20/2026,B\n'],
    ['words', 'Dear all, see you on Friday.'],
  ])('is not %s', (_what, text) => expect(marks(text)).toBeNull());
});

describe('a list of courses', () => {
  const courses = (text: string) => readCourses(gridOf(text));
  it('names each, with its teacher', () => {
    expect(
      courses(
        'Period,Class,Teacher,Teacher email,Room,Grade\n1,Knots,Ms. Reef,reef@wrack.example,4,B+\n2,Tides,,—,5,\n2,Tides,,,5,\n',
      ),
    ).toEqual([
      { row: 2, title: 'Knots', teacher: 'Ms. Reef', email: 'reef@wrack.example' },
      { row: 3, title: 'Tides', teacher: '', email: '' },
    ]);
  });
  it('is read in Spanish', () => {
    expect(
      courses('Materia;Docente\nNudos;Sra. Reef\nMareas;Sr. Faro\n')?.map(({ teacher }) => teacher),
    ).toEqual(['Sra. Reef', 'Sr. Faro']);
  });
  it.each([
    ['work', 'Class,Assignment,Score\nKnots,Reef,9/10\nTides,Log,8/10\n'],
    ['work of two courses', 'Class,Score\nKnots,9/10\nKnots,8/10\nKnots,7/10\nTides,8/10\n'],
    ['words', 'Dear all, see you on Friday.'],
  ])('is not %s', (_what, text) => expect(courses(text)).toBeNull());
});
