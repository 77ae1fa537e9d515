import type { Trx } from '../../kit';
import type { Change } from './changeLogStore';
import type { ResultNeutral } from './neutral';
import type { Written } from './recordStore';

interface Row {
  external_id: string;
  student_id: string;
  item_id: string;
  course_id: string;
  at: Date;
  status: string;
  earned: number | null;
  late: boolean;
  levels: Record<string, number>;
  standing: {
    at: string;
    status: string;
    earned: number | null;
    late: boolean;
    levels: Record<string, number>;
  } | null;
}

const joined = `
  with r as (
    select * from jsonb_to_recordset(:rows::jsonb) as r(
      id text, student_id text, item_id text, at timestamptz, status text, earned float8, late boolean, levels jsonb)
  )
  select r.id as external_id, s.id as student_id, i.id as item_id, i.course_id,
    r.at, r.status, r.earned, r.late, r.levels, to_jsonb(last) as standing
  from r
  join students s on s.source_id = :sourceId and s.external_id = r.student_id
  join items i on i.source_id = :sourceId and i.external_id = r.item_id
  left join lateral (
    select at, status, earned, late, levels from results
    where student_id = s.id and item_id = i.id order by at desc, seq desc limit 1
  ) last on true`;

const sameLevels = (a: Record<string, number>, b: Record<string, number>): boolean =>
  Object.keys(a).length === Object.keys(b).length && Object.keys(a).every((key) => a[key] === b[key]);

/** Whether a record says something that the history does not say yet. */
function isNews({ at, status, earned, late, levels, standing }: Row): boolean {
  if (!standing) return true;
  if (at.getTime() < Date.parse(standing.at)) return false;
  const same = standing.status === status && standing.earned === earned && standing.late === late;
  return !(same && sameLevels(standing.levels, levels));
}

const changeOf = ({ student_id, course_id, item_id, at, status, earned, standing }: Row): Change => ({
  kind: 'result',
  studentId: student_id,
  courseId: course_id,
  itemId: item_id,
  at: at.toISOString(),
  before: standing && { status: standing.status, earned: standing.earned },
  after: { status, earned },
});

/**
 * Appends to the history what differs from each work's standing result; never changes what is there.
 * @param knownAt from when on it is known; null for what a first reading brings.
 */
export async function writeResults(
  trx: Trx,
  sourceId: string,
  records: readonly ResultNeutral[],
  knownAt: Date | null = null,
): Promise<Written> {
  const last = new Map(records.map((record) => [`${record.student_id}:${record.item_id}`, record]));
  const { rows } = await trx.raw<{ rows: Row[] }>(joined, {
    rows: JSON.stringify([...last.values()]),
    sourceId,
  });
  const news = rows.filter(isNews);
  if (news.length > 0) {
    await trx('results').insert(
      news.map(({ student_id, item_id, at, status, earned, late, levels }) => ({
        student_id,
        item_id,
        at,
        status,
        earned,
        late,
        levels: JSON.stringify(levels),
        known_at: knownAt,
      })),
    );
  }
  const known = new Set(rows.map((row) => row.external_id));
  // An earlier record of the same work on this page was replaced by a later one: it is dealt with.
  for (const record of records)
    if (last.get(`${record.student_id}:${record.item_id}`) !== record) known.add(record.id);
  return {
    ids: known,
    studentIds: [...new Set(news.map((row) => row.student_id))],
    courseIds: [],
    changes: news.map(changeOf),
  };
}
