import type { CalendarFeed, FeedBody, ImportedCalendar } from '@cadro/contract';
import { type Config, hashToken, HttpProblem, newToken, seal, unseal, type Deps } from '../../kit';
import { childrenFor } from '../../household';
import { viewerOf } from '../viewer';
import * as store from './feedStore';
import { importsOf } from './importStore';

export interface FeedDeps extends Deps {
  readonly config: Config;
}

function feedView({ config }: FeedDeps, row: store.FeedRow): CalendarFeed {
  const { id, name, layers, student_ids: studentIds, created_at, read_at } = row;
  const token = unseal(config.secret, row.token_sealed);
  return {
    ...{ id, name, layers, studentIds },
    url: `${config.publicUrl}/calendar/${token}/cadro.ics`,
    createdAt: created_at.toISOString(),
    readAt: read_at && read_at.toISOString(),
  };
}

/** The hash finds the subscription; the sealed token is for its owner to see the address again. */
function tokenFor({ config }: FeedDeps): store.Token {
  const token = newToken();
  return { token_hash: hashToken(token), token_sealed: seal(config.secret, token) };
}

/** @throws HttpProblem 404 for a child that is not linked. */
async function requireLinked({ db }: FeedDeps, guardianId: string, { studentIds }: FeedBody): Promise<void> {
  const linked = new Set((await childrenFor(db, guardianId, 'read-record')).map(({ id }) => id));
  if (studentIds.some((id) => !linked.has(id))) throw new HttpProblem('not-found');
}

export async function elsewhereOf(
  deps: FeedDeps,
  guardianId: string,
): Promise<{ feeds: CalendarFeed[]; imports: ImportedCalendar[] }> {
  const viewer = await viewerOf(deps, guardianId);
  const [feeds, imports] = await Promise.all([
    store.feedsOf(deps.db, guardianId),
    importsOf(deps.db, viewer),
  ]);
  return {
    feeds: feeds.map((row) => feedView(deps, row)),
    imports: imports.map(({ id, student_id, name, author, at, report, ...more }) => ({
      ...{ id, studentId: student_id, name, author, report },
      at: at.toISOString(),
      followed:
        more.address_sealed === null
          ? null
          : {
              failingSince: more.failing_since?.toISOString() ?? null,
              ...{ failure: more.failure, asWork: more.as_work },
            },
    })),
  };
}

export async function createFeed(deps: FeedDeps, guardianId: string, body: FeedBody): Promise<CalendarFeed> {
  await requireLinked(deps, guardianId, body);
  const row = await store.insertFeed(deps.db, guardianId, body, tokenFor(deps), await deps.clock.now());
  return feedView(deps, row);
}

const found = <T>(row: T | undefined): T => {
  if (!row) throw new HttpProblem('not-found');
  return row;
};

/** @throws HttpProblem 404 where the guardian has no such subscription. */
export async function changeFeed(
  deps: FeedDeps,
  key: { guardianId: string; feedId: string },
  body: FeedBody,
): Promise<CalendarFeed> {
  await requireLinked(deps, key.guardianId, body);
  return feedView(deps, found(await store.changeFeed(deps.db, key, body)));
}

/** A new address; the old one is dead at once. What the subscriber has been given stays known. */
export const renewFeed = async (
  deps: FeedDeps,
  key: { guardianId: string; feedId: string },
): Promise<CalendarFeed> => feedView(deps, found(await store.changeFeed(deps.db, key, tokenFor(deps))));

export async function revokeFeed(deps: FeedDeps, key: { guardianId: string; feedId: string }): Promise<void> {
  if (!(await store.deleteFeed(deps.db, key))) throw new HttpProblem('not-found');
}
