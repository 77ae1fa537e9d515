import { pageOfEvent, type CalendarEvent, type CalendarLayer } from '@cadro/contract';
import { type DateRange, daysAfter } from '@cadro/core';
import { publish, type DraftEvent } from '@cadro/core/ical';
import { hashToken, houseWithin, HttpProblem, personalDb } from '../../kit';
import { writtenApart, type CalendarDeps } from '../apart';
import { eventsOf } from '../calendar';
import { viewerOf, type Viewer } from '../viewer';
import * as store from './feedStore';
import type { FeedRow } from './feedStore';

/** A subscription holds the school year around today. */
const span = { before: 180, after: 400 } as const;

/** What a subscriber is given, with what it is about. */
interface Draft extends DraftEvent {
  readonly layer: CalendarLayer;
  readonly studentIds: readonly string[];
}

/** An event for a program that knows nothing of children and layers: both stand in its words. */
function draftOf(viewer: Viewer, publicUrl: string, event: CalendarEvent): Draft {
  const { studentIds, title } = event;
  const names = viewer.children.filter(({ id }) => studentIds.includes(id)).map(({ givenName }) => givenName);
  const page = pageOfEvent(event);
  return {
    uid: `${event.key}@cadro`,
    layer: event.layer,
    studentIds,
    text: event.detail,
    place: event.place,
    title: names.length > 0 ? `${names.join(', ')}: ${title}` : title,
    href: event.href ?? (page && `${publicUrl}${page}`),
    categories: [viewer.words.layer[event.layer]],
    on: event.on,
    lastOn: event.lastOn,
    startsAt: event.startsAt,
    endsAt: event.endsAt,
    timeZone: event.timeZone,
  };
}

interface Choice {
  readonly layers: readonly CalendarLayer[];
  /** Empty for every linked child. */
  readonly studentIds: readonly string[];
}

const about = (chosen: readonly string[], studentIds: readonly string[]): boolean =>
  chosen.length === 0 || studentIds.length === 0 || studentIds.some((id) => chosen.includes(id));

export interface PublishDeps extends CalendarDeps {
  readonly config: { readonly publicUrl: string };
}

async function drafts(deps: PublishDeps, viewer: Viewer, range: DateRange, choice: Choice): Promise<Draft[]> {
  const events = await eventsOf(deps, viewer, range, choice.layers);
  return events
    .filter(({ studentIds }) => about(choice.studentIds, studentIds))
    .map((event) => draftOf(viewer, deps.config.publicUrl, event));
}

const named = ({ words, children }: Viewer): string =>
  words.daysOf(children.map(({ givenName }) => givenName));

/** A range of days as a file; it stands for itself and is never changed. */
export async function downloadOf(
  deps: PublishDeps,
  guardianId: string,
  range: DateRange,
  layers: readonly CalendarLayer[],
): Promise<string> {
  const viewer = await viewerOf(deps, guardianId);
  const found = await drafts(deps, viewer, range, { layers, studentIds: [] });
  const changedAt = viewer.now.toISOString();
  return writtenApart(deps, guardianId, {
    name: named(viewer),
    events: found.map((draft) => ({ ...draft, sequence: 0, changedAt, cancelled: false })),
  });
}

/**
 * What a subscription holds now. Changes since its last reading are counted, and what is gone is told as cancelled,
 * but for children whose link has ended and for what was taken out of the subscription: of these nothing is said.
 * @throws HttpProblem 404 for an address nobody has, or has any more.
 */
export async function subscriptionOf(deps: PublishDeps, token: string): Promise<string> {
  const hash = hashToken(token);
  const feed = await store.feedByToken(deps.db, hash);
  if (!feed) throw new HttpProblem('not-found');
  // Whoever reads it sees what its owner sees at this moment.
  return contentOf({ ...deps, db: personalDb(deps.db, feed.guardian_id) }, feed, hash);
}

async function contentOf(deps: PublishDeps, feed: FeedRow, hash: string): Promise<string> {
  const viewer = await viewerOf(deps, feed.guardian_id);
  const { today, now, children } = viewer;
  const range = { from: daysAfter(today, -span.before), to: daysAfter(today, span.after) };
  const linked = new Set(children.map(({ id }) => id));
  const choice = { layers: feed.layers, studentIds: feed.student_ids };
  const found = linked.size === 0 ? [] : await drafts(deps, viewer, range, choice);
  const mayTell = ({ layer, studentIds }: Draft): boolean =>
    linked.size > 0 &&
    feed.layers.includes(layer) &&
    studentIds.every((id) => linked.has(id)) &&
    about(feed.student_ids, studentIds);
  const events = await deps.db.transaction(async (trx) => {
    if (!(await store.lockFeed(trx, hash))) throw new HttpProblem('not-found');
    const given = await store.givenTo(trx, feed.id);
    const publication = publish(given, found, { now: now.toISOString(), from: range.from, mayTell });
    // That it was read is put down, whether or not every link of it still stands.
    await houseWithin(trx, () => store.saveGiven(trx, feed.id, publication.changed, now));
    return publication.events;
  });
  return writtenApart(deps, feed.guardian_id, { name: feed.name, events });
}
