import type { Db, Trx } from '../db';
import type { BrokenRecord, NeutralCollection, NeutralRecord } from './neutral';

export interface SourceRow {
  readonly id: string;
  readonly name: string;
  readonly base_url: string;
  readonly client_id: string;
  readonly client_secret_sealed: string;
  /** Per collection: the greatest change instant of the last pass that reached its end. */
  readonly cursors: Readonly<Record<string, string>>;
  readonly complete_at: Date | null;
  readonly read_at: Date | null;
  readonly failing_since: Date | null;
}

export const findSource = (db: Db, id: string): Promise<SourceRow | undefined> =>
  db<SourceRow>('sources').where({ id }).first();

export const allSources = (db: Db): Promise<SourceRow[]> => db<SourceRow>('sources').orderBy('name');

export async function moveCursor(db: Db, id: string, collection: string, upTo: string): Promise<void> {
  await db('sources')
    .where({ id })
    .update({ cursors: db.raw('cursors || ?::jsonb', [JSON.stringify({ [collection]: upTo })]) });
}

export async function markRead(db: Db, id: string, now: Date): Promise<void> {
  await db('sources')
    .where({ id })
    .update({
      read_at: now,
      tried_at: now,
      complete_at: db.raw('coalesce(complete_at, ?)', [now]),
      failing_since: null,
      last_error: null,
    });
}

export async function markFailed(db: Db, id: string, now: Date, reason: string): Promise<void> {
  await db('sources')
    .where({ id })
    .update({
      tried_at: now,
      failing_since: db.raw('coalesce(failing_since, ?)', [now]),
      last_error: reason,
    });
}

export async function reportBroken(
  trx: Trx,
  sourceId: string,
  collection: string,
  broken: readonly BrokenRecord[],
  now: Date,
): Promise<void> {
  if (broken.length === 0) return;
  const rows = broken.map(({ externalId, reason, raw }) => ({
    source_id: sourceId,
    collection,
    external_id: externalId,
    reason,
    record: JSON.stringify(raw),
    seen_at: now,
  }));
  await trx('sync_problems').insert(rows).onConflict(['source_id', 'collection', 'external_id']).merge();
}

export async function clearProblems(
  trx: Trx,
  sourceId: string,
  collection: string,
  ids: Iterable<string>,
): Promise<void> {
  await trx('sync_problems')
    .where({ source_id: sourceId, collection })
    .whereIn('external_id', [...ids])
    .delete();
}

/** Records that named something unknown when they came; it may have arrived since. */
export async function waitingRecords(
  db: Db,
  sourceId: string,
  collection: NeutralCollection,
): Promise<NeutralRecord[]> {
  const rows = await db('sync_problems')
    .where({ source_id: sourceId, collection, reason: unknownReference })
    .select<{ record: NeutralRecord }[]>('record');
  return rows.map(({ record }) => record);
}

export const unknownReference = 'refers to a record that the source has not given';

export const studentsOfCourses = async (trx: Trx, courseIds: readonly string[]): Promise<string[]> =>
  courseIds.length === 0
    ? []
    : trx('enrolments')
        .whereIn('course_id', [...courseIds])
        .where({ active: true })
        .distinct()
        .pluck('student_id');

/** Students of a source whose figures are older than `before`, or who have none yet. */
export const studentsWithStaleFigures = (db: Db, sourceId: string, before: Date): Promise<string[]> =>
  db('enrolments as e')
    .leftJoin('current_figures as f', (on) =>
      on.on('f.student_id', 'e.student_id').andOn('f.course_id', 'e.course_id'),
    )
    .where({ 'e.source_id': sourceId, 'e.active': true })
    .where((is) => is.whereNull('f.as_of').orWhere('f.as_of', '<', before))
    .distinct()
    .pluck('e.student_id');

/** The sources of the linked children, with what could not be taken in. */
export async function sourcesOfStudents(db: Db, studentIds: readonly string[]) {
  const sources = await db('sources as src')
    .join('students as s', 's.source_id', 'src.id')
    .whereIn('s.id', [...studentIds])
    .groupBy('src.id')
    .orderBy('src.name')
    .select<
      { id: string; name: string; read_at: Date | null; failing_since: Date | null; student_ids: string[] }[]
    >(
      'src.id',
      'src.name',
      'src.read_at',
      'src.failing_since',
      db.raw('array_agg(s.id::text) as student_ids'),
    );
  return sources;
}

export const problemsOf = (db: Db, sourceIds: readonly string[]) =>
  db('sync_problems')
    .whereIn('source_id', [...sourceIds])
    .orderBy('seen_at', 'desc')
    .limit(100)
    .select<{ source_id: string; collection: string; external_id: string; reason: string; seen_at: Date }[]>(
      'source_id',
      'collection',
      'external_id',
      'reason',
      'seen_at',
    );

export async function addSource(
  db: Db,
  source: { name: string; baseUrl: string; clientId: string; sealedSecret: string },
): Promise<string> {
  const [row] = await db('sources')
    .insert({
      name: source.name,
      base_url: source.baseUrl,
      client_id: source.clientId,
      client_secret_sealed: source.sealedSecret,
    })
    .onConflict('base_url')
    .merge(['name', 'client_id', 'client_secret_sealed'])
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('a source could not be stored');
  return row.id;
}

export async function moveSource(db: Db, clientId: string, baseUrl: string): Promise<void> {
  await db('sources').where({ client_id: clientId }).update({ base_url: baseUrl });
}
