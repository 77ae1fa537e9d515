import type { CommentSeen, GradeSeen, Known } from '@cadro/core';
import { endOfDay, type Db } from '../kit';
import { commentColumns, commentFacts, type CommentRow } from './commentStore';
import { knownAtMs } from './figures/known';

interface SeenRow extends Omit<CommentRow, 'answers' | 'status' | 'status_at' | 'seen_at'> {
  readonly known_at: Date | null;
  readonly source_name: string;
  readonly term_external_id: string | null;
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

interface StatementRow {
  readonly student_id: string;
  readonly course_id: string;
  readonly course_title: string;
  readonly part: string;
  readonly term_title: string | null;
  readonly final: boolean;
  readonly figure: number | null;
  readonly fraction: number | null;
  readonly letter: string | null;
  readonly reported_at: Date;
  readonly known_at: Date | null;
  readonly source_name: string;
}

/** All that schools have stated of the children's courses since an instant, by time, and all they have stored: one query. */
export async function gradesSeen(
  db: Db,
  studentIds: readonly string[],
  since: Date,
): Promise<(studentId: string) => Known<GradeSeen>[]> {
  const rows = await db('student_statements as g')
    .join('source_states as src', 'src.source_id', 'g.source_id')
    .whereIn('g.student_id', [...studentIds])
    .where((is) => is.where('g.state', 'final').orWhere('g.reported_at', '>=', since))
    .orderBy(['g.reported_at', 'g.course_title', 'g.course_id', 'g.part', 'g.figure'])
    .select<StatementRow[]>(
      'g.student_id',
      'g.course_id',
      'g.course_title',
      'g.part',
      'g.term_title',
      db.raw(`g.state = 'final' as final`),
      'g.figure',
      'g.fraction',
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
          final: row.final,
          figure: row.figure,
          fraction: row.fraction,
          letter: row.letter,
          at: row.reported_at.toISOString(),
          sourceName: row.source_name,
        },
      }));
}
