import type { ImportReport } from '@cadro/contract';
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
    .select<ImportRow[]>('id', 'student_id', 'name', 'author', 'at', 'report');

interface ImportedRow {
  readonly importId: string;
  readonly studentId: string | null;
  readonly name: string;
  readonly uid: string;
  readonly component: string;
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
    .select<ImportedRow[]>('m.id as importId', 'm.student_id as studentId', 'm.name', 'v.uid', 'v.component');
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

/** Puts a file's events in the place of what stood under its name. */
export async function replaceImport(
  trx: Trx,
  key: ImportKey,
  { author, at, report }: { author: string; at: Date; report: ImportReport },
  events: readonly ReadEvent[],
): Promise<void> {
  await importOf(trx, key).delete();
  const [row] = await trx('calendar_imports')
    .insert({
      household_id: key.householdId,
      student_id: key.studentId,
      name: key.name,
      ...{ author, at, report: JSON.stringify(report) },
    })
    .returning<{ id: string }[]>('id');
  const rows = events.map(({ uid, component, firstOn, lastOn }) => ({
    ...{ import_id: row?.id, uid, component, first_on: firstOn, last_on: lastOn },
  }));
  await inChunks(rows, (some) => trx('imported_events').insert(some));
}

export const deleteImport = async (db: Db, importId: string): Promise<void> => {
  await db('calendar_imports').where({ id: importId }).delete();
};
