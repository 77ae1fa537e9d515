import knex, { type Knex } from 'knex';
import { types } from 'pg';
import * as foundation from '../../../migrations/001_foundation';
import * as termsAndGrades from '../../../migrations/002_terms_and_grades';
import * as workAndPlan from '../../../migrations/003_work_and_plan';
import * as days from '../../../migrations/004_days';
import * as alerts from '../../../migrations/005_alerts';
import * as digests from '../../../migrations/006_digests_anew';
import * as deliveryFaults from '../../../migrations/007_delivery_faults';
import * as floors from '../../../migrations/008_floors';
import * as whatIsTrue from '../../../migrations/009_what_is_true';
import * as whatIsNew from '../../../migrations/010_what_is_new';
import * as readersLearn from '../../../migrations/011_readers_learn';
import * as theDoor from '../../../migrations/012_the_door';
import * as theDesk from '../../../migrations/013_the_desk';
import * as onFile from '../../../migrations/014_on_file';
import * as whoseRows from '../../../migrations/015_whose_rows';
import * as operators from '../../../migrations/016_operators';
import * as anySource from '../../../migrations/017_any_source';
import * as bundles from '../../../migrations/018_bundles';
import * as ownSources from '../../../migrations/019_own_sources';
import * as oneRecord from '../../../migrations/020_one_record';
import * as marksAndLeads from '../../../migrations/021_marks_and_leads';
import * as staysUp from '../../../migrations/022_stays_up';
import * as wholeReadings from '../../../migrations/023_whole_readings';
import * as foundByIndex from '../../../migrations/024_found_by_index';
import * as whatTheSchoolAsks from '../../../migrations/025_what_the_school_asks';
import * as whatComesBack from '../../../migrations/026_what_comes_back';
import * as betweenGuardians from '../../../migrations/027_between_guardians';
import * as whomToTurnTo from '../../../migrations/028_whom_to_turn_to';
import * as notesAndLive from '../../../migrations/029_notes_and_live';
import * as followUpsGoOn from '../../../migrations/030_follow_ups_go_on';
import * as aroundSchool from '../../../migrations/031_around_school';
import * as sitdowns from '../../../migrations/032_sitdowns';
import * as meetings from '../../../migrations/033_meetings';
import * as orderOfLines from '../../../migrations/034_order_of_lines';
import * as digestTurns from '../../../migrations/035_digest_turns';
import * as push from '../../../migrations/036_push';
import * as figuresStand from '../../../migrations/037_figures_stand';
import * as worksByCourse from '../../../migrations/038_works_by_course';
import * as answersKept from '../../../migrations/039_answers_kept';
import * as whoBelongs from '../../../migrations/040_who_belongs';
import * as byCourse from '../../../migrations/041_by_course';
import * as touchedBefore from '../../../migrations/042_touched_before';
import { setTimeout as wait } from 'node:timers/promises';
import { Client } from './client';
import { connectionTo, remember } from './connections';
import { isLockedLong } from './faults';
import { openedForHouse } from './whose';

/** Dates stay `YYYY-MM-DD`: a calendar date has no instant, and turning it into one moves it by a zone. */
types.setTypeParser(types.builtins.DATE, (text) => text);
/** Row counts and identities are far below 2^53. */
types.setTypeParser(types.builtins.INT8, Number);

export type Db = Knex;
export type Trx = Knex.Transaction;

const migrations: Record<string, Knex.Migration> = {
  '001_foundation': foundation,
  '002_terms_and_grades': termsAndGrades,
  '003_work_and_plan': workAndPlan,
  '004_days': days,
  '005_alerts': alerts,
  '006_digests_anew': digests,
  '007_delivery_faults': deliveryFaults,
  '008_floors': floors,
  '009_what_is_true': whatIsTrue,
  '010_what_is_new': whatIsNew,
  '011_readers_learn': readersLearn,
  '012_the_door': theDoor,
  '013_the_desk': theDesk,
  '014_on_file': onFile,
  '015_whose_rows': whoseRows,
  '016_operators': operators,
  '017_any_source': anySource,
  '018_bundles': bundles,
  '019_own_sources': ownSources,
  '020_one_record': oneRecord,
  '021_marks_and_leads': marksAndLeads,
  '022_stays_up': staysUp,
  '023_whole_readings': wholeReadings,
  '024_found_by_index': foundByIndex,
  '025_what_the_school_asks': whatTheSchoolAsks,
  '026_what_comes_back': whatComesBack,
  '027_between_guardians': betweenGuardians,
  '028_whom_to_turn_to': whomToTurnTo,
  '029_notes_and_live': notesAndLive,
  '030_follow_ups_go_on': followUpsGoOn,
  '031_around_school': aroundSchool,
  '032_sitdowns': sitdowns,
  '033_meetings': meetings,
  '034_order_of_lines': orderOfLines,
  '035_digest_turns': digestTurns,
  '036_push': push,
  '037_figures_stand': figuresStand,
  '038_works_by_course': worksByCourse,
  '039_answers_kept': answersKept,
  '040_who_belongs': whoBelongs,
  '041_by_course': byCourse,
  '042_touched_before': touchedBefore,
};

/** Whoever waits for a table holds up all who come after it: for so long at most, and then again. */
const longestLockSeconds = 2;
const lockAgainMs = 500;
const mostLockTries = 120;

const patient =
  (change: (trx: Knex) => PromiseLike<unknown>) =>
  async (trx: Knex): Promise<void> => {
    await trx.raw(`set local lock_timeout = '${longestLockSeconds}s'`);
    await change(trx);
  };

/** Changes tables while others read and write them: it steps back where it would hold them up, and tries again. */
export async function changeTables(change: () => PromiseLike<unknown>): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    try {
      return void (await change());
    } catch (error) {
      if (!isLockedLong(error) || tries === mostLockTries) throw error;
      await wait(lockAgainMs);
    }
  }
}

/** Static, so that the same list serves the bundler, the tests and a running server. */
class Migrations implements Knex.MigrationSource<string> {
  async getMigrations() {
    return Object.keys(migrations);
  }
  getMigrationName(name: string) {
    return name;
  }
  async getMigration(name: string) {
    const migration = migrations[name];
    if (!migration) throw new Error(`no migration named ${name}`);
    return { ...migration, up: patient((trx) => migration.up(trx)) };
  }
}

/** Who gets no connection for so long is told so. */
const longestWaitMs = 15_000;

export function openDatabase(url: string, options: { poolSize?: number } = {}): Db {
  const db = knex({
    // Knex takes a class where it types a name.
    client: Client as unknown as string,
    // What a request asks at once is sent at once.
    connection: { ...connectionTo(url), ...{ pipeline: true } },
    pool: { min: 0, max: options.poolSize ?? 10, afterCreate: remember(url) },
    acquireConnectionTimeout: longestWaitMs,
    // What fails is told by its statement, without what was asked with it.
    compileSqlOnError: false,
    // Whoever asks is given the error; the builder need not print it, too.
    log: { error: () => undefined, warn: () => undefined },
    migrations: { migrationSource: new Migrations(), tableName: 'migrations' },
  });
  return openedForHouse(db);
}

/** How many connections of a database's pool are used, wait for use, or are waited for. */
export function poolState(db: Db): { used: number; free: number; waiting: number } {
  // Knex types its client as anything; the pool is tarn's.
  const { pool } = db.client as {
    pool: { numUsed(): number; numFree(): number; numPendingAcquires(): number };
  };
  return { used: pool.numUsed(), free: pool.numFree(), waiting: pool.numPendingAcquires() };
}

/** The database has been migrated by a later version, whose tables this one does not know. */
export class DatabaseTooNew extends Error {
  override readonly name = 'DatabaseTooNew';
  readonly code = 'database-too-new';
}

/**
 * Brings the tables to this version; running it again changes nothing.
 * @throws DatabaseTooNew when a later version has been there.
 */
export async function migrate(db: Db): Promise<void> {
  if (await db.schema.hasTable('migrations')) {
    const names: string[] = await db('migrations').pluck('name');
    const unknown = names.filter((name) => !(name in migrations)).sort();
    if (unknown.length > 0) {
      const what = `this database has been migrated by a later version (${unknown.at(-1)})`;
      throw new DatabaseTooNew(`${what}: start that version, or restore a backup from before`);
    }
  }
  await changeTables(() => db.migrate.latest());
}

/** Whether tables are still to be brought to this version; a later version's are none of its business. */
export async function isBehind(db: Db): Promise<boolean> {
  const done = new Set<string>(await db('migrations').pluck('name'));
  return Object.keys(migrations).some((name) => !done.has(name));
}

/** So many rows go into one statement: each of their values is a parameter, of which a statement holds 65,535. */
const rowsAtOnce = 500;

/** Writes many rows in several statements, one after the other. */
export async function inChunks<R>(
  rows: readonly R[],
  write: (some: R[]) => PromiseLike<unknown>,
): Promise<void> {
  for (let from = 0; from < rows.length; from += rowsAtOnce) await write(rows.slice(from, from + rowsAtOnce));
}
