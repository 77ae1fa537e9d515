import {
  logChanges,
  neutralCollections,
  settleClasses,
  studentsOfCourses,
  takenCodes,
  writeCollection,
  type NeutralCollection,
  type NeutralRecord,
} from '../records';
import type { Deps, Trx } from '../kit';
import type { BrokenRecord, Page } from './connector';
import type { ReadingHooks } from './hooks';
import * as store from './store';

/** One reading of a source, or of a part of it. */
export interface Run {
  readonly deps: Deps & { readonly reading: ReadingHooks };
  readonly sourceId: string;
  readonly now: Date;
  /** From when on it is known; null for a backlog, which is no news and counts as known from its own times on. */
  readonly knownAt: Date | null;
  readonly report: { records: number; problems: number };
  /** What of the source is set aside, as far as it is known; a record that goes in is asked about here first. */
  readonly reported: store.Reported;
}

/** Sets records aside with their reasons; they may be mended within this very reading. */
export async function report(
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

async function takeIn(trx: Trx, run: Run, collection: NeutralCollection, records: readonly NeutralRecord[]) {
  const { sourceId, now, knownAt } = run;
  const written = await writeCollection(trx, sourceId, collection, records, knownAt);
  const reported = run.reported.get(collection);
  const mended = [...written.ids].filter((id) => reported?.has(id));
  await store.clearProblems(trx, sourceId, collection, mended);
  await report(trx, run, collection, records.filter(({ id }) => !written.ids.has(id)).map(waitsFor));
  if (knownAt) await logChanges(trx, written.changes, now);
  run.report.records += written.ids.size;
  const ids = records.map(({ id }) => id);
  const isOfClasses = collection === 'courses' || collection === 'enrolments';
  const ended = isOfClasses
    ? await settleClasses(
        trx,
        sourceId,
        now,
        collection === 'courses' ? { courses: ids } : { enrolments: ids },
      )
    : [];
  if (collection === 'linkCodes') await reportTaken(trx, run, records);
  const students = await studentsOfCourses(trx, written.courseIds);
  const touched = [...new Set([...written.studentIds, ...students, ...ended])];
  if (touched.length > 0) await run.deps.reading.onRecords(trx, touched, now);
}

const byCollection = ({ records }: Pick<Page, 'records'>): [NeutralCollection, NeutralRecord[]][] =>
  neutralCollections.flatMap((collection): [NeutralCollection, NeutralRecord[]][] => {
    const own = records.filter((each) => each.collection === collection);
    return own.length > 0 ? [[collection, own.map(({ record }) => record)]] : [];
  });

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

/** Takes in records of one collection, or sets aside those of them that cannot be kept. */
export async function takeRecords(
  run: Run,
  collection: NeutralCollection,
  records: readonly NeutralRecord[],
): Promise<void> {
  if (records.length > 0) await takeInApart(run, collection, records);
}

/** One page, one transaction: all of it goes in, with the jobs it asks for, or none; but for what cannot be kept. */
export async function writePage(run: Run, collection: string, page: Page): Promise<void> {
  const parts = byCollection(page);
  const before = { ...run.report };
  try {
    await run.deps.db.transaction(async (trx) => {
      for (const [neutral, records] of parts) await takeIn(trx, run, neutral, records);
      await report(trx, run, collection, page.broken);
    });
  } catch (error) {
    if (!isOfData(error)) throw error;
    Object.assign(run.report, before);
    for (const [neutral, records] of parts) await takeInApart(run, neutral, records);
    await run.deps.db.transaction((trx) => report(trx, run, collection, page.broken));
  }
}
