import type { Db } from '../kit';

export interface SourceState {
  readonly name: string;
  readonly baseUrl: string;
  /** The last whole reading; null of what a family writes itself, which nobody reads. */
  readonly readAt: Date | null;
}

/** What sources are called and where they are, by id. */
export async function sourceStates(
  db: Db,
  ids: readonly string[],
): Promise<(sourceId: string) => SourceState> {
  const rows = await db('sources')
    .whereIn('id', [...ids])
    .select<(SourceState & { id: string })[]>(
      ...['id', 'name', 'base_url as baseUrl'],
      db.raw(`case when kind <> 'own' then read_at end as "readAt"`),
    );
  const byId = new Map(rows.map((row) => [row.id, row]));
  return (sourceId) => byId.get(sourceId) ?? { name: '', baseUrl: '', readAt: null };
}

/** A reading follows the clock by itself; the next comes within this. */
const justNowMs = 20 * 60_000;

/**
 * The sources, whatever they are, that have been read whole once, are not being read, and have not been just now: what
 * the clock changes of their children is so whether anything is read or not.
 */
export const restingSources = (db: Db, now: Date): Promise<string[]> =>
  db('sources')
    .whereNotNull('complete_at')
    .whereNull('progress')
    .where((is) =>
      is.whereNot({ kind: 'interface' }).orWhere('read_at', '<', new Date(now.getTime() - justNowMs)),
    )
    .pluck('id');
