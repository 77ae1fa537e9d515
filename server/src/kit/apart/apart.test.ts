import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lookForThreads } from '../paths';
import { threadKind, type ApartLimits } from './apart';
import { Threads } from './threads';
import type { NoTurn } from './turns';

/* What waits in front of a thread, and what ends there. */
interface Program {
  echo(ask: string): string;
  bytes(ask: number): Buffer;
  spin(ask: number): number;
  hoard(ask: null): number;
  fail(ask: string): never;
  compilesBeside(ask: null): boolean;
}
const folder = mkdtempSync(join(tmpdir(), 'cadro-threads-'));
writeFileSync(
  join(folder, 'trial.worker.cjs'),
  `exports.echo = (text) => text;
   exports.bytes = (count) => Buffer.alloc(count, 7);
   exports.spin = (ms) => { const begun = performance.now(); while (performance.now() - begun < ms); return ms; };
   exports.hoard = () => { const all = []; for (;;) all.push(new Array(100000).fill(all.length)); };
   exports.fail = (text) => { throw new RangeError(text); };
   exports.compilesBeside = () => {
     require('node:v8').setFlagsFromString('--allow-natives-syntax');
     return require('node:vm').runInThisContext('%IsConcurrentRecompilationSupported()');
   };`,
);
lookForThreads(folder);
const kind = (limits: Partial<ApartLimits> = {}) =>
  threadKind<Program>(__dirname, 'trial.worker', {
    ...{ memoryMb: 32, patienceMs: 20_000, mostOfOne: 3, mostWaiting: 8, ...limits },
  });
const usual = kind();
const threads = new Threads();
afterAll(async () => {
  await threads.close();
  rmSync(folder, { recursive: true });
});
const maren = { whose: 'maren' };
const tobiah = { whose: 'tobiah' };

it('answers what its program does, and hands on what it throws', async () => {
  expect(await threads.of(usual).run('echo', 'hello', maren)).toBe('hello');
  expect(Buffer.from(await threads.of(usual).run('bytes', 3, maren))).toEqual(Buffer.from([7, 7, 7]));
  await expect(threads.of(usual).run('fail', 'no such day', maren)).rejects.toThrow('no such day');
});

it('does one piece of each person at a time: nobody waits behind all that another asks', async () => {
  const order: string[] = [];
  const told = async (name: string, whose: { whose: string }) => {
    await threads.of(usual).run('spin', 50, whose);
    order.push(name);
  };
  await Promise.all([told('hers', maren), told('hers', maren), told('hers', maren), told('his', tobiah)]);
  expect(order).toEqual(['hers', 'his', 'hers', 'hers']);
});

it('refuses whoever has enough waiting, and everybody while too much waits in all', async () => {
  const waiting = Array.from({ length: 5 }, () => threads.of(usual).run('spin', 20, maren));
  const others = Array.from({ length: 7 }, (_none, nth) =>
    threads.of(usual).run('spin', 1, { whose: `other ${nth}` }),
  );
  const ends = (await Promise.allSettled([...waiting, ...others])).map((each) =>
    each.status === 'fulfilled' ? 'done' : (each.reason as NoTurn).filledBy,
  );
  expect(ends.slice(0, 5)).toEqual(['done', 'done', 'done', 'one', 'one']);
  expect(ends.slice(5)).toEqual([...Array<string>(5).fill('done'), 'all', 'all']);
  expect(await threads.of(usual).run('echo', 'again', maren)).toBe('again');
});

it('ends what takes too much memory, and the next piece is done', async () => {
  await expect(threads.of(usual).run('hoard', null, maren)).rejects.toMatchObject({ name: 'TooMuch' });
  expect(await threads.of(usual).run('echo', 'after', tobiah)).toBe('after');
});

it('compiles nothing beside itself, so that ending it cannot end the server', async () => {
  expect(await threads.of(usual).run('compilesBeside', null, maren)).toBe(false);
});

it('ends what takes too long; waiting for others is nobody’s own time', async () => {
  const hasty = kind({ patienceMs: 5_000 });
  const [endless, ...patient] = await Promise.allSettled([
    threads.of(hasty).run('spin', 1e9, maren),
    ...['tobiah', 'ottoline'].map((whose) => threads.of(hasty).run('echo', whose, { whose })),
  ]);
  expect(endless).toMatchObject({ status: 'rejected', reason: { name: 'TooMuch' } });
  expect(patient.map((each) => each.status)).toEqual(['fulfilled', 'fulfilled']);
});
