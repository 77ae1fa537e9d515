import { outRoutes, type CourseSummary } from '@cadro/contract';
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import readSheets from 'read-excel-file/node';
import type { Agent } from 'supertest';
import { reckonBundles } from '../../sources';
import { filesOf } from '../../testing/unpacked';
import { World } from '../../testing/world';

/* A household takes its records elsewhere: whoever reads them reckons the same. */
let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'ottoline', role: 'look-only', children: ['pet'] },
  ]);
  maren = await world.signedIn('maren');
}, 60_000);
afterAll(() => world.stop());

async function file(path: string, agent = maren): Promise<Buffer> {
  const { body } = await agent
    .get(path)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  return body as Buffer;
}
const saved = (bytes: Buffer, name: string): string => {
  const path = join(tmpdir(), `cadro-out-${process.pid}-${name}`);
  writeFileSync(path, bytes);
  return path;
};

it('is a bundle that reckons to the same figures, course by course, loose end by loose end', async () => {
  const path = saved(await file(outRoutes.bundle.path), 'bundle.zip');
  const asOf = (await world.clock.now()).toISOString();
  const { students, problems } = await reckonBundles([path], { asOf, zone: 'America/Halifax' });
  expect(problems).toEqual([]);
  const { body } = await maren.get('/api/courses').expect(200);
  const shown = (body.courses as CourseSummary[]).filter(({ figures }) => figures);
  expect(shown.length).toBeGreaterThan(8);
  for (const { id, studentId, title, figures } of shown) {
    const told = students
      .find(({ sourcedId }) => sourcedId === studentId)
      ?.classes.find(({ sourcedId }) => sourcedId === id);
    const ends = (each: readonly { itemId: string; kind: string }[]) =>
      each.map(({ itemId, kind }) => `${kind} ${itemId}`).sort();
    expect({
      ...{ title, posted: told?.posted ?? null, ifLeft: told?.ifLeft ?? null },
      ends: ends(told?.looseEnds ?? []),
    }).toEqual({
      ...{ title, posted: figures?.posted ?? null, ifLeft: figures?.ifLeft ?? null },
      ends: ends(figures?.looseEnds ?? []),
    });
  }
});

it('is CSV with a file for each list, in which nothing runs as a formula', async () => {
  const files = await filesOf(await file(outRoutes.lists.path));
  expect([...files.keys()].sort()).toEqual(['assignments.csv', 'courses.csv']);
  const lines = String(files.get('assignments.csv')).split('\r\n');
  expect(lines[0]).toBe(
    '\ufeffchild,course,assignment,category,due,status,earned,possible,late,comment',
  );
  expect(lines.filter((line) => line.startsWith('Isolde,')).length).toBeGreaterThan(40);
});

it('is a spreadsheet with a sheet for each course', async () => {
  const sheets = await readSheets(await file(outRoutes.sheets.path));
  expect(sheets.map(({ sheet }) => sheet)).toEqual(
    expect.arrayContaining(['courses', 'Isolde Kelp chemistry', 'Caspian Tide tables']),
  );
  const kelp = sheets.find(({ sheet }) => sheet === 'Isolde Kelp chemistry');
  expect(kelp?.data[0]).toEqual([
    ...['assignment', 'category', 'due', 'status', 'earned', 'possible', 'late', 'comment'],
  ]);
  expect(kelp?.data.some((row) => row[3] === 'scored' && typeof row[4] === 'number')).toBe(true);
});

it('holds the children that somebody sees, and no other', async () => {
  const ottoline = await world.signedIn('ottoline');
  const files = await filesOf(await file(outRoutes.bundle.path, ottoline));
  const users = String(files.get('users.csv'));
  expect(users).toMatch(/,Pet,|,Perpetua,/);
  expect(users).not.toMatch(/Isolde|Caspian/);
});
