import type { WholeCollection } from '@cadro/contract';
import type { Db, Trx } from '../../kit';
import type { Change } from './changeLogStore';
import type { NeutralRecord } from './neutral';
import { settleClasses } from './settleStore';

/*
 * What a table that is told as a whole names. The rest of what its source has told before has gone: work is taken away, a
 * score is open again, a class or a place in it ends. People, terms and groups of work stay as they are: others name them.
 */

/** Between the two ids that name a result: whose it is, and of which work. */
const between = '\u001f';

/** What names a record among those of its collection, whatever id it came under. */
export const toldKey = (collection: WholeCollection, record: NeutralRecord): string =>
  collection === 'results'
    ? `${String(record['student_id'])}${between}${String(record['item_id'])}`
    : record.id;

export async function forgetTold(db: Db, sourceId: string): Promise<void> {
  await db('told_ids').where({ source_id: sourceId }).delete();
}

export async function putTold(
  db: Db,
  sourceId: string,
  collection: WholeCollection,
  keys: readonly string[],
): Promise<void> {
  await db.raw(
    `insert into told_ids (source_id, collection, external_id)
     select :sourceId, :collection, unnest(:keys::text[]) on conflict do nothing`,
    { sourceId, collection, keys: [...keys] },
  );
}

/** What a source has told of a collection and has not taken back, by the key that names it. */
const known: Readonly<Record<WholeCollection, string>> = {
  results: `select student_id, item_id, course_id, status, earned, key from (
      select distinct on (r.student_id, r.item_id) r.student_id, r.item_id, i.course_id, r.status, r.earned,
        s.external_id || :between || i.external_id as key
      from items i join results r on r.item_id = i.id join students s on s.id = r.student_id
      where i.source_id = :sourceId and not i.removed
      order by r.student_id, r.item_id, r.at desc, r.seq desc) standing
    where status <> 'open'`,
  items: `select id, course_id, external_id as key from items where source_id = :sourceId and not removed`,
  enrolments: `select student_id, external_id as key from enrolments where source_id = :sourceId and told_active`,
  courses: `select id, external_id as key from courses where source_id = :sourceId and not removed`,
};

const untold = (collection: WholeCollection): string =>
  `select k.* from (${known[collection]}) k where not exists (
     select from told_ids t where t.source_id = :sourceId and t.collection = :collection and t.external_id = k.key)`;

/** How much of what is known would go, as far as a table names the rest. */
export async function countUntold(
  db: Db,
  sourceId: string,
  collection: WholeCollection,
): Promise<{ known: number; untold: number }> {
  const { rows } = await db.raw<{ rows: { known: number; untold: number }[] }>(
    `select (select count(*) from (${known[collection]}) k) as known, (select count(*) from (${untold(collection)}) u) as untold`,
    { sourceId, collection, between },
  );
  return rows[0] ?? { known: 0, untold: 0 };
}

/**
 * How much of a collection a source has told and not taken back.
 * @param among of these alone, by the keys that name them.
 */
export async function countTold(
  db: Db,
  sourceId: string,
  collection: WholeCollection,
  among?: readonly string[],
): Promise<number> {
  const { rows } = await db.raw<{ rows: { count: number }[] }>(
    `select count(*) as count from (${known[collection]}) k ${among ? 'where k.key = any(:among::text[])' : ''}`,
    {
      sourceId,
      ...(collection === 'results' ? { between } : {}),
      ...(among ? { among: [...among] } : {}),
    },
  );
  return rows[0]?.count ?? 0;
}

interface GoneRow {
  readonly student_id: string | null;
  readonly course_id: string | null;
  readonly item_id: string | null;
  readonly key: string;
  readonly status: string | null;
  readonly earned: number | null;
}

const take: Readonly<Record<WholeCollection, string>> = {
  results: `insert into results (student_id, item_id, at, status, late, known_at, taken_back)
    select student_id, item_id, :now, 'open', false, :now, true from gone`,
  items: 'update items i set removed = true from gone where i.id = gone.id',
  enrolments: `update enrolments e set told_active = false from gone where e.source_id = :sourceId and e.external_id = gone.key`,
  courses: 'update courses c set removed = true from gone where c.id = gone.id',
};
const columns: Readonly<Record<WholeCollection, string>> = {
  results: 'student_id, course_id, item_id, status, earned, key',
  items: 'null as student_id, course_id, id as item_id, null as status, null::float8 as earned, key',
  enrolments: 'student_id, null as course_id, null as item_id, null as status, null::float8 as earned, key',
  courses:
    'null as student_id, id as course_id, null as item_id, null as status, null::float8 as earned, key',
};

function changeOf(collection: WholeCollection, row: GoneRow): Change[] {
  const { student_id: studentId, course_id: courseId, item_id: itemId, status, earned } = row;
  const at = null;
  if (collection === 'results')
    return [
      {
        kind: 'result',
        studentId,
        courseId,
        itemId,
        at,
        before: { status, earned },
        after: { status: 'open', earned: null },
      },
    ];
  return collection === 'items'
    ? [
        {
          kind: 'work',
          studentId,
          courseId,
          itemId,
          at,
          before: { removed: false },
          after: { removed: true },
        },
      ]
    : [];
}

const present = (values: readonly (string | null)[]): string[] => [
  ...new Set(values.flatMap((value) => value ?? [])),
];

/** Takes away what a whole table names no longer. */
export async function takeUntold(
  trx: Trx,
  sourceId: string,
  collection: WholeCollection,
  now: Date,
): Promise<{ studentIds: readonly string[]; courseIds: readonly string[]; changes: readonly Change[] }> {
  const { rows } = await trx.raw<{ rows: GoneRow[] }>(
    `with gone as materialized (${untold(collection)}), taken as (${take[collection]})
     select ${columns[collection]} from gone`,
    { sourceId, collection, between, now },
  );
  const keys = rows.map(({ key }) => key);
  const ended =
    collection === 'courses' || collection === 'enrolments'
      ? await settleClasses(trx, sourceId, now, { of: collection, ids: keys })
      : [];
  return {
    studentIds: [...new Set([...present(rows.map(({ student_id }) => student_id)), ...ended])],
    courseIds: collection === 'courses' ? [] : present(rows.map(({ course_id }) => course_id)),
    changes: rows.flatMap((row) => changeOf(collection, row)),
  };
}
