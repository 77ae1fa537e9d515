import type { PastFollowUp } from '@cadro/core';
import { dateIn } from '@cadro/core';
import type { Outcome } from '@cadro/contract';
import type { Db } from '../kit';
import type { FollowUpRow } from './store';

interface PastRow {
  readonly title: string;
  readonly course_id: string | null;
  readonly course_title: string | null;
  readonly time_zone: string;
  readonly outcome: Outcome | null;
  readonly updated_at: Date;
  readonly done: readonly { readonly kind: string; readonly step: string | null; readonly at: string }[];
}

/** So many of the latest are looked at. */
const most = 40;

const whatOf = ({ kind, step }: PastRow['done'][number]): PastFollowUp['done'][number]['what'] | null => {
  if (kind === 'written') return 'letter';
  return step === 'agreed' ? 'agreed' : step === 'talked-over' ? 'talk' : null;
};

/** What a household has settled about a child before, with what was done about it. */
export const pastOf = async (
  db: Db,
  { student_id, household_id, id }: Pick<FollowUpRow, 'student_id' | 'household_id' | 'id'>,
): Promise<PastFollowUp[]> => {
  const rows: PastRow[] = await db('followups as f')
    .join('student_profiles as s', 's.student_id', 'f.student_id')
    .leftJoin('school_courses as c', 'c.course_id', 'f.course_id')
    .where({ 'f.student_id': student_id, 'f.household_id': household_id, 'f.step': 'settled' })
    .whereNot({ 'f.id': id })
    .whereNull('f.merged_into')
    .whereNull('f.forgotten_at')
    .orderBy('f.updated_at', 'desc')
    .limit(most)
    .select(
      ...['f.title', 'f.course_id', 'c.title as course_title', 's.time_zone', 'f.outcome', 'f.updated_at'],
      db.raw(`(select json_agg(json_build_object('kind', e.kind, 'step', e.step, 'at', e.at) order by e.id)
        from followup_entries e where e.student_id = f.student_id and e.followup_id = f.id) as done`),
    );
  return rows.map(({ title, course_id, course_title, time_zone, outcome, updated_at, done }) => ({
    ...{ title, courseId: course_id, courseTitle: course_title },
    byRecord: outcome !== null && outcome.by !== 'guardian',
    settledOn: dateIn(time_zone, updated_at),
    done: (done ?? []).flatMap((entry) => {
      const what = whatOf(entry);
      return what ? [{ what, on: dateIn(time_zone, new Date(entry.at)) }] : [];
    }),
  }));
};

/** Follow-ups that are one with another now. */
export const mergedInto = (
  db: Db,
  { student_id, id }: Pick<FollowUpRow, 'student_id' | 'id'>,
): Promise<{ id: string; title: string; version: number }[]> =>
  db('followups').where({ student_id, merged_into: id }).orderBy('title').select('id', 'title', 'version');
