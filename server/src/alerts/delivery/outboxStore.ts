import type { Channel, Delivery, DeliveryFault, DeliveryState } from '@cadro/contract';
import { groupBy, ifNobodyElse, inChunks, oneAtATime, type Db, type Trx } from '../../kit';

/** Something that is to go out. */
export interface Outgoing {
  readonly guardianId: string;
  readonly channel: Channel;
  readonly about: Delivery['about'];
  readonly alertId: string | null;
  readonly digestId: string | null;
  /** What goes out once: a second one with the same key is none. */
  readonly key: string;
  readonly told: readonly string[];
  readonly notBefore: Date | null;
}

export interface DeliveryRow {
  readonly id: string;
  readonly guardian_id: string;
  readonly channel: Channel;
  readonly about: Delivery['about'];
  readonly alert_id: string | null;
  readonly digest_id: string | null;
  readonly state: DeliveryState;
  readonly told: string[];
  /** Ids of the devices that have it. */
  readonly reached: string[];
  readonly not_before: Date | null;
  readonly at: Date;
  readonly tries: number;
  readonly fault: DeliveryFault | null;
}

/** Puts down what is to go out. @returns ids of those that were not there before. */
export async function putOut(trx: Db | Trx, out: readonly Outgoing[], now: Date): Promise<string[]> {
  const ids: string[] = [];
  await inChunks(out, async (some) => {
    const rows = await trx('deliveries')
      .insert(
        some.map((each) => ({
          guardian_id: each.guardianId,
          channel: each.channel,
          about: each.about,
          alert_id: each.alertId,
          digest_id: each.digestId,
          key: each.key,
          told: JSON.stringify(each.told),
          not_before: each.notBefore,
          made_at: now,
          at: now,
        })),
      )
      .onConflict(['guardian_id', 'channel', 'key'])
      .ignore()
      .returning<{ id: string }[]>('id');
    ids.push(...rows.map(({ id }) => id));
  });
  return ids;
}

/** What keeps others from something while it is sent; what came of it can be put down meanwhile. */
export const sendingKey = (id: string): string => `sending:${id}`;

/** What of some waits, kept from everyone else while it is sent: not what does not wait, nor what somebody has. */
export async function takeWaiting(trx: Trx, ids: readonly string[]): Promise<DeliveryRow[]> {
  const byKey = new Map(ids.map((id) => [sendingKey(id), id]));
  const free = await ifNobodyElse(trx, [...byKey.keys()]);
  return trx<DeliveryRow>('deliveries')
    .whereIn(
      'id',
      free.map((key) => byKey.get(key) ?? ''),
    )
    .where({ state: 'waiting' })
    .orderBy('seq')
    .select('*');
}

/** A mail that was put out, kept from everyone else for the transaction. */
export async function sentMail(trx: Trx, id: string): Promise<DeliveryRow | undefined> {
  const mail = () => trx<DeliveryRow>('deliveries').where({ id, channel: 'mail' });
  // One that came back before it was put down as sent is waited for; of those that went out with it, none is.
  if ((await mail().first('state'))?.state === 'waiting') await oneAtATime(trx, [sendingKey(id)]);
  return mail().forUpdate().first();
}

/** So much is put into the queue in one round. */
const mostDue = 20_000;

/** What waits and may go out now, oldest first; `seq` counts all that is put out. */
export const dueDeliveries = (db: Db, now: Date): Promise<{ id: string; seq: number }[]> =>
  db('deliveries')
    .where({ state: 'waiting' })
    .where((is) => is.whereNull('not_before').orWhere('not_before', '<=', now))
    .orderBy('seq')
    .limit(mostDue)
    .select('id', db.raw('seq::float8 as seq'));

/** What came of something that was to go out; what is left out stays as it was. */
export interface Outcome {
  readonly id: string;
  readonly state?: DeliveryState;
  readonly fault?: DeliveryFault | null;
  readonly not_before?: Date;
  readonly tries?: number;
  readonly reached?: readonly string[];
}

export async function putOutcomes(db: Db | Trx, outcomes: readonly Outcome[], at: Date): Promise<void> {
  await db.raw(
    `update deliveries d set at = :at, state = coalesce(o.state, d.state),
       fault = case when o.says_fault then o.fault else d.fault end,
       not_before = coalesce(o.not_before, d.not_before), tries = coalesce(o.tries, d.tries),
       reached = coalesce(o.reached, d.reached)
     from jsonb_to_recordset(:outcomes::jsonb) as o(id uuid, state text, fault jsonb, says_fault boolean,
       not_before timestamptz, tries int, reached jsonb)
     where d.id = o.id`,
    {
      at,
      outcomes: JSON.stringify(
        outcomes.map((each) => ({ ...each, fault: each.fault ?? undefined, says_fault: 'fault' in each })),
      ),
    },
  );
}

/** The mails that went out about the same alerts before, oldest first, by alert: a thread hangs on them. */
export async function earlierMails(
  db: Db,
  alertIds: readonly string[],
): Promise<ReadonlyMap<string, readonly string[]>> {
  if (alertIds.length === 0) return new Map();
  const rows = await db('deliveries')
    .whereIn('alert_id', [...new Set(alertIds)])
    .where({ channel: 'mail', state: 'sent' })
    .orderBy('seq')
    .select<{ id: string; alert_id: string }[]>('id', 'alert_id');
  const byAlert = groupBy(rows, (row) => row.alert_id);
  return new Map([...byAlert].map(([alertId, mails]) => [alertId, mails.map(({ id }) => id)]));
}

const view = (row: DeliveryRow): Delivery => ({
  id: row.id,
  channel: row.channel,
  about: row.about,
  alertId: row.alert_id,
  state: row.state,
  at: row.at.toISOString(),
  notBefore: row.not_before && row.not_before.toISOString(),
  tries: row.tries,
  fault: row.fault,
});

/** Something that went or goes out to a guardian. */
export const deliveryOf = async (db: Db, guardianId: string, id: string): Promise<Delivery | null> => {
  const row = await db<DeliveryRow>('deliveries').where({ guardian_id: guardianId, id }).first();
  return row ? view(row) : null;
};

/** What has gone out to a guardian, newest first. */
export async function deliveriesOf(
  db: Db,
  guardianId: string,
  where: { readonly alertIds?: readonly string[]; readonly limit: number },
): Promise<Delivery[]> {
  const rows = await db<DeliveryRow>('deliveries')
    .where({ guardian_id: guardianId })
    .modify((query) => {
      if (where.alertIds) query.whereIn('alert_id', [...where.alertIds]);
    })
    .orderBy('seq', 'desc')
    .limit(where.limit)
    .select('*');
  return rows.map(view);
}

/** How many alerts have gone out to each guardian since an instant; a channel more is no alert more. */
export async function toldSince(
  trx: Trx,
  guardians: readonly { readonly guardianId: string; readonly since: Date }[],
): Promise<Map<string, number>> {
  const rows = await trx.raw<{ rows: { guardian_id: string; count: number }[] }>(
    `select d.guardian_id, count(distinct d.key)::int as count
     from jsonb_to_recordset(?::jsonb) as g("guardianId" uuid, since timestamptz)
     join deliveries d on d.guardian_id = g."guardianId" and d.about = 'alert' and d.made_at >= g.since
     group by d.guardian_id`,
    [JSON.stringify(guardians)],
  );
  return new Map(rows.rows.map(({ guardian_id, count }) => [guardian_id, count]));
}

/** Lets go of what was sent, or could not be, before that instant. */
export async function forgetDeliveries(db: Db, before: Date): Promise<void> {
  await db('deliveries').whereNot({ state: 'waiting' }).where('at', '<', before).delete();
}

/** What was to go out within the last day, by what became of it: for everybody together. */
export async function deliveryCounts(
  db: Db,
): Promise<{ channel: Channel; state: DeliveryState; count: number }[]> {
  const { rows } = await db.raw<{ rows: { channel: Channel; state: DeliveryState; count: number }[] }>(
    `select channel, state, count(*)::int as count from deliveries
     where made_at > (select max(made_at) from deliveries) - interval '1 day' group by 1, 2`,
  );
  return rows;
}
