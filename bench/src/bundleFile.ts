import { createWriteStream } from 'node:fs';
import { PassThrough } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';

/* A school's export as it could come: children in classes of 25, each with seven courses of forty assignments. */
const coursesEach = 7;
const itemsEach = 40;
const classSize = 25;

const range = (count: number): number[] => Array.from({ length: count }, (_each, index) => index);
const day = (month: '09' | '10', index: number): string =>
  `2026-${month}-${String(1 + (index % 20)).padStart(2, '0')}`;

type Table = readonly [name: string, heading: string, rows: () => Iterable<string>];

function* results(children: number): Generator<string> {
  for (let child = 0; child < children; child += 1)
    for (let course = 0; course < coursesEach; course += 1) {
      const klass = Math.floor(child / classSize) * coursesEach + course;
      for (let item = 0; item < itemsEach; item += 1)
        yield `x${child}-${course}-${item},i${klass}-${item},c${child},fully graded,${10 + ((child * 7 + item) % 11)},${day('10', item)}`;
    }
}

function tablesOf(children: number): readonly Table[] {
  const classes = Math.ceil(children / classSize) * coursesEach;
  const each = (count: number, row: (index: number) => string) => () => range(count).map(row);
  const enrolled = (index: number) => {
    const [child, course] = [Math.floor(index / coursesEach), index % coursesEach];
    return `e${child}-${course},k${Math.floor(child / classSize) * coursesEach + course},c${child},student`;
  };
  const item = (index: number) => {
    const [klass, number] = [Math.floor(index / itemsEach), index % itemsEach];
    return `i${klass}-${number},Assignment ${number},${day('09', number)},${day('10', number)},k${klass},cat${number % 2},20`;
  };
  return [
    ['orgs', 'sourcedId,name,type', () => ['s,A school,school']],
    [
      'academicSessions',
      'sourcedId,title,type,startDate,endDate',
      () => ['t,Fall,term,2026-09-01,2026-12-18'],
    ],
    [
      'users',
      'sourcedId,givenName,familyName,grades',
      each(children, (index) => `c${index},Child,Number ${index},5`),
    ],
    [
      'roles',
      'sourcedId,userSourcedId,roleType,role,orgSourcedId',
      each(children, (index) => `r${index},c${index},primary,student,s`),
    ],
    [
      'classes',
      'sourcedId,title,schoolSourcedId,termSourcedIds',
      each(classes, (index) => `k${index},Class ${index},s,t`),
    ],
    ['enrollments', 'sourcedId,classSourcedId,userSourcedId,role', each(children * coursesEach, enrolled)],
    ['categories', 'sourcedId,title,weight', () => ['cat0,Tests,60', 'cat1,Practice,40']],
    [
      'lineItems',
      'sourcedId,title,assignDate,dueDate,classSourcedId,categorySourcedId,resultValueMax',
      each(classes * itemsEach, item),
    ],
    [
      'results',
      'sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score,scoreDate',
      () => results(children),
    ],
  ];
}

function* linesOf([, heading, rows]: Table): Generator<string> {
  yield `${heading}\n`;
  for (const row of rows()) yield `${row}\n`;
}

/** Writes a school's first export. */
export async function writeBundle(path: string, children: number): Promise<void> {
  const zip = new ZipFile();
  const tables = tablesOf(children);
  const manifest = ['propertyName,value', ...tables.map(([name]) => `file.${name},bulk`)];
  zip.addBuffer(Buffer.from(`${manifest.join('\n')}\n`), 'manifest.csv');
  const written: Promise<void>[] = [];
  for (const table of tables) {
    const stream = new PassThrough();
    zip.addReadStream(stream, `${table[0]}.csv`);
    written.push(pipeline(linesOf(table), stream));
  }
  zip.end();
  await Promise.all([...written, pipeline(zip.outputStream, createWriteStream(path))]);
}

/** An export that changes nothing: all of its tables are additions without a row. */
export async function writeEmptyDelta(path: string): Promise<void> {
  const zip = new ZipFile();
  const tables = tablesOf(0);
  const manifest = ['propertyName,value', ...tables.map(([name]) => `file.${name},delta`)];
  zip.addBuffer(Buffer.from(`${manifest.join('\n')}\n`), 'manifest.csv');
  for (const [name, heading] of tables) zip.addBuffer(Buffer.from(`${heading}\n`), `${name}.csv`);
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(path));
}
