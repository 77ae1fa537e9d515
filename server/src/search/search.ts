import { foundKinds, type AnswerOf, type Found, type searchRoutes } from '@cadro/contract';
import { excerptOf } from '@cadro/core';
import { announcementsWith } from '../records';
import { followUpsWith } from '../followups';
import { childrenFor } from '../household';
import { wordsIn, type Deps } from '../kit';
import { meetingsWith } from '../meetings';
import { lettersWith } from '../messages';
import { notesWith } from '../notes';
import { assignmentsWith, commentsWith, coursesWith, teachersWith, type FoundRow } from './store';

/** So many are named. */
const most = 60;

/** Kinds in the order in which they are named: of many things one looks for the record, or a person. */
const order: readonly Found['kind'][] = ['course', 'teacher', 'assignment', 'comment'];
const rankOf = ({ kind }: Found): number => (order.includes(kind) ? order.indexOf(kind) : order.length);

type Row = Pick<FoundRow, 'id' | 'student_id' | 'title' | 'text' | 'at'> & {
  readonly course_id?: string | null;
};

/** What is found in the record and in the family's talk, each word in each: people and work first, then the latest. */
export async function searchAll(
  { db, clock }: Deps,
  guardianId: string,
  q: string,
): Promise<AnswerOf<typeof searchRoutes.search>> {
  const words = wordsIn(q);
  if (words.length === 0) return { found: [], more: false };
  const [talking, all] = await Promise.all([
    childrenFor(db, guardianId, 'read-talk'),
    childrenFor(db, guardianId, 'read-record'),
  ]);
  const ofTalk = { studentIds: talking.map(({ id }) => id), words, most };
  const ofRecord = { studentIds: all.map(({ id }) => id), words, most, now: await clock.now() };
  const asked: Readonly<Record<Found['kind'], Promise<readonly Row[]>>> = {
    course: coursesWith(db, ofRecord),
    teacher: teachersWith(db, ofRecord),
    assignment: assignmentsWith(db, ofRecord),
    comment: commentsWith(db, ofRecord),
    letter: lettersWith(db, guardianId, ofTalk),
    'follow-up': followUpsWith(db, guardianId, ofTalk),
    note: notesWith(db, guardianId, ofTalk),
    meeting: meetingsWith(db, guardianId, ofTalk),
    announcement: announcementsWith(db, ofRecord),
  };
  const shown =
    (kind: Found['kind']) =>
    ({ id, student_id, course_id, title, text, at }: Row): Found => ({
      ...{ kind, id, studentId: student_id, courseId: course_id ?? null, title },
      ...{ excerpt: excerptOf(text, words), at: at.toISOString() },
    });
  const rows = await Promise.all(foundKinds.map(async (kind) => (await asked[kind]).map(shown(kind))));
  const found = rows.flat().sort((a, b) => rankOf(a) - rankOf(b) || b.at.localeCompare(a.at));
  return { found: found.slice(0, most), more: found.length > most };
}
