import { randomUUID } from 'node:crypto';
import type { Db, Trx } from '../kit';
import {
  sourceParts,
  type OneRosterVersion,
  type Removal,
  type SourceFailure,
  type SourceKind,
  type SourcePart,
} from '@cadro/contract';

export interface SourceRow {
  readonly id: string;
  readonly name: string;
  /** A system that is asked, files that are handed over, or what a family writes itself. */
  readonly kind: SourceKind;
  readonly base_url: string;
  readonly client_id: string;
  readonly client_secret_sealed: string;
  /** Per collection: the greatest change instant of the last pass that reached its end. */
  readonly cursors: Readonly<Record<string, string>>;
  /** Per collection: a digest of the records of that instant, which a source gives again each time. */
  readonly seen: Readonly<Record<string, string>>;
  readonly complete_at: Date | null;
  readonly read_at: Date | null;
  readonly failing_since: Date | null;
  /** Where its times are, if it does not say so itself. */
  readonly time_zone: string;
  readonly version: OneRosterVersion | null;
  readonly parts: Parts;
  /** Whose it is, where a family brings it in. */
  readonly household_id: string | null;
  readonly paused_at: Date | null;
  readonly progress: Progress | null;
  readonly shrinks: Removal | null;
  readonly may_shrink: boolean;
  /** When all of it was read and compared last. */
  readonly whole_at: Date | null;
}

/** How far a reading that is under way has come. */
export interface Progress {
  readonly collection: string;
  readonly records: number;
}

/** What became of a part of a source that is asked for apart. */
export interface PartState {
  readonly state: 'told' | 'refused' | 'failing';
  /** When all of it was read for the first time; null before. */
  readonly since: string | null;
  readonly at: string;
}
export type Parts = Readonly<Partial<Record<SourcePart, PartState>>>;

export const findSource = (db: Db, id: string): Promise<SourceRow | undefined> =>
  db<SourceRow>('sources').where({ id }).first();

/** The sources that are read, but for those that are paused; what families write themselves comes when they write it. */
export const allSources = (db: Db): Promise<SourceRow[]> =>
  db<SourceRow>('sources').whereNot({ kind: 'own' }).whereNull('paused_at').orderBy('name');

/** Puts down how far a reading has come. @returns whether somebody has asked for it to stop. */
export async function tellProgress(db: Db, id: string, progress: Progress): Promise<boolean> {
  const [row] = await db('sources')
    .where({ id })
    .update({ progress: JSON.stringify(progress) })
    .returning<{ stop_asked: boolean }[]>('stop_asked');
  return row?.stop_asked ?? false;
}

/** A reading is over, however it ended. */
export async function endProgress(db: Db, id: string): Promise<void> {
  await db('sources').where({ id }).update({ progress: null, stop_asked: false });
}

/** A reading waits until somebody has said whether it may take that much away. */
export async function tellShrinks(
  db: Db,
  id: string,
  shrinks: Removal,
  { whole = false } = {},
): Promise<void> {
  await db('sources')
    .where({ id })
    .update({ shrinks: JSON.stringify(shrinks), shrinks_whole: whole });
}

/** Less than a day, so that every night finds it due. */
const wholeAgainHours = 20;

/** The sources of which all is to be read and compared now: it is night there, and it has not been done in this one. */
export const wholeDue = (db: Db, now: Date): Promise<string[]> =>
  db('sources')
    .where({ kind: 'interface' })
    .whereNull('paused_at')
    .whereNotNull('complete_at')
    .whereRaw('extract(hour from ?::timestamptz at time zone time_zone) between 2 and 4', [now])
    .whereRaw(`coalesce(whole_at, '-infinity') < ?::timestamptz - ? * interval '1 hour'`, [
      now,
      wholeAgainHours,
    ])
    .pluck<string[]>('id');

/** All of it has been read and compared. */
export const tellWhole = async (db: Db, id: string, now: Date): Promise<void> =>
  void (await db('sources').where({ id }).update({ whole_at: now, shrinks: null, shrinks_whole: false }));

/** What somebody does about a source. */
export type Steering = 'pause' | 'resume' | 'stop' | 'let-go';

/** @returns whether there is such a source. */
export async function steerSource(db: Db, id: string, what: Steering, now: Date): Promise<boolean> {
  const change: Record<Steering, object> = {
    pause: { paused_at: now },
    resume: { paused_at: null },
    // Of what is not being read there is nothing to stop.
    stop: { stop_asked: db.raw('progress is not null') },
    'let-go': { may_shrink: true, shrinks: null, shrinks_whole: false },
  };
  return (await db('sources').where({ id }).whereNot({ kind: 'own' }).update(change[what])) > 0;
}

export async function moveCursor(
  db: Db,
  id: string,
  collection: string,
  to: { readonly instant: string; readonly seen: string },
): Promise<void> {
  await db('sources')
    .where({ id })
    .update({
      cursors: db.raw('cursors || ?::jsonb', [JSON.stringify({ [collection]: to.instant })]),
      seen: db.raw('seen || ?::jsonb', [JSON.stringify({ [collection]: to.seen })]),
    });
}

/** All of a source is asked for at its next reading. */
export const forgetCursors = async (db: Trx, id: string): Promise<void> =>
  void (await db('sources').where({ id }).update({ cursors: '{}', seen: '{}' }));

/** What a source does not give of what it is asked for apart, as far as it has been asked. */
export const untoldOf = (parts: Parts): SourcePart[] =>
  sourceParts.filter(
    (part) => part !== 'roster' && parts[part] !== undefined && parts[part].state !== 'told',
  );

export async function tellPart(db: Db, id: string, part: SourcePart, state: PartState): Promise<void> {
  await db('sources')
    .where({ id })
    .update({ parts: db.raw('parts || ?::jsonb', [JSON.stringify({ [part]: state })]) });
}

/** Which version a source was found to speak; null: it is to be found out anew. */
export async function tellVersion(db: Db, id: string, version: OneRosterVersion | null): Promise<void> {
  await db('sources').where({ id }).update({ version });
}

export async function markRead(db: Db, id: string, now: Date): Promise<void> {
  await db('sources')
    .where({ id })
    .update({
      read_at: now,
      tried_at: now,
      complete_at: db.raw('coalesce(complete_at, ?)', [now]),
      ...{ failing_since: null, failure: null, last_error: null },
      // What a comparison has asked is asked until the next one.
      shrinks: db.raw('case when shrinks_whole then shrinks end'),
      may_shrink: false,
    });
}

export async function markFailed(
  db: Db,
  id: string,
  now: Date,
  { failure, reason }: { readonly failure: SourceFailure | null; readonly reason: string },
): Promise<void> {
  await db('sources')
    .where({ id })
    .update({
      tried_at: now,
      failing_since: db.raw('coalesce(failing_since, ?)', [now]),
      failure,
      last_error: reason,
    });
}

/** The sources of the linked children, with what could not be taken in. */
export async function sourcesOfStudents(db: Db, studentIds: readonly string[]) {
  const sources = await db('sources as src')
    .join('student_profiles as s', 's.source_id', 'src.id')
    .whereIn('s.student_id', [...studentIds])
    .groupBy('src.id')
    .orderBy('src.name')
    .select<
      (Pick<
        SourceRow,
        'id' | 'name' | 'kind' | 'read_at' | 'failing_since' | 'parts' | 'paused_at' | 'progress'
      > & {
        student_ids: string[];
      })[]
    >(
      'src.id',
      'src.name',
      'src.kind',
      'src.read_at',
      'src.failing_since',
      'src.parts',
      'src.paused_at',
      'src.progress',
      db.raw('array_agg(s.student_id::text) as student_ids'),
    );
  return sources;
}

export async function addSource(
  db: Db,
  source: {
    name: string;
    baseUrl: string;
    clientId: string;
    sealedSecret: string;
    timeZone?: string | undefined;
  },
): Promise<string> {
  const [row] = await db('sources')
    .insert({
      name: source.name,
      base_url: source.baseUrl,
      client_id: source.clientId,
      client_secret_sealed: source.sealedSecret,
      ...(source.timeZone === undefined ? {} : { time_zone: source.timeZone }),
    })
    .onConflict('base_url')
    .merge([
      'name',
      'client_id',
      'client_secret_sealed',
      ...(source.timeZone === undefined ? [] : ['time_zone']),
    ])
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('a source could not be stored');
  return row.id;
}

/** A school that hands over files. */
export async function addBundleSource(
  db: Db,
  { name, timeZone }: { readonly name: string; readonly timeZone: string },
): Promise<string> {
  const id = randomUUID();
  await db('sources').insert({
    ...{ id, name, kind: 'bundles', time_zone: timeZone, base_url: `urn:cadro:bundles:${id}` },
    ...{ client_id: '', client_secret_sealed: '' },
  });
  return id;
}

export async function moveSource(db: Db, clientId: string, baseUrl: string): Promise<void> {
  await db('sources').where({ client_id: clientId }).update({ base_url: baseUrl });
}

export interface SourceProblemsRow extends Pick<
  SourceRow,
  'id' | 'name' | 'base_url' | 'parts' | 'paused_at' | 'progress' | 'shrinks'
> {
  readonly kind: Exclude<SourceKind, 'own'>;
  readonly failure: SourceFailure | null;
  readonly read_at: Date | null;
  readonly failing_since: Date | null;
  readonly last_error: string | null;
  /** Records that have been set aside. */
  readonly aside: number;
}

/** Every source that is read, with how it is doing. */
export const sourceProblems = (db: Db): Promise<SourceProblemsRow[]> =>
  db('sources as s')
    .whereNot({ 's.kind': 'own' })
    .whereNull('s.household_id')
    .leftJoin('sync_problems as p', 'p.source_id', 's.id')
    .groupBy('s.id')
    .orderBy('s.name')
    .select<SourceProblemsRow[]>(
      ...['s.id', 's.name', 's.base_url', 's.kind', 's.parts', 's.read_at', 's.failing_since'],
      ...['s.failure', 's.last_error', 's.paused_at', 's.progress', 's.shrinks'],
      db.raw('count(p.external_id) as aside'),
    );

/** Of each school that is read, how long ago it was, and whether it cannot be. */
export const sourceAges = (db: Db): Promise<{ id: string; seconds: number | null; failing: boolean }[]> =>
  db('sources')
    .whereNot({ kind: 'own' })
    .whereNull('paused_at')
    .select(
      'id',
      db.raw('extract(epoch from now() - read_at)::float as seconds'),
      db.raw('failing_since is not null as failing'),
    );
