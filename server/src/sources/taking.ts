import type { SyncFault } from '@cadro/contract';
import {
  assumePolicies,
  joined,
  logChanges,
  neutralCollections,
  partsOfCourses,
  setApartPassed,
  settleClasses,
  studentsIn,
  takenCodes,
  wholeOf,
  writeCollection,
  type Beside,
  type NeutralCollection,
  type NeutralRecord,
} from '../records';
import type { Deps, Trx } from '../kit';
import type { BrokenRecord, Page } from './connector';
import type { ReadingHooks } from './hooks';
import * as store from './problemStore';
import { forgetCursors } from './store';

/** One reading of a source, or of a part of it. */
export interface Run {
  readonly deps: Deps & { readonly reading: ReadingHooks };
  readonly sourceId: string;
  readonly now: Date;
  /** From when on it is known; null for a backlog, which is no news and counts as known from its own times on. */
  readonly knownAt: Date | null;
  readonly report: {
    records: number;
    problems: number;
    /** Ids that name another child by now. */
    passed: number;
  };
  /** What of the source is set aside, as far as it is known; a record that goes in is asked about here first. */
  readonly reported: store.Reported;
  /** A family may give its own child another name. */
  readonly isOwn?: boolean;
  /** Whose it is, where a household writes it beside another source's record. */
  readonly beside?: Beside | null;
}

/** Sets records aside with their reasons; they may be mended within this very reading. */
async function report(
  trx: Trx,
  { sourceId, now, reported, report: told }: Run,
  collection: string,
  broken: readonly BrokenRecord[],
): Promise<void> {
  if (broken.length === 0) return;
  await store.reportBroken(trx, sourceId, collection, broken, now);
  const known = reported.get(collection) ?? new Set();
  reported.set(collection, known);
  for (const { externalId } of broken) known.add(externalId);
  told.problems += broken.length;
}

const waitsFor = (record: NeutralRecord): BrokenRecord => ({
  externalId: record.id,
  fault: 'unknown-reference',
  reason: '',
  raw: record,
});

/** A code that two schools have given opens nothing; whoever runs Cadro hears of it. */
async function reportTaken(trx: Trx, run: Run, records: readonly NeutralRecord[]): Promise<void> {
  const ids = await takenCodes(
    trx,
    run.sourceId,
    records.map(({ id }) => id),
  );
  const broken = ids.map((externalId): BrokenRecord => ({
    externalId,
    fault: 'code-taken',
    reason: '',
    raw: null,
  }));
  await report(trx, run, 'linkCodes', broken);
}

/** An id that names another child is a new child: whose it was keeps what was told of it, and whoever runs Cadro hears of it. */
async function setApart(trx: Trx, run: Run, records: readonly NeutralRecord[]): Promise<readonly string[]> {
  const passed = await setApartPassed(trx, run.sourceId, records);
  const broken = passed.map(({ externalId }): BrokenRecord => ({
    externalId,
    fault: 'id-passed',
    reason: '',
    raw: null,
  }));
  await report(trx, run, 'passedIds', broken);
  run.report.passed += passed.length;
  if (passed.length > 0) await forgetCursors(trx, run.sourceId);
  return passed.map(({ studentId }) => studentId);
}

/** What has come sound is reported no longer. @param faults those of which it cannot be any more. */
async function mend(
  trx: Trx,
  { sourceId, reported }: Run,
  { collection, ids, faults }: { collection: string; ids: readonly string[]; faults?: readonly SyncFault[] },
): Promise<void> {
  const known = reported.get(collection);
  const mended = known ? ids.filter((id) => known.has(id)) : [];
  await store.clearProblems(trx, sourceId, collection, mended, faults);
}

/** What is told in these concerns the course it is in, and nothing else of a child's record. */
const ofOneCourse: ReadonlySet<NeutralCollection> = new Set(['categories', 'items', 'itemDetails']);

async function takeIn(trx: Trx, run: Run, collection: NeutralCollection, records: readonly NeutralRecord[]) {
  const { sourceId, now, knownAt, beside = null } = run;
  const passed = collection === 'students' && !run.isOwn ? await setApart(trx, run, records) : [];
  const written = await writeCollection(trx, sourceId, collection, records, knownAt, beside);
  await mend(trx, run, { collection, ids: [...written.ids] });
  await report(trx, run, collection, records.filter(({ id }) => !written.ids.has(id)).map(waitsFor));
  if (knownAt) await logChanges(trx, written.changes, now, beside?.householdId);
  run.report.records += written.ids.size;
  const ids = records.map(({ id }) => id);
  const ended =
    collection === 'courses' || collection === 'enrolments' || collection === 'students'
      ? await settleClasses(trx, sourceId, now, { of: collection, ids })
      : [];
  if (collection === 'linkCodes') await reportTaken(trx, run, records);
  const inCourses = await partsOfCourses(trx, written.courseIds);
  const touched = joined([
    ...wholeOf([...passed, ...written.studentIds, ...ended]),
    ...written.parts,
    ...(ofOneCourse.has(collection) ? inCourses : wholeOf(studentsIn(inCourses))),
  ]);
  if (touched.length > 0) await run.deps.reading.onRecords(trx, touched, { now, half: !run.isOwn });
}

/** What came together, to be taken in together. */
export type Sheet = Pick<Page, 'records' | 'broken' | 'sound'>;

/** What came of each collection, in the order in which collections name each other. */
function byCollection({ records }: Sheet): [NeutralCollection, NeutralRecord[]][] {
  const found = new Map<NeutralCollection, NeutralRecord[]>();
  for (const { collection, record } of records) {
    const own = found.get(collection);
    if (own) own.push(record);
    else found.set(collection, [record]);
  }
  return neutralCollections.flatMap((collection): [NeutralCollection, NeutralRecord[]][] => {
    const own = found.get(collection);
    return own ? [[collection, own]] : [];
  });
}

/** Whether the database says of the data that it cannot be kept: out of range, against a rule, too long for an index. */
const isOfData = (error: unknown): error is Error & { code: string } =>
  error instanceof Error && 'code' in error && /^(21|22|23|54)...$/.test(String(error.code));

/** Takes records in by ever smaller parts, so that one that cannot be kept is found and set aside. */
async function takeInApart(
  run: Run,
  collection: NeutralCollection,
  records: readonly NeutralRecord[],
): Promise<void> {
  try {
    await run.deps.db.transaction((trx) => takeIn(trx, run, collection, records));
  } catch (error) {
    if (!isOfData(error)) throw error;
    const [only, ...others] = records;
    if (!only) return;
    if (others.length === 0) {
      const broken = { externalId: only.id, fault: 'unstorable', reason: error.code, raw: only } as const;
      return run.deps.db.transaction((trx) => report(trx, run, collection, [broken]));
    }
    const half = Math.ceil(records.length / 2);
    await takeInApart(run, collection, records.slice(0, half));
    await takeInApart(run, collection, records.slice(half));
  }
}

/** So many records are written together, however many have waited. */
const atOnce = 2000;

/** Takes in records of one collection, or sets aside those of them that cannot be kept. */
async function takeRecords(
  run: Run,
  collection: NeutralCollection,
  records: readonly NeutralRecord[],
): Promise<void> {
  for (let from = 0; from < records.length; from += atOnce) {
    await takeInApart(run, collection, records.slice(from, from + atOnce));
  }
}

/**
 * One page, one transaction: all of it goes in, with the jobs it asks for, or none; but for what cannot be kept.
 * @param after what is put down with it: how far the reading has come.
 */
export async function writePage(
  run: Run,
  collection: string,
  page: Sheet,
  after: (trx: Trx) => Promise<void> = async () => undefined,
): Promise<void> {
  const parts = byCollection(page);
  const before = { ...run.report };
  const finish = async (trx: Trx) => {
    // That its shape is sound says nothing of whether what it names has come.
    await mend(trx, run, { collection, ids: page.sound, faults: store.shapeFaults });
    await report(trx, run, collection, page.broken);
    await after(trx);
  };
  try {
    await run.deps.db.transaction(async (trx) => {
      for (const [neutral, records] of parts) await takeIn(trx, run, neutral, records);
      await finish(trx);
    });
  } catch (error) {
    if (!isOfData(error)) throw error;
    Object.assign(run.report, before);
    for (const [neutral, records] of parts) await takeInApart(run, neutral, records);
    await run.deps.db.transaction(finish);
  }
}

/**
 * The end of a reading, when all that it brings is in: what waited for some of it is taken in, and what follows from the
 * records of how courses are graded.
 */
export async function settle(run: Run): Promise<void> {
  const { deps, sourceId, now } = run;
  const waiting = await store.waitingRecords(deps.db, sourceId);
  for (const collection of neutralCollections)
    await takeRecords(run, collection, waiting.get(collection) ?? []);
  await deps.db.transaction(async (trx) => {
    const students = await assumePolicies(trx, sourceId, now);
    if (students.length > 0) await deps.reading.onRecords(trx, wholeOf(students), { now, half: !run.isOwn });
  });
}
