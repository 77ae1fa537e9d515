import type { ImportReport, SourceFailure } from '@cadro/contract';
import type { DateRange } from '@cadro/core';
import type { ReadEvent } from '@cadro/core/ical';
import { inChunks, type Db, type Trx } from '../../kit';
import type { Viewer } from '../viewer';

interface ImportRow {
  readonly id: string;
  readonly student_id: string | null;
  readonly name: string;
  readonly author: string;
  readonly at: Date;
  readonly report: ImportReport;
  readonly address_sealed: string | null;
  readonly as_work: boolean;
  readonly failing_since: Date | null;
  readonly failure: SourceFailure | null;
}

/** Calendars that a viewer's household has read in, about children whose talk is theirs to read, or about all. */
export const importsOf = (db: Db, { householdId, talk }: Viewer): Promise<ImportRow[]> =>
  db('calendar_imports')
    .where({ household_id: householdId })
    .where((is) =>
      is
        .whereIn(
          'student_id',
          talk.map(({ id }) => id),
        )
        .orWhereRaw('student_id is null and ?', [talk.length > 0]),
    )
    .orderBy('name')
    .select<ImportRow[]>(
      ...['id', 'student_id', 'name', 'author', 'at', 'report', 'address_sealed', 'as_work'],
      ...['failing_since', 'failure'],
    );

interface ImportedRow {
  readonly importId: string;
  readonly studentId: string | null;
  readonly name: string;
  readonly uid: string;
  readonly component: string;
  readonly firstOn: string;
  readonly lastOn: string | null;
}

/** Imported events that can touch the days of a range. */
export const importedBetween = async (
  db: Db,
  viewer: Viewer,
  { from, to }: DateRange,
): Promise<ImportedRow[]> => {
  const imports = await importsOf(db, viewer);
  return db('imported_events as v')
    .join('calendar_imports as m', 'm.id', 'v.import_id')
    .whereIn(
      'v.import_id',
      imports.map(({ id }) => id),
    )
    .where('v.first_on', '<=', to)
    .where((is) => is.whereNull('v.last_on').orWhere('v.last_on', '>=', from))
    .select<ImportedRow[]>(
      ...['m.id as importId', 'm.student_id as studentId', 'm.name', 'v.uid', 'v.component'],
      ...['v.first_on as firstOn', 'v.last_on as lastOn'],
    );
};

export interface ImportKey {
  readonly householdId: string;
  readonly studentId: string | null;
  readonly name: string;
}
const importOf = (db: Db | Trx, { householdId, studentId, name }: ImportKey) =>
  db('calendar_imports').where({ household_id: householdId, student_id: studentId, name });

/** The events that stand under a name, by UID. */
export async function componentsOf(db: Db, key: ImportKey): Promise<ReadonlyMap<string, string>> {
  const rows = await db('imported_events')
    .whereIn('import_id', importOf(db, key).select('id'))
    .select<{ uid: string; component: string }[]>('uid', 'component');
  return new Map(rows.map(({ uid, component }) => [uid, component]));
}

/** Puts a calendar's events in the place of what stood under its name. @returns its id. */
export async function replaceImport(
  trx: Trx,
  key: ImportKey,
  { author, at, report }: { author: string; at: Date; report: ImportReport },
  events: readonly ReadEvent[],
): Promise<string> {
  const told = { author, at, report: JSON.stringify(report) };
  const [known] = await importOf(trx, key).update(told).returning<{ id: string }[]>('id');
  const [made] = known
    ? []
    : await trx('calendar_imports')
        .insert({ household_id: key.householdId, student_id: key.studentId, name: key.name, ...told })
        .returning<{ id: string }[]>('id');
  const id = known?.id ?? made?.id ?? '';
  await trx('imported_events').where({ import_id: id }).delete();
  const rows = events.map(({ uid, component, firstOn, lastOn }) => ({
    ...{ import_id: id, uid, component, first_on: firstOn, last_on: lastOn },
  }));
  await inChunks(rows, (some) => trx('imported_events').insert(some));
  return id;
}

/** From now on a calendar is read at an address. */
export async function followAt(
  trx: Trx,
  id: string,
  { sealed, asWork }: { readonly sealed: string; readonly asWork: boolean },
): Promise<void> {
  await trx('calendar_imports')
    .where({ id })
    .update({ address_sealed: sealed, as_work: asWork, failing_since: null, failure: null });
}

export interface FollowedRow extends ImportRow {
  readonly household_id: string;
  readonly time_zone: string | null;
}

/** Every calendar that is read at an address, with the zone of the child it is about. */
export const followedCalendars = (db: Db, importId?: string): Promise<FollowedRow[]> =>
  db('calendar_imports as m')
    .leftJoin('student_profiles as s', 's.student_id', 'm.student_id')
    .whereNotNull('m.address_sealed')
    .modify((query) => {
      if (importId !== undefined) query.where({ 'm.id': importId });
    })
    .orderBy('m.id')
    .select<FollowedRow[]>('m.*', 's.time_zone');

export async function tellFollowed(
  db: Db,
  id: string,
  failed: { readonly failure: SourceFailure; readonly now: Date } | null,
): Promise<void> {
  await db('calendar_imports')
    .where({ id })
    .update(
      failed
        ? { failing_since: db.raw('coalesce(failing_since, ?)', [failed.now]), failure: failed.failure }
        : { failing_since: null, failure: null },
    );
}

export const deleteImport = async (db: Db, importId: string): Promise<void> => {
  await db('calendar_imports').where({ id: importId }).delete();
};
