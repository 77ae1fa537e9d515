import { readFileSync, readdirSync } from 'node:fs';
import type { Db } from '@cadro/server/kit';

/** The kernel counts in ticks; on Linux a second has a hundred. */
const ticksPerSecond = 100;

const statOf = (pid: string): readonly string[] => {
  const text = readFileSync(`/proc/${pid}/stat`, 'utf8');
  // The second field is a name in brackets, in which anything may stand.
  return text.slice(text.lastIndexOf(')') + 2).split(' ');
};

const ofField = (fields: readonly string[], field: number): number => Number(fields[field - 3] ?? 0);
const parentOf = (fields: readonly string[]): string => fields[1] ?? '';

/** Seconds of processor time of a process, of those it started, and of those that have ended since. */
export function secondsUnder(root: number): number {
  const stats = new Map<string, readonly string[]>();
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      stats.set(pid, statOf(pid));
    } catch {
      // It has ended meanwhile; its parent has counted it.
    }
  }
  const under = new Set([String(root)]);
  for (let before = 0; before !== under.size;) {
    before = under.size;
    for (const [pid, fields] of stats) if (under.has(parentOf(fields))) under.add(pid);
  }
  const ticks = [...under].flatMap((pid) => {
    const fields = stats.get(pid);
    return fields ? [14, 15, 16, 17].map((field) => ofField(fields, field)) : [];
  });
  return ticks.reduce((sum, each) => sum + each, 0) / ticksPerSecond;
}

/** The process that all of a database's own were started by. */
export async function postgresOf(db: Db): Promise<number> {
  const { rows } = await db.raw<{ rows: { pid: number }[] }>('select pg_backend_pid() as pid');
  return Number(parentOf(statOf(String(rows[0]?.pid))));
}
