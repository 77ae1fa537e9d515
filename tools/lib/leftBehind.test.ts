import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asModule } from './asModule';

const folder = mkdtempSync(join(tmpdir(), 'cadro-left-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What the next start does, in a process of its own. @returns how many it ended. */
const nextStart = (file: string): number =>
  asModule(join(__dirname, 'leftBehind.mjs'), `m.endLeftBehind(${JSON.stringify(file)})`);

it('ends what a killed start has left behind, and nothing else', async () => {
  const program = join(folder, 'server.cjs');
  writeFileSync(program, 'console.log("listening"); setInterval(() => undefined, 1000);');
  const start = () =>
    spawn(process.execPath, [program], { detached: true, stdio: ['ignore', 'pipe', 'ignore'] });
  const [left, another] = [start(), start()];
  await Promise.all([once(left.stdout, 'data'), once(another.stdout, 'data')]);
  const file = join(folder, 'processes');
  writeFileSync(
    file,
    `${left.pid} ${program}\n${another.pid} /elsewhere/other.cjs\n999999 ${program}\nno line\n`,
  );
  const ended = once(left, 'exit');
  expect(nextStart(file)).toBe(1);
  await ended;
  expect([left.signalCode, another.exitCode]).toEqual(['SIGKILL', null]);
  another.kill('SIGKILL');
  expect(nextStart(file)).toBe(0);
});
