import { wantsAnswer, type SchoolWish } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { readAnnouncement, type ReadAnnouncement } from '@cadro/core/announced';
import { LRUCache } from 'lru-cache';
import { endOfDay } from '../kit';
import type { AnnouncementRow } from '../records';

/** An announcement with what it wants: as the school states it, else as its words tell it. */
export interface Understood {
  readonly row: AnnouncementRow;
  readonly said: ReadAnnouncement;
  readonly wish: SchoolWish;
  /** Whether the school itself states it. */
  readonly stated: boolean;
  readonly by: Date | null;
  readonly helpers: boolean;
}

/** Reading takes most of a millisecond, and a school's announcement is every family's: each is read once. */
const readOnce = new LRUCache<string, ReadAnnouncement>({ max: 2_000 });

/** What the words of an announcement tell, by the calendar of the school. */
function wordsOf({ text, time_zone, posted_at }: AnnouncementRow): ReadAnnouncement {
  const postedOn = dateIn(time_zone, posted_at);
  const key = `${postedOn} ${text}`;
  const known = readOnce.get(key) ?? readAnnouncement(text, postedOn);
  readOnce.set(key, known);
  return known;
}

/** What the words ask for. Between what one may choose they do not tell well enough: that is a line of one's own. */
function wishOf({ asks, parts }: ReadAnnouncement): SchoolWish {
  if (asks === 'choice') return { kind: 'line' };
  if (asks !== null) return { kind: asks };
  if (parts.some(({ kind }) => kind === 'bring')) return { kind: 'bring' };
  return { kind: parts.length > 0 ? 'date' : 'nothing' };
}

/** What an announcement wants. */
export function understood(row: AnnouncementRow): Understood {
  const said = wordsOf(row);
  const wish = row.wish ?? wishOf(said);
  const last = said.parts.find(({ kind }) => kind === 'deadline')?.on ?? null;
  const readBy = last === null || !wantsAnswer(wish) ? null : endOfDay(last, row.time_zone);
  return {
    ...{ row, said, wish, stated: row.wish !== null },
    by: row.answer_by ?? readBy,
    helpers: row.helpers ?? said.helpers,
  };
}

/** Whether an answer still counts: it is wanted, nobody took the question back, and the last day is not over. */
export const isOpen = ({ row, wish, by }: Understood, now: Date): boolean =>
  wantsAnswer(wish) && !row.gone && (by === null || now <= by);
