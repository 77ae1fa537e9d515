import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable, Transform, type TransformCallback } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { BodyOf, ownRoutes } from '@cadro/contract';
import { isTimeZone } from '@cadro/core';
import { addJobs, HttpProblem, houseOf, threadKind, type ServerDeps } from '../../../kit';
import { childrenFor, requireGuardian } from '../../../household';
import { studentKeys } from '../../../records';
import { toldBy } from '../../bundle/answers';
import { BundleError } from '../../bundle/errors';
import { readingJob } from '../../readingJob';
import { answerBundle, bundlesOf } from '../bundleStore';
import { receiveBundle } from '../receive';
import * as store from './familyStore';
import type * as program from './winnow.worker';

/** More schools than a family has children at. */
const mostSources = 10;
/** Packed; larger than any export of one school. */
const mostBytes = 64 * 1024 * 1024;

/** A school whose exports a family hands over, with the children it names as its own. @returns its id. */
export async function addFamilySource(
  deps: ServerDeps,
  guardianId: string,
  { schoolName, timeZone, children }: BodyOf<typeof ownRoutes.addSchool>,
): Promise<string> {
  if (!isTimeZone(timeZone))
    throw new HttpProblem('bad-request', { errors: [{ path: '/timeZone', message: 'is no time zone' }] });
  const { household_id: householdId } = await requireGuardian(deps, guardianId);
  const db = houseOf(deps.db);
  await refuseChild(deps, guardianId);
  if ((await store.familySources(db, householdId)).length >= mostSources) throw new HttpProblem('too-large');
  return store.addFamilySource(db, {
    name: schoolName.trim(),
    timeZone,
    householdId,
    guardianId,
    wanted: children,
  });
}

/** A child's own account brings no records in. */
async function refuseChild(deps: ServerDeps, guardianId: string): Promise<void> {
  const linked = await childrenFor(deps.db, guardianId, 'read-record');
  if (linked.some(({ role }) => role === 'student')) throw new HttpProblem('forbidden');
}

/** @throws HttpProblem 404 for a source that is not of the household. */
async function requireSource(
  deps: ServerDeps,
  guardianId: string,
  sourceId: string,
): Promise<store.FamilySource> {
  const { household_id: householdId } = await requireGuardian(deps, guardianId);
  const db = houseOf(deps.db);
  const source = await store.familySource(db, sourceId);
  if (source?.household_id !== householdId) throw new HttpProblem('not-found');
  await refuseChild(deps, guardianId);
  return source;
}

/** Lets no more through than a file may have. */
class AtMost extends Transform {
  private bytes = 0;

  override _transform(chunk: Buffer, _encoding: string, done: TransformCallback): void {
    this.bytes += chunk.length;
    done(this.bytes > mostBytes ? new HttpProblem('too-large') : null, chunk);
  }
}

/** Of a bundle only what is about a family's children is kept: that is done apart. */
const winnowing = threadKind<typeof program>(__dirname, 'winnow.worker', {
  ...{ memoryMb: 256, patienceMs: 60_000, mostOfOne: 3, mostWaiting: 20 },
});

/**
 * Takes a family's export in: of it only what is about the children it names is kept, which is read by and by like any
 * bundle. The file itself is gone when this has answered.
 */
export async function putFamilyBundle(
  deps: ServerDeps,
  guardianId: string,
  {
    sourceId,
    name,
    stream,
  }: { readonly sourceId: string; readonly name: string; readonly stream: AsyncIterable<Buffer> },
): Promise<string | null> {
  const source = await requireSource(deps, guardianId, sourceId);
  const house = { ...deps, db: houseOf(deps.db) };
  const path = join(tmpdir(), `cadro-export-${randomUUID()}.zip`);
  try {
    await pipeline(Readable.from(stream), new AtMost(), createWriteStream(path, { mode: 0o600 }));
    const known = await studentKeys(house.db, sourceId);
    const ask = { path, wanted: source.wanted, known, at: await deps.clock.now() };
    const winnowed = await toldBy(deps.threads.of(winnowing).run('winnow', ask, { whose: guardianId }));
    if ('fault' in winnowed) {
      const message = winnowed.name;
      throw new HttpProblem(winnowed.fault, { errors: [{ path: '/children', message }] });
    }
    const own = Readable.from([Buffer.from(winnowed.zip)]) as AsyncIterable<Buffer>;
    return await receiveBundle(house, sourceId, { name, stream: own });
  } catch (error) {
    if (!(error instanceof BundleError)) throw error;
    throw new HttpProblem('unreadable-file', { errors: [{ path: '/', message: error.code }], cause: error });
  } finally {
    await rm(path, { force: true });
  }
}

/** Deletes a school that a family brought in, with its children's records, for everybody. */
export async function dropFamilySource(
  deps: ServerDeps,
  guardianId: string,
  sourceId: string,
): Promise<void> {
  await requireSource(deps, guardianId, sourceId);
  await store.dropFamilySource(houseOf(deps.db), sourceId);
}

/** Answers what a family's file asks, or stops it. */
export async function answerFamilyBundle(
  deps: ServerDeps,
  guardianId: string,
  bundleId: string,
  answer: 'take' | 'stop',
): Promise<void> {
  const db = houseOf(deps.db);
  const sourceId = await store.sourceOfBundle(db, bundleId);
  if (sourceId === undefined) throw new HttpProblem('not-found');
  await requireSource(deps, guardianId, sourceId);
  if ((await answerBundle(db, bundleId, answer, await deps.clock.now())) === null)
    throw new HttpProblem('not-found');
  await addJobs(db, [readingJob(sourceId)]);
}

/** The schools whose exports a household hands over, with what became of the last files. */
export async function familySchools(deps: ServerDeps, guardianId: string) {
  const { household_id: householdId } = await requireGuardian(deps, guardianId);
  const db = houseOf(deps.db);
  const sources = await store.familySources(db, householdId);
  const bundles = await bundlesOf(
    db,
    sources.map(({ id }) => id),
  );
  return sources.map(({ id, name, wanted }) => ({
    ...{ id, name, children: [...wanted] },
    bundles: bundles
      .filter(({ source_id }) => source_id === id)
      .map(({ id: bundleId, name: file, state, fault, ask, records, problems, came_at }) => ({
        ...{ id: bundleId, name: file, state, fault, ask, records, problems, cameAt: came_at.toISOString() },
      })),
  }));
}
