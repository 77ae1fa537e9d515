import type { Trx } from '../../kit';
import type { Change } from './changeLogStore';
import type { Beside, ResultNeutral } from './neutral';
import { namesOf, type Written } from './recordStore';

/** What differed, as the change log has it. */
interface News {
  readonly student_id: string;
  readonly item_id: string;
  readonly course_id: string;
  readonly at: string;
  readonly status: string;
  readonly earned: number | null;
  readonly was_status: string | null;
  readonly was_earned: number | null;
}

interface Appended {
  /** Names of records that refer to a child or work that has not come. */
  readonly unknown: readonly string[] | null;
  /** The courses of each child in which anything was news. */
  readonly touched: Readonly<Record<string, readonly string[]>> | null;
  readonly news: readonly News[] | null;
}

/**
 * One statement: finds the children and works, compares with what stands, appends what is news. A record is no news where it
 * is older than what stands, or says the same; one that is told as all there is stands whenever it is dated. What is taken
 * back opens the work where it was the record that scored it, and any other record scores it anew. Of a first reading
 * nothing is news to anybody, and only who is touched comes back.
 */
const append = (beside: Beside | null, isNews: boolean): string => `
  with r as (
    select * from jsonb_to_recordset(:rows::jsonb) as r(
      id text, student_id text, item_id text, at timestamptz, status text, earned float8, late boolean, levels jsonb, whole boolean, gone boolean)
  ),
  known as materialized (
    select r.id as external_id, s.id as student_id, i.id as item_id, i.course_id,
      case when r.whole or is_another then greatest(r.at, last.at) else r.at end as at,
      r.status, r.earned, r.late, r.levels, r.gone, last.seq as last_seq,
      last.status as was_status, last.earned as was_earned,
      s.id is not null and i.id is not null as is_known,
      s.id is not null and i.id is not null and is_meant and
        (last.status, last.earned, last.late, last.levels) is distinct from (r.status, r.earned, r.late, r.levels) as is_news,
      is_meant and (last.external_id, last.taken_back) is distinct from (r.id, r.gone) as is_named
    from r
    left join students s on s.source_id = ${namesOf(beside)} and s.external_id = r.student_id
    left join items i on i.source_id = :sourceId and i.external_id = r.item_id
    left join lateral (
      select seq, at, status, earned, late, levels, external_id, taken_back from results
      where student_id = s.id and item_id = i.id order by at desc, seq desc limit 1
    ) last on true
    cross join lateral (select last.taken_back and not r.gone and last.external_id is distinct from r.id as is_another) a
    cross join lateral (
      select last.at is null or r.gone and last.external_id = r.id
        or (r.whole or is_another or r.at >= last.at) and (not r.gone or last.external_id is null) as is_meant
    ) b
  ),
  named as (
    update results t set external_id = k.external_id, taken_back = k.gone from known k
    where k.is_known and k.is_named and not k.is_news
      and t.student_id = k.student_id and t.item_id = k.item_id and t.seq = k.last_seq
  ),
  written as (
    insert into results (student_id, item_id, at, status, earned, late, levels, external_id, taken_back, known_at${beside ? ', household_id' : ''})
    select student_id, item_id, at, status, earned, late, levels, external_id, gone, :knownAt::timestamptz${beside ? ', :householdId::uuid' : ''} from known where is_news
  )
  select array_agg(external_id) filter (where not is_known) as unknown,
    (select jsonb_object_agg(student_id, courses) from (
      select student_id, array_agg(distinct course_id) as courses from known where is_news group by student_id
    ) of_each) as touched,
    ${
      isNews
        ? `jsonb_agg(jsonb_build_object('student_id', student_id, 'item_id', item_id, 'course_id', course_id, 'at', at,
             'status', status, 'earned', earned, 'was_status', was_status, 'was_earned', was_earned)) filter (where is_news)`
        : 'null::jsonb'
    } as news
  from known`;

function changeOf(news: News): Change {
  const { student_id: studentId, course_id: courseId, item_id: itemId, at, status, earned } = news;
  const before = news.was_status === null ? null : { status: news.was_status, earned: news.was_earned };
  const after = { status, earned };
  return { kind: 'result', studentId, courseId, itemId, at: new Date(at).toISOString(), before, after };
}

/** What was taken back opens no work that another record of it scores. */
const isLater = (record: ResultNeutral, before: ResultNeutral): boolean =>
  record.gone !== before.gone && record.id !== before.id ? before.gone : record.at >= before.at;

/** Of several records of one child's work the newest stands, of equals the last. */
function lastOfEach(records: readonly ResultNeutral[]): Map<string, ResultNeutral> {
  const last = new Map<string, ResultNeutral>();
  for (const record of records) {
    const key = `${record.student_id}:${record.item_id}`;
    const before = last.get(key);
    if (!before || isLater(record, before)) last.set(key, record);
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
  const { rows } = await trx.raw<{ rows: Appended[] }>(append(beside, knownAt !== null), {
    rows: JSON.stringify([...last.values()]),
    sourceId,
    knownAt,
    ...(beside ? { besideId: beside.sourceId, householdId: beside.householdId } : {}),
  });
  const [{ unknown, touched, news } = { unknown: null, touched: null, news: null }] = rows;
  const waiting = new Set(unknown);
  // An earlier record of the same work on this page was replaced by a later one: it is dealt with.
  const isIn = (record: ResultNeutral): boolean =>
    last.get(`${record.student_id}:${record.item_id}`) !== record || !waiting.has(record.id);
  return {
    ids: new Set(records.filter(isIn).map(({ id }) => id)),
    studentIds: [],
    parts: Object.entries(touched ?? {}).map(([studentId, courses]) => ({
      ...{ studentId, courses, attendance: false },
    })),
    courseIds: [],
    changes: (news ?? []).map(changeOf),
  };
}
