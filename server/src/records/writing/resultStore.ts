import type { Trx } from '../../kit';
import type { Change } from './changeLogStore';
import type { Beside, ResultNeutral } from './neutral';
import { namesOf, type Written } from './recordStore';

interface Row {
  readonly external_id: string;
  /** Null where it says what the history says already. */
  readonly student_id: string | null;
  readonly item_id: string;
  readonly course_id: string;
  readonly at: Date;
  readonly status: string;
  readonly earned: number | null;
  readonly was_status: string | null;
  readonly was_earned: number | null;
}

/**
 * One statement: finds the children and works, compares with what stands, appends what is news. A record is no news where it
 * is older than what stands, or says the same; one that is told as all there is stands whenever it is dated.
 */
const append = (beside: Beside | null): string => `
  with r as (
    select * from jsonb_to_recordset(:rows::jsonb) as r(
      id text, student_id text, item_id text, at timestamptz, status text, earned float8, late boolean, levels jsonb, whole boolean)
  ),
  known as materialized (
    select r.id as external_id, s.id as student_id, i.id as item_id, i.course_id,
      case when r.whole then greatest(r.at, last.at) else r.at end as at, r.status, r.earned, r.late, r.levels,
      last.status as was_status, last.earned as was_earned,
      last.at is null or ((r.whole or r.at >= last.at) and
        (last.status, last.earned, last.late, last.levels) is distinct from (r.status, r.earned, r.late, r.levels)) as is_news
    from r
    join students s on s.source_id = ${namesOf(beside)} and s.external_id = r.student_id
    join items i on i.source_id = :sourceId and i.external_id = r.item_id
    left join lateral (
      select at, status, earned, late, levels from results
      where student_id = s.id and item_id = i.id order by at desc, seq desc limit 1
    ) last on true
  ),
  written as (
    insert into results (student_id, item_id, at, status, earned, late, levels, known_at${beside ? ', household_id' : ''})
    select student_id, item_id, at, status, earned, late, levels, :knownAt::timestamptz${beside ? ', :householdId::uuid' : ''} from known where is_news
  )
  select external_id, case when is_news then student_id end as student_id, item_id, course_id, at, status, earned,
    was_status, was_earned
  from known`;

function changeOf(row: Row): Change[] {
  const { student_id: studentId, course_id: courseId, item_id: itemId, at, status, earned } = row;
  if (studentId === null) return [];
  const before = row.was_status === null ? null : { status: row.was_status, earned: row.was_earned };
  const after = { status, earned };
  return [{ kind: 'result', studentId, courseId, itemId, at: at.toISOString(), before, after }];
}

/** Of several records of one child's work the newest stands, of equals the last. */
function lastOfEach(records: readonly ResultNeutral[]): Map<string, ResultNeutral> {
  const last = new Map<string, ResultNeutral>();
  for (const record of records) {
    const key = `${record.student_id}:${record.item_id}`;
    const before = last.get(key);
    if (!before || record.at >= before.at) last.set(key, record);
  }
  return last;
}

/**
 * Appends to the history what differs from each work's standing result; never changes what is there.
 * @param knownAt from when on it is known; null for what a first reading brings.
 */
export async function writeResults(
  trx: Trx,
  sourceId: string,
  records: readonly ResultNeutral[],
  knownAt: Date | null = null,
  beside: Beside | null = null,
): Promise<Written> {
  const last = lastOfEach(records);
  const { rows } = await trx.raw<{ rows: Row[] }>(append(beside), {
    rows: JSON.stringify([...last.values()]),
    sourceId,
    knownAt,
    ...(beside ? { besideId: beside.sourceId, householdId: beside.householdId } : {}),
  });
  const ids = new Set(rows.map(({ external_id }) => external_id));
  // An earlier record of the same work on this page was replaced by a later one: it is dealt with.
  for (const record of records)
    if (last.get(`${record.student_id}:${record.item_id}`) !== record) ids.add(record.id);
  return {
    ids,
    studentIds: [...new Set(rows.flatMap(({ student_id }) => student_id ?? []))],
    courseIds: [],
    changes: rows.flatMap(changeOf),
  };
}
