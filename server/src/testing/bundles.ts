import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ZipFile } from 'yazl';

const folder = mkdtempSync(join(tmpdir(), 'cadro-bundles-'));
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
let made = 0;

/** Packs files, by their paths, into a zip of their own. @returns where it is. */
export async function packed(files: Readonly<Record<string, string | Buffer>>): Promise<string> {
  const zip = new ZipFile();
  for (const [path, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), path);
  zip.end();
  const path = join(folder, `${(made += 1)}.zip`);
  const file = createWriteStream(path);
  zip.outputStream.pipe(file);
  await once(file, 'finish');
  return path;
}

type Cell = string | number;
/** Rows by their columns; a column that a row leaves out is empty there. */
export function csv(rows: readonly Readonly<Record<string, Cell>>[], newline = '\n'): string {
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  const cell = (value: Cell | undefined) => {
    const text = String(value ?? '');
    return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
  };
  const lines = [columns.join(','), ...rows.map((row) => columns.map((name) => cell(row[name])).join(','))];
  return lines.map((line) => `${line}${newline}`).join('');
}

export type Tables = Readonly<Record<string, readonly Readonly<Record<string, Cell>>[]>>;

/** A manifest that tells each table as whole, or as it is said. */
export const manifest = (tables: Tables, modes: Readonly<Record<string, string>> = {}): string =>
  csv([
    { propertyName: 'manifest.version', value: '1.0' },
    { propertyName: 'oneroster.version', value: '1.2' },
    ...Object.keys({ ...tables, ...modes }).map((name) => ({
      propertyName: `file.${name}`,
      value: modes[name] ?? 'bulk',
    })),
  ]);

/** A bundle of tables with its manifest. */
export const bundleOf = (tables: Tables, modes: Readonly<Record<string, string>> = {}): Promise<string> =>
  packed({
    'manifest.csv': manifest(tables, modes),
    ...Object.fromEntries(
      Object.entries(tables).map(([name, rows]) => [
        `${name}.csv`,
        rows.length > 0 ? csv(rows) : 'sourcedId,status,dateLastModified\n',
      ]),
    ),
  });

/** A school of two children, one class with two categories, and what they got. */
export const smallSchool = {
  orgs: [{ sourcedId: 'school', name: 'Wrack School', type: 'school' }],
  academicSessions: [
    { sourcedId: 'fall', title: 'Fall', type: 'term', startDate: '2026-09-07', endDate: '2026-12-18' },
  ],
  users: [
    { sourcedId: 'odo', givenName: 'Odo', familyName: 'Wrack', grades: '5' },
    { sourcedId: 'una', givenName: 'Una', familyName: 'Wrack', grades: '7' },
    { sourcedId: 'teach', givenName: 'Ila', familyName: 'Marram', grades: '' },
  ],
  roles: [
    { sourcedId: 'r1', userSourcedId: 'odo', roleType: 'primary', role: 'student', orgSourcedId: 'school' },
    { sourcedId: 'r2', userSourcedId: 'una', roleType: 'primary', role: 'student', orgSourcedId: 'school' },
    { sourcedId: 'r3', userSourcedId: 'teach', roleType: 'primary', role: 'teacher', orgSourcedId: 'school' },
  ],
  classes: [{ sourcedId: 'knots', title: 'Knots', schoolSourcedId: 'school', termSourcedIds: 'fall' }],
  enrollments: [
    { sourcedId: 'e1', classSourcedId: 'knots', userSourcedId: 'odo', role: 'student' },
    { sourcedId: 'e2', classSourcedId: 'knots', userSourcedId: 'una', role: 'student' },
    { sourcedId: 'e3', classSourcedId: 'knots', userSourcedId: 'teach', role: 'teacher' },
  ],
  categories: [
    { sourcedId: 'tests', title: 'Tests', weight: 60 },
    { sourcedId: 'practice', title: 'Practice', weight: 40 },
  ],
  lineItems: [
    {
      sourcedId: 'quiz',
      title: 'Reef knot',
      dueDate: '2026-09-20',
      classSourcedId: 'knots',
      categorySourcedId: 'tests',
      resultValueMax: 20,
    },
    {
      sourcedId: 'sheet',
      title: 'Bowline',
      dueDate: '2026-09-21',
      classSourcedId: 'knots',
      categorySourcedId: 'practice',
      resultValueMax: 10,
    },
  ],
  results: [
    {
      sourcedId: 'x1',
      lineItemSourcedId: 'quiz',
      studentSourcedId: 'odo',
      scoreStatus: 'fully graded',
      score: 17,
      scoreDate: '2026-09-22',
    },
    {
      sourcedId: 'x2',
      lineItemSourcedId: 'sheet',
      studentSourcedId: 'odo',
      scoreStatus: 'not submitted',
      missing: 'true',
      scoreDate: '2026-09-22',
    },
    {
      sourcedId: 'x3',
      lineItemSourcedId: 'quiz',
      studentSourcedId: 'una',
      scoreStatus: 'fully graded',
      score: 20,
      scoreDate: '2026-09-22',
    },
  ],
} satisfies Tables;
