import { briefOf } from '@cadro/server/brief';
import { childrenFor } from '@cadro/server/household';
import { houseOf, personalDb, type Clock, type Db } from '@cadro/server/kit';
import { benchDatabase, fillDistrict } from './district';
import { quantile } from './measure';

/*
 * What it costs a Brief that its rows are looked after: as a request has it, its connections made the person's, its
 * statements planned once and the policies asked for each row, against the same statements as the owner of the tables,
 * who is asked nothing. Then once more as the person, with the policies taken away: what they alone cost.
 */
const children = 1_000;
const rounds = 300;
const warmUp = 40;
const now = new Date('2026-10-20T20:00:00Z');
const clock: Clock = { now: () => Promise.resolve(now) };

async function timed(db: Db, guardianId: string): Promise<number> {
  const started = process.hrtime.bigint();
  await briefOf({ db, clock }, guardianId, await childrenFor(db, guardianId, 'read-record'));
  return Number(process.hrtime.bigint() - started) / 1e6;
}

interface Pair {
  readonly house: number;
  readonly person: number;
  readonly ratio: number;
}
const sorted = (pairs: readonly Pair[], name: keyof Pair): number[] =>
  pairs.map((pair) => pair[name]).sort((a, b) => a - b);

/** The Brief as the person, when no table asks its policies. */
async function unprotected(db: Db, guardians: readonly string[]): Promise<number[]> {
  const { rows } = await db.raw<{ rows: { name: string }[] }>(
    `select relname as name from pg_class where relrowsecurity and relnamespace = 'public'::regnamespace`,
  );
  for (const { name } of rows) await db.raw('alter table ?? disable row level security', [name]);
  const times: number[] = [];
  for (let round = 0; round < rounds; round++) {
    const guardianId = guardians[round % guardians.length] ?? '';
    times.push(await timed(personalDb(db, guardianId), guardianId));
  }
  return times.slice(warmUp).sort((a, b) => a - b);
}

/** Prints the two times and the median of their ratios, each pair taken one right after the other, in turns. */
export async function benchRows(): Promise<void> {
  const db = await benchDatabase('rows');
  await fillDistrict(db, children);
  const guardians: string[] = await db('guardians').orderBy('email').pluck('id');
  const times: Pair[] = [];
  for (let round = 0; round < rounds; round++) {
    const guardianId = guardians[round % guardians.length] ?? '';
    const asPerson = () => timed(personalDb(db, guardianId), guardianId);
    const asHouse = () => timed(houseOf(db), guardianId);
    const first = round % 2 === 0 ? await asHouse() : await asPerson();
    const second = round % 2 === 0 ? await asPerson() : await asHouse();
    const [house, person] = round % 2 === 0 ? [first, second] : [second, first];
    if (round >= warmUp) times.push({ house, person, ratio: person / house });
  }
  const line = (name: string, sorted: readonly number[], digits: number) => {
    const [low, middle, high] = [0.25, 0.5, 0.75].map((share) => quantile(sorted, share).toFixed(digits));
    console.log(`${name.padEnd(28)} ${middle} (half between ${low} and ${high})`);
  };
  console.log(`rows: the Brief of one child, ${rounds - warmUp} pairs`);
  line('as the owner, ms', sorted(times, 'house'), 1);
  line('as the person, ms', sorted(times, 'person'), 1);
  line('ratio (at most 1.10)', sorted(times, 'ratio'), 3);
  line('without policies, ms', await unprotected(db, guardians), 1);
  await db.destroy();
}
