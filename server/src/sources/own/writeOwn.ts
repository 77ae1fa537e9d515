import { HttpProblem, houseOf, maySayOf, type Db, type Deps } from '../../kit';
import { householdOf, requireChild } from '../../household';
import { wholeChild, type Beside, type NeutralCollection, type WholeChild } from '../../records';
import type { ReadingHooks } from '../hooks';
import * as sources from '../store';
import { writePage, type Sheet } from '../taking';
import { addSourceBeside, isOwnSource, sourceBeside } from './ownStore';

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
  /** As who asks, of whom they may not see there is no row; Cadro's own where Cadro does. */
  readonly reads: Db;
  /** Where it is written; null before a household has anything beside a school's record. */
  readonly sourceId: string | null;
  /** Whose it is, where a school keeps the child's record; null where it is the record. */
  readonly beside: Beside | null;
  readonly now: Date;
}

/** A child for whoever of a household writes of it: in its record, or beside the one that a school keeps. */
async function ownOf(deps: OwnDeps, child: WholeChild, householdId: string): Promise<Own> {
  const common = {
    reads: deps.db,
    deps: { ...deps, db: houseOf(deps.db) },
    child,
    now: await deps.clock.now(),
  };
  if (await isOwnSource(common.deps.db, child.sourceId))
    return { ...common, sourceId: child.sourceId, beside: null };
  const place = { householdId, studentId: child.id };
  return {
    ...common,
    sourceId: await sourceBeside(common.deps.db, place),
    beside: { ...place, sourceId: child.sourceId },
  };
}

/**
 * @param how.whole whether only a child will do whose record is the family's alone.
 * @throws HttpProblem 404 for a child that is not linked, 403 where one may only look, or where a school keeps the record
 *   and the whole of it is asked for.
 */
export async function requireOwn(
  deps: OwnDeps,
  guardianId: string,
  studentId: string,
  how: { readonly whole?: boolean } = {},
): Promise<Own> {
  await requireChild(deps.db, guardianId, studentId, 'write-record');
  if (!(await maySayOf(deps.db, studentId))) throw new HttpProblem('forbidden');
  // As the one who asks: of whom they may not see, there is no row.
  const child = await wholeChild(deps.db, studentId);
  if (!child) throw new HttpProblem('not-found');
  const { id: householdId } = await householdOf(deps.db, guardianId);
  const own = await ownOf(deps, child, householdId);
  if (how.whole && own.beside) throw new HttpProblem('forbidden');
  return own;
}

/** A neutral record; what a family writes is there unless it says otherwise. */
export interface OwnWritten {
  readonly id: string;
  readonly gone?: boolean;
  readonly [column: string]: unknown;
}
/** A child for what Cadro itself writes of it for a household; null where there is none. */
export async function openOwn(deps: OwnDeps, studentId: string, householdId: string): Promise<Own | null> {
  const child = await wholeChild(deps.db, studentId);
  return child ? ownOf(deps, child, householdId) : null;
}

type Records = Partial<Record<NeutralCollection, readonly OwnWritten[]>>;

/**
 * Takes in what a family writes by the road every source's records take, all of it or none.
 * @param backlog whether it was so before it was written down: it is no news then.
 */
export async function writeRecords(
  { deps, now, beside }: Pick<Own, 'deps' | 'now' | 'beside'>,
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
  const report = { records: 0, problems: 0, passed: 0 };
  const run = {
    deps,
    sourceId,
    now,
    knownAt: backlog ? null : now,
    report,
    reported: new Map(),
    beside,
    isOwn: true,
  };
  await writePage(run, 'own', { records, broken: [], sound: [] });
  if (report.problems > 0) throw new HttpProblem('bad-request');
  await sources.markRead(deps.db, sourceId, now);
  await deps.reading.onReading(deps.db, sourceId, { whole: false, now });
}

/** Takes in what a family writes of a child that is there, one part after the other, and reckons what follows from it. */
export async function writeOwn(
  own: Own,
  written: Records | readonly Records[],
  how: { readonly backlog?: boolean } = {},
): Promise<void> {
  const { deps, child, beside, now } = own;
  const { name, timeZone } = child.school;
  const sourceId =
    own.sourceId ??
    (beside ? await addSourceBeside(deps.db, beside, { name, timeZone, now }) : child.sourceId);
  const parts: readonly Records[] = Array.isArray(written) ? written : [written];
  for (const part of parts) await writeRecords(own, sourceId, part, how);
  await own.deps.onWritten(own.deps, own.child.id);
}
