import type { AnswerOf, Found, talkRoutes } from '@cadro/contract';
import { excerptOf } from '@cadro/core';
import { announcementsWith } from '../records';
import { followUpsWith } from '../followups';
import { childrenFor } from '../household';
import { wordsIn, type Deps } from '../kit';
import { meetingsWith } from '../meetings';
import { lettersWith } from '../messages';
import { notesWith } from '../notes';

/** So many are named. */
const most = 60;

/** Letters, follow-ups, announcements, notes and meetings of the family in which each word stands, the latest first. */
export async function searchTalk(
  { db }: Deps,
  guardianId: string,
  q: string,
): Promise<AnswerOf<typeof talkRoutes.search>> {
  const words = wordsIn(q);
  if (words.length === 0) return { found: [], more: false };
  const [talking, all] = await Promise.all([
    childrenFor(db, guardianId, 'read-talk'),
    childrenFor(db, guardianId, 'read-record'),
  ]);
  const ids = talking.map(({ id }) => id);
  const [letters, followUps, notes, meetings, announcements] = await Promise.all([
    lettersWith(db, guardianId, { studentIds: ids, words, most }),
    followUpsWith(db, guardianId, { studentIds: ids, words, most }),
    notesWith(db, guardianId, { studentIds: ids, words }),
    meetingsWith(db, guardianId, { studentIds: ids, words }),
    announcementsWith(db, { studentIds: all.map(({ id }) => id), words, most }),
  ]);
  const shown =
    (kind: Found['kind']) =>
    ({ id, student_id, title, text, at }: (typeof letters)[number]): Found => ({
      ...{ kind, id, studentId: student_id, title },
      ...{ excerpt: excerptOf(text, words), at: at.toISOString() },
    });
  const found = [
    ...letters.map(shown('letter')),
    ...followUps.map(shown('follow-up')),
    ...notes.map(shown('note')),
    ...meetings.map(shown('meeting')),
    ...announcements.map(shown('announcement')),
  ].sort((a, b) => b.at.localeCompare(a.at));
  return { found: found.slice(0, most), more: found.length > most };
}
