import type { CommentSeen, FinalGrade, Known } from '@cadro/core';
import { endOfDay, type Db } from '../kit';
import { commentColumns, commentFacts, type CommentRow } from './commentStore';
import { knownAtMs } from './figures/known';

interface SeenRow extends Omit<CommentRow, 'answers'> {
  readonly known_at: Date | null;
  readonly source_name: string;
  readonly term_external_id: string | null;
  readonly time_zone: string;
  /** Households that have dismissed something in it. */
  readonly dismissed: { household_id: string; place: number }[] | null;
}

/** What teachers wrote about the children since an instant: one query. Offers are those the household left standing. */
export async function commentsSeen(
  db: Db,
  studentIds: readonly string[],
  since: Date,
): Promise<(studentId: string, householdId: string) => Known<CommentSeen>[]> {
  const rows = await db('student_comments as m')
    .join('source_states as src', 'src.source_id', 'm.source_id')
    .whereIn('m.student_id', [...studentIds])
    .where('m.written_at', '>=', since)
    .orderBy([{ column: 'm.written_at' }, { column: 'm.comment_id' }])
    .select<SeenRow[]>(
      ...commentColumns,
      'm.known_at',
      'src.name as source_name',
      'm.term_external_id',
      'm.time_zone',
      db.raw(
        `(select jsonb_agg(jsonb_build_object('household_id', a.household_id, 'place', a.place))
          from offer_answers a where a.student_id = m.student_id and a.comment_id = m.comment_id
            and a.answer = 'dismissed') as dismissed`,
      ),
    );
  const seen = (row: SeenRow, householdId: string): Known<CommentSeen> => ({
    knownAtMs: knownAtMs(row.known_at, row.written_at),
    value: {
      ...commentFacts(row),
      id: row.id,
      sourceName: row.source_name,
      term: row.term_external_id,
      offers: (row.offers ?? []).flatMap(({ until, credit }, place) => {
        const gone = row.dismissed?.some((each) => each.household_id === householdId && each.place === place);
        return until && !gone ? [{ untilMs: endOfDay(until, row.time_zone).getTime(), credit }] : [];
      }),
    },
  });
  return (studentId, householdId) =>
    rows.filter(({ student_id }) => student_id === studentId).map((row) => seen(row, householdId));
}

/** The figures that schools have stored for good: one query. */
export async function finalGrades(
  db: Db,
  studentIds: readonly string[],
): Promise<(studentId: string) => Known<FinalGrade>[]> {
  const rows = await db('student_grades as g')
    .join('source_states as src', 'src.source_id', 'g.source_id')
    .whereIn('g.student_id', [...studentIds])
    .where({ 'g.state': 'final' })
    .orderBy(['g.reported_at', 'g.course_id', 'g.part'])
    .select<
      {
        student_id: string;
        course_id: string;
        course_title: string;
        part: string;
        term_title: string | null;
        figure: number | null;
        letter: string | null;
        reported_at: Date;
        known_at: Date | null;
        source_name: string;
      }[]
    >(
      'g.student_id',
      'g.course_id',
      'g.course_title',
      'g.part',
      'g.term_title',
      'g.figure',
      'g.letter',
      'g.reported_at',
      'g.known_at',
      'src.name as source_name',
    );
  return (studentId) =>
    rows
      .filter(({ student_id }) => student_id === studentId)
      .map((row) => ({
        knownAtMs: knownAtMs(row.known_at, row.reported_at),
        value: {
          courseId: row.course_id,
          courseTitle: row.course_title,
          term: row.part,
          termTitle: row.term_title ?? '',
          figure: row.figure,
          letter: row.letter,
          reportedAt: row.reported_at.toISOString(),
          sourceName: row.source_name,
        },
      }));
}
