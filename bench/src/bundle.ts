import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readingHooks } from '@cadro/server/hooks';
import type { Clock, Db } from '@cadro/server/kit';
import { addBundleSource, receiveFile, syncSource } from '@cadro/server/sources';
import { writeBundle, writeEmptyDelta } from './bundleFile';
import { benchDatabase } from './district';

/*
 * What a school's first export costs, against copying the rows it becomes into tables of the same shape, keys and indexes
 * and all: one after the other, in one run. With twice as many children once more, for the memory it takes. Then an
 * export that changes nothing, by its statements.
 */
const children = Number(process.env['BENCH_CHILDREN'] ?? 1000);
const clock: Clock = { now: () => Promise.resolve(new Date('2026-10-21T20:00:00Z')) };
const config = {
  secret: 'a secret for the bench alone, forty letters',
  sourceTimeoutMs: 1000,
  privateSources: true,
};
/** The tables that an export fills, what is referred to first. */
const tables = ['students', 'courses', 'enrolments', 'items', 'results'] as const;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const started = process.hrtime.bigint();
  await work();
  return Number(process.hrtime.bigint() - started) / 1e6;
}

const take = (db: Db, sourceId: string) => syncSource({ db, clock, config, reading: readingHooks }, sourceId);

/** How often the rows are copied: the time between is what an import is compared with. */
const times = 3;

/** How long the rows take that the export has become, copied from files of the server's own; the shortest first, in ms. */
async function copied(db: Db): Promise<number[]> {
  const { rows } = await db.raw<{ rows: { data_directory: string }[] }>('show data_directory');
  const folder = rows[0]?.data_directory ?? '';
  for (const table of tables) await db.raw(`copy ${table} to '${folder}/bench-${table}' (format binary)`);
  const { rows: keys } = await db.raw<{ rows: { child: string; def: string }[] }>(
    `select conrelid::regclass::text as child, pg_get_constraintdef(oid) as def from pg_constraint
     where contype = 'f' and conrelid::regclass::text = any(:tables)`,
    { tables: [...tables] },
  );
  for (const table of tables) await db.raw(`create table copy_${table} (like ${table} including all)`);
  for (const { child, def } of keys) await db.raw(`alter table copy_${child} add ${def}`);
  const each: number[] = [];
  for (let time = 0; time < times; time += 1) {
    await db.raw(`truncate ${tables.map((table) => `copy_${table}`).join(', ')}`);
    each.push(
      await timed(async () => {
        for (const table of tables)
          await db.raw(`copy copy_${table} from '${folder}/bench-${table}' (format binary)`);
      }),
    );
  }
  return each.sort((a, b) => a - b);
}

/** The most memory that is held while something is done, in MB. */
async function mostMemory(work: () => Promise<unknown>): Promise<number> {
  let most = process.memoryUsage().rss;
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50);
  await work();
  clearInterval(watch);
  return most / 1e6;
}

async function statementsOf(db: Db, work: () => Promise<unknown>): Promise<number> {
  let count = 0;
  const counted = () => void (count += 1);
  db.on('query', counted);
  await work();
  db.off('query', counted);
  return count;
}

/** Prints how an import compares with COPY, what memory it takes, and what one that changes nothing costs. */
export async function benchBundle(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'cadro-bench-'));
  try {
    const memories: number[] = [];
    for (const count of [children, 2 * children]) {
      const db = await benchDatabase('bundle');
      const path = join(folder, `${count}.zip`);
      await writeBundle(path, count);
      const source = await addBundleSource(db, { name: 'District', timeZone: 'America/Halifax' });
      await receiveFile({ db, clock }, source, path, 'first.zip');
      let ms = 0;
      memories.push(await mostMemory(async () => (ms = await timed(() => take(db, source)))));
      const copies = await copied(db);
      const seconds = (each: number) => (each / 1000).toFixed(1);
      const middle = copies[Math.floor(times / 2)] ?? NaN;
      console.log(`bundle: a first export of ${count} children × 7 courses × 40 assignments`);
      console.log(`taken in, s                  ${seconds(ms)}`);
      console.log(
        `COPY of the same rows, s     ${seconds(middle)}, of ${times} times ${copies.map(seconds).join(', ')}`,
      );
      console.log(`ratio (at most 3)            ${(ms / middle).toFixed(2)}`);
      if (count === children) {
        const empty = join(folder, 'empty.zip');
        await writeEmptyDelta(empty);
        await receiveFile({ db, clock }, source, empty, 'empty.zip');
        console.log(`an empty addition, statements ${await statementsOf(db, () => take(db, source))}`);
      }
      await db.destroy();
    }
    const [once = 0, twice = 0] = memories;
    console.log(
      `most memory, MB              ${once.toFixed(0)}, with twice the children ${twice.toFixed(0)}`,
    );
  } finally {
    await rm(folder, { recursive: true });
  }
}
