import { buffer } from 'node:stream/consumers';
import Papa from 'papaparse';
import { ZipFile } from 'yazl';

/* A school that has nothing but files. */
type Rows = readonly Readonly<Record<string, string | number>>[];
/** An export as it comes: every table whole, in a folder. */
export async function zip(tables: Readonly<Record<string, Rows>>): Promise<Buffer> {
  const file = new ZipFile();
  const add = (name: string, rows: Rows) =>
    file.addBuffer(Buffer.from(Papa.unparse([...rows])), `export/${name}.csv`);
  for (const [name, rows] of Object.entries(tables)) add(name, rows);
  add(
    'manifest',
    Object.keys(tables).map((name) => ({ propertyName: `file.${name}`, value: 'bulk' })),
  );
  file.end();
  return buffer(file.outputStream);
}

/** The tables of a school with one child. @param day the date so many days from now. */
export function islandSchool(day: (from: number) => string) {
  const knots = { classSourcedId: 'knots', categorySourcedId: 'tests', resultValueMax: 20 };
  const quizzes = Array.from({ length: 14 }, (_each, index) => ({
    ...{ sourcedId: `quiz-${index}`, title: `Knot ${index + 1}: quiz`, dueDate: day(-40 + index), ...knots },
  }));
  return {
    orgs: [{ sourcedId: 's', name: 'Wrack Island School', type: 'school' }],
    academicSessions: [
      {
        sourcedId: 't',
        title: 'Fall',
        type: 'term',
        startDate: day(-60),
        endDate: day(60),
        schoolYear: '2027',
      },
    ],
    users: [
      {
        sourcedId: 'odo',
        givenName: 'Odo',
        familyName: 'Wrack',
        grades: '5',
        role: 'student',
        orgSourcedIds: 's',
      },
    ],
    classes: [{ sourcedId: 'knots', title: 'Knots and splices', schoolSourcedId: 's', termSourcedIds: 't' }],
    enrollments: [{ sourcedId: 'e', classSourcedId: 'knots', userSourcedId: 'odo', role: 'student' }],
    categories: [
      { sourcedId: 'tests', title: 'Quizzes', weight: 60 },
      { sourcedId: 'practice', title: 'Practice', weight: 40 },
    ],
    lineItems: [
      ...quizzes,
      {
        sourcedId: 'sheet',
        title: 'Bowline sheet',
        dueDate: day(-9),
        ...knots,
        categorySourcedId: 'practice',
      },
    ],
    results: [
      ...quizzes.map(({ sourcedId }, index) => ({
        ...{ sourcedId: `x-${index}`, lineItemSourcedId: sourcedId, studentSourcedId: 'odo', missing: '' },
        ...{
          scoreStatus: 'fully graded',
          score: '17',
          scoreDate: day(-30 + index),
          comment: index === 0 ? 'Neat work.' : '',
        },
      })),
      {
        ...{ sourcedId: 'x-sheet', lineItemSourcedId: 'sheet', studentSourcedId: 'odo', missing: 'true' },
        ...{ scoreStatus: 'not submitted', score: '', scoreDate: day(-8), comment: '' },
      },
    ],
  };
}
