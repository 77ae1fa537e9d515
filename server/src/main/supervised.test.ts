import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import pino from 'pino';
import { Supervised, waitBefore } from './supervised';

const folder = mkdtempSync(join(tmpdir(), 'cadro-supervised-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** A program that writes down each of its starts, and then does as it is told. */
function program(name: string, then: string): { path: string; args: string[]; starts: () => number } {
  const [path, diary] = [join(folder, `${name}.cjs`), join(folder, `${name}.txt`)];
  writeFileSync(diary, '');
  writeFileSync(path, `require('node:fs').appendFileSync(${JSON.stringify(diary)}, 'x');\n${then}`);
  return { path, args: [], starts: () => readFileSync(diary, 'utf8').length };
}
async function until(holds: () => boolean): Promise<void> {
  for (let turn = 0; turn < 2400 && !holds(); turn++) await wait(25);
  expect(holds()).toBe(true);
}
const log = pino({ level: 'silent' });

it.each([
  [1, 500],
  [2, 1000],
  [3, 2000],
  [6, 16_000],
  [7, 30_000],
  [40, 30_000],
])('after ending %i times it is left alone for %i ms', (endings, ms) => {
  expect(waitBefore(endings)).toBe(ms);
});

it('is started again when it ends by itself', async () => {
  const ends = program('ends', 'process.exit(3);');
  const supervised = new Supervised('ends', ends, log);
  supervised.start();
  await until(() => ends.starts() === 2);
  await supervised.stop();
  const starts = ends.starts();
  await wait(1200);
  expect(ends.starts()).toBe(starts);
});

it('is left to finish what it has begun, and not started again, when it is told to stop', async () => {
  const finished = join(folder, 'finished.txt');
  const drains = program(
    'drains',
    `process.on('SIGTERM', () => setTimeout(() => {
       require('node:fs').writeFileSync(${JSON.stringify(finished)}, 'whole');
       process.exit(0);
     }, 200));
     setInterval(() => undefined, 1000);`,
  );
  const supervised = new Supervised('drains', drains, log);
  supervised.start();
  await until(() => drains.starts() === 1);
  await wait(100);
  await supervised.stop();
  expect(readFileSync(finished, 'utf8')).toBe('whole');
  expect(drains.starts()).toBe(1);
});
