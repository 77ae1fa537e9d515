import { wantsAnswer, type SchoolWish } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import { readAnnouncement, type ReadAnnouncement } from '@cadro/core/announced';
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

/** What the words ask for. Between what one may choose they do not tell well enough: that is a line of one's own. */
function wishOf({ asks, parts }: ReadAnnouncement): SchoolWish {
  if (asks === 'choice') return { kind: 'line' };
  if (asks !== null) return { kind: asks };
  if (parts.some(({ kind }) => kind === 'bring')) return { kind: 'bring' };
  return { kind: parts.length > 0 ? 'date' : 'nothing' };
}

/** What an announcement wants; its words are read by the calendar of the school. */
export function understood(row: AnnouncementRow): Understood {
  const said = readAnnouncement(row.text, dateIn(row.time_zone, row.posted_at));
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
