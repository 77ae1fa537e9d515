import type { Db } from '../kit';

export interface NewsLook {
  /** Since when what came is new to the guardian in the sitting of the last look; null in the first one. */
  readonly since: Date | null;
  readonly seen_at: Date;
}

/** The guardian's last look at what is new; undefined where there was none. */
export const newsLook = (db: Db, guardianId: string): Promise<NewsLook | undefined> =>
  db('news_looks').where({ guardian_id: guardianId }).first<NewsLook | undefined>('since', 'seen_at');

/**
 * Puts down that the guardian has seen what came up to an instant. Within one sitting what was new stays marked so;
 * the next sitting begins where this one ended.
 * @param sittingMs for so long after a look the next one is of the same sitting.
 */
export async function putNewsLook(
  db: Db,
  guardianId: string,
  { upTo, sittingMs }: { readonly upTo: Date; readonly sittingMs: number },
): Promise<void> {
  await db.raw(
    `insert into news_looks as n (guardian_id, since, seen_at) values (:guardianId, null, :upTo)
     on conflict (guardian_id) do update set
       since = case when excluded.seen_at - n.seen_at > :sitting * interval '1 millisecond' then n.seen_at else n.since end,
       seen_at = greatest(n.seen_at, excluded.seen_at)`,
    { guardianId, upTo, sitting: sittingMs },
  );
}
