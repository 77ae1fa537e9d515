import type { CalendarLayer } from '@cadro/contract';
import type { GivenEvent } from '@cadro/core/ical';
import { inChunks, type Db, type Trx } from '../../kit';

export interface FeedRow {
  readonly id: string;
  readonly guardian_id: string;
  readonly name: string;
  readonly token_sealed: string;
  readonly layers: CalendarLayer[];
  readonly student_ids: string[];
  readonly created_at: Date;
  readonly read_at: Date | null;
}
const columns = 'id guardian_id name token_sealed layers student_ids created_at read_at'.split(' ');

export const feedsOf = (db: Db, guardianId: string): Promise<FeedRow[]> =>
  db('calendar_feeds')
    .where({ guardian_id: guardianId })
    .orderBy(['created_at', 'id'])
    .select<FeedRow[]>(columns);

export const feedByToken = (db: Db, tokenHash: string): Promise<FeedRow | undefined> =>
  db('calendar_feeds').where({ token_hash: tokenHash }).first<FeedRow | undefined>(columns);

/** Locks a subscription, so that two readings at once do not count one change twice; false when it is gone. */
export const lockFeed = async (trx: Trx, tokenHash: string): Promise<boolean> =>
  (await trx('calendar_feeds').where({ token_hash: tokenHash }).forUpdate().first('id')) !== undefined;

export interface FeedFields {
  readonly name: string;
  readonly layers: readonly CalendarLayer[];
  readonly studentIds: readonly string[];
}
const fieldsOf = ({ name, layers, studentIds }: FeedFields) => ({
  name,
  layers: JSON.stringify(layers),
  student_ids: JSON.stringify(studentIds),
});
export interface Token {
  readonly token_hash: string;
  readonly token_sealed: string;
}

export async function insertFeed(
  db: Db,
  guardianId: string,
  fields: FeedFields,
  token: Token,
  at: Date,
): Promise<FeedRow> {
  const [row] = await db('calendar_feeds')
    .insert({ guardian_id: guardianId, ...fieldsOf(fields), ...token, created_at: at })
    .returning<FeedRow[]>(columns);
  if (!row) throw new Error('a subscription could not be stored');
  return row;
}

/** Undefined where the guardian has no such subscription. */
export const changeFeed = async (
  db: Db,
  key: { guardianId: string; feedId: string },
  change: FeedFields | Token,
): Promise<FeedRow | undefined> => {
  const [row] = await db('calendar_feeds')
    .where({ id: key.feedId, guardian_id: key.guardianId })
    .update('name' in change ? fieldsOf(change) : change)
    .returning<FeedRow[]>(columns);
  return row;
};

export const deleteFeed = async (
  db: Db,
  { guardianId, feedId }: { guardianId: string; feedId: string },
): Promise<boolean> =>
  (await db('calendar_feeds').where({ id: feedId, guardian_id: guardianId }).delete()) === 1;

/** All that a subscriber has been given. */
export const givenTo = async (trx: Trx, feedId: string): Promise<GivenEvent[]> => {
  const rows = await trx('calendar_published')
    .where({ feed_id: feedId })
    .select<{ uid: string; sequence: number; content: string; changed_at: Date; cancelled: boolean }[]>(
      'uid',
      'sequence',
      'content',
      'changed_at',
      'cancelled',
    );
  return rows.map(({ changed_at, ...rest }) => ({ ...rest, changedAt: changed_at.toISOString() }));
};

export async function saveGiven(
  trx: Trx,
  feedId: string,
  changed: readonly GivenEvent[],
  at: Date,
): Promise<void> {
  const rows = changed.map(({ uid, sequence, content, changedAt, cancelled }) => ({
    ...{ feed_id: feedId, uid, sequence, content, changed_at: changedAt, cancelled },
  }));
  await inChunks(rows, (some) =>
    trx('calendar_published').insert(some).onConflict(['feed_id', 'uid']).merge(),
  );
  await trx('calendar_feeds').where({ id: feedId }).update({ read_at: at });
}
