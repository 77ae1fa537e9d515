import type { Announcement, GivenAnswer } from '@cadro/contract';
import { childrenFor, householdOf } from '../household';
import { HttpProblem, type Db, type Deps } from '../kit';
import { letterStates } from '../messages';
import { announcementsOf, type AnnouncementRow } from '../records';
import * as store from './store';
import type { TakenInto } from './takenInto';
import { isOpen, understood, type Understood } from './wishes';

export interface AnnouncementDeps extends Deps {
  readonly taken: TakenInto;
}

interface Beside {
  readonly guardianId: string;
  readonly now: Date;
  readonly state: store.StateRow | undefined;
  readonly answers: readonly GivenAnswer[];
  /** Entries by the part they were taken from. */
  readonly entries: ReadonlyMap<string, string>;
}

function viewOf(one: Understood, { now, state, answers, entries }: Beside): Announcement {
  const { row, said, wish, stated, by, helpers } = one;
  const { receiver_id: id, receiver_name: name } = row;
  return {
    ...{ id: row.id, studentIds: row.student_ids, schoolName: row.school_name },
    ...{ courseTitle: row.course_title, title: row.title, text: row.text },
    postedAt: row.posted_at.toISOString(),
    takenBack: row.gone,
    ...{ wish, stated, by: by?.toISOString() ?? null, open: isOpen(one, now), helpers, href: row.href },
    answerTo: id !== null && name !== null ? { id, name } : null,
    parts: said.parts.map((part) => ({ ...part, entryId: entries.get(part.key) ?? null })),
    answers: [...answers],
    ...{
      read: state?.read ?? false,
      kept: state?.kept ?? false,
      archived: state?.archived ?? false,
    },
  };
}

async function answersFor(
  { db }: Deps,
  guardianId: string,
  householdId: string,
  ids: readonly string[],
): Promise<ReadonlyMap<string, readonly GivenAnswer[]>> {
  const rows = await store.answersOf(db, householdId, ids);
  const letters = await letterStates(
    db,
    rows.flatMap(({ message_id }) => message_id ?? []),
  );
  const found = new Map<string, GivenAnswer[]>();
  for (const row of rows) {
    const letter = letters.find(({ id }) => id === row.message_id);
    const answer: GivenAnswer = {
      ...{ studentId: row.student_id, answer: row.answer, note: row.note, author: row.author },
      ...{ mine: row.guardian_id === guardianId, at: row.at.toISOString(), version: row.version },
      ...{ threadId: letter?.thread_id ?? null, letter: letter?.state ?? null },
    };
    found.set(row.announcement_id, [...(found.get(row.announcement_id) ?? []), answer]);
  }
  return found;
}

/** The newest, and what the guardian keeps of older ones. */
async function toldTo(
  db: Db,
  guardianId: string,
  studentIds: readonly string[],
  { ids }: { readonly ids?: readonly string[] },
): Promise<AnnouncementRow[]> {
  if (ids) return announcementsOf(db, studentIds, { ids });
  const [newest, kept] = await Promise.all([announcementsOf(db, studentIds), store.keptBy(db, guardianId)]);
  const older = kept.filter((id) => newest.every((row) => row.id !== id));
  return older.length === 0
    ? newest
    : [...newest, ...(await announcementsOf(db, studentIds, { ids: older }))];
}

/** Announcements for this guardian's children, with what the household made of them: a bounded number of queries. */
export async function announcementsFor(
  deps: AnnouncementDeps,
  guardianId: string,
  only: { readonly ids?: readonly string[] } = {},
): Promise<Announcement[]> {
  const { db, clock, taken } = deps;
  const [now, children, { id: householdId }] = await Promise.all([
    clock.now(),
    childrenFor(db, guardianId, 'read-record'),
    householdOf(db, guardianId),
  ]);
  const rows = await toldTo(
    db,
    guardianId,
    children.map(({ id }) => id),
    only,
  );
  const ids = rows.map(({ id }) => id);
  const [states, answers, takes] = await Promise.all([
    store.statesOf(db, guardianId, ids),
    answersFor(deps, guardianId, householdId, ids),
    store.takesOf(db, householdId, ids),
  ]);
  const standing = await taken.standing(
    deps,
    takes.map(({ entry_id }) => entry_id),
  );
  return rows.map((row) => {
    const state = states.find(({ announcement_id }) => announcement_id === row.id);
    const own = takes.filter(
      ({ announcement_id, entry_id }) => announcement_id === row.id && standing.has(entry_id),
    );
    const entries = new Map(own.map(({ part, entry_id }) => [part, entry_id]));
    return viewOf(understood(row), { guardianId, now, state, answers: answers.get(row.id) ?? [], entries });
  });
}

/** @throws HttpProblem 404 for one that is for none of the guardian's children. */
export async function announcementFor(
  deps: AnnouncementDeps,
  guardianId: string,
  id: string,
): Promise<Announcement> {
  const [found] = await announcementsFor(deps, guardianId, { ids: [id] });
  if (!found) throw new HttpProblem('not-found');
  return found;
}

/** Kept before all else, then the newest. */
export const inOrder = (announcements: readonly Announcement[]): Announcement[] => [
  ...announcements.filter(({ kept }) => kept),
  ...announcements.filter(({ kept }) => !kept),
];
