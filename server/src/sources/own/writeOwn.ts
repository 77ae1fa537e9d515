import { HttpProblem, houseOf, type Deps } from '../../kit';
import { requireChild } from '../../household';
import { wholeChild, type NeutralCollection, type WholeChild } from '../../records';
import type { ReadingHooks } from '../hooks';
import * as sources from '../store';
import { writePage, type Sheet } from '../taking';
import { isOwnSource } from './ownStore';

export interface OwnDeps extends Deps {
  readonly reading: ReadingHooks;
  /** A child's record has been written: whoever wrote it sees what follows from it at once. */
  readonly onWritten: (deps: Deps, studentId: string) => Promise<void>;
}

/** A child whose record its family writes, as somebody who may write it asks for it. */
export interface Own {
  /** In which nothing of anybody is left out: who asks has been asked for their right. */
  readonly deps: OwnDeps;
  readonly child: WholeChild;
  readonly now: Date;
}

/**
 * @throws HttpProblem 404 for a child that is not linked, 403 where one may only look, or where a school keeps the record.
 */
export async function requireOwn(deps: OwnDeps, guardianId: string, studentId: string): Promise<Own> {
  await requireChild(deps.db, guardianId, studentId, 'write-record');
  // As the one who asks: of whom they may not see, there is no row.
  const child = await wholeChild(deps.db, studentId);
  if (!child) throw new HttpProblem('not-found');
  if (!(await isOwnSource(deps.db, child.sourceId))) throw new HttpProblem('forbidden');
  return { deps: { ...deps, db: houseOf(deps.db) }, child, now: await deps.clock.now() };
}

/** A neutral record; what a family writes is there unless it says otherwise. */
export interface OwnWritten {
  readonly id: string;
  readonly gone?: boolean;
  readonly [column: string]: unknown;
}
/** A child whose record its family writes, for Cadro itself; null where it is another's. */
export async function openOwn(deps: OwnDeps, studentId: string): Promise<Own | null> {
  const child = await wholeChild(deps.db, studentId);
  if (!child || !(await isOwnSource(deps.db, child.sourceId))) return null;
  return { deps, child, now: await deps.clock.now() };
}

type Records = Partial<Record<NeutralCollection, readonly OwnWritten[]>>;

/**
 * Takes in what a family writes by the road every source's records take, all of it or none.
 * @param backlog whether it was so before it was written down: it is no news then.
 */
export async function writeRecords(
  { deps, now }: Pick<Own, 'deps' | 'now'>,
  sourceId: string,
  written: Records,
  { backlog = false }: { readonly backlog?: boolean } = {},
): Promise<void> {
  const records = Object.entries(written).flatMap(([collection, rows]): Sheet['records'] =>
    rows.map((row) => ({
      collection: collection as NeutralCollection, // its key, which the type of `written` knows
      record: { ...row, gone: row.gone ?? false },
    })),
  );
  const report = { records: 0, problems: 0 };
  const run = { deps, sourceId, now, knownAt: backlog ? null : now, report, reported: new Map() };
  await writePage(run, 'own', { records, broken: [], sound: [] });
  if (report.problems > 0) throw new HttpProblem('bad-request');
  await sources.markRead(deps.db, sourceId, now);
  await deps.reading.onReading(deps.db, sourceId, { whole: false, now });
}

/** Takes in what a family writes of a child that is there, and reckons what follows from it. */
export async function writeOwn(
  own: Own,
  written: Records,
  how: { readonly backlog?: boolean } = {},
): Promise<void> {
  await writeRecords(own, own.child.sourceId, written, how);
  await own.deps.onWritten(own.deps, own.child.id);
}
