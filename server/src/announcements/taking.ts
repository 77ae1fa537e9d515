import type { Announcement, EntryBody } from '@cadro/contract';
import { householdOf, requireWriter } from '../household';
import { HttpProblem } from '../kit';
import * as store from './store';
import { announcementFor, type AnnouncementDeps } from './view';

/** What a part becomes: something to buy or pack, an event, or a reminder of a last day. */
function entryOf(announcement: Announcement, part: Announcement['parts'][number]): EntryBody {
  const { title, text, studentIds } = announcement;
  const common = { text: text.slice(0, 4000), studentIds, shared: true, on: part.on };
  if (part.kind === 'bring') return { ...common, kind: 'supply', title: (part.what ?? title).slice(0, 200) };
  if (part.kind === 'deadline') return { ...common, kind: 'reminder', title: title.slice(0, 200) };
  const { startsAt, endsAt, lastOn } = part;
  return { ...common, kind: 'event', title: title.slice(0, 200), startsAt, endsAt, lastOn };
}

async function partOf(deps: AnnouncementDeps, guardianId: string, announcementId: string, key: string) {
  const announcement = await announcementFor(deps, guardianId, announcementId);
  const part = announcement.parts.find((each) => each.key === key);
  if (!part) throw new HttpProblem('not-found');
  await requireWriter(deps.db, guardianId, announcement.studentIds);
  return { announcement, part };
}

/** Takes a part into the family's calendar; one that is there already stays as it is. */
export async function takePart(
  deps: AnnouncementDeps,
  guardianId: string,
  announcementId: string,
  key: string,
): Promise<Announcement> {
  const { announcement, part } = await partOf(deps, guardianId, announcementId, key);
  if (part.entryId !== null) return announcement;
  const { id: householdId } = await householdOf(deps.db, guardianId);
  const entryId = await deps.taken.enter(deps, guardianId, entryOf(announcement, part));
  await store.putTake(deps.db, householdId, {
    announcement_id: announcementId,
    part: key,
    entry_id: entryId,
  });
  return announcementFor(deps, guardianId, announcementId);
}

/** Undoes it: the entry goes, with what was written into it since. */
export async function leavePart(
  deps: AnnouncementDeps,
  guardianId: string,
  announcementId: string,
  key: string,
): Promise<Announcement> {
  const { part } = await partOf(deps, guardianId, announcementId, key);
  const { id: householdId } = await householdOf(deps.db, guardianId);
  if (part.entryId !== null) await deps.taken.remove(deps, guardianId, part.entryId);
  await store.dropTake(deps.db, householdId, { announcement_id: announcementId, part: key });
  return announcementFor(deps, guardianId, announcementId);
}
