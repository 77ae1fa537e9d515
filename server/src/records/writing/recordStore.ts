import type { Trx } from '../../kit';
import type { Change, ChangeKind } from './changeLogStore';
import type { Beside, NeutralRecord } from './neutral';
import type { TableShape } from './tables';

/** What a page of records touched, so that the figures concerned can be computed anew. */
export interface Written {
  /** Ids of the records that are in; the others refer to something the source has not given. */
  readonly ids: ReadonlySet<string>;
  /** What differed from what was known: concerned students, concerned courses, and the differences. */
  readonly studentIds: readonly string[];
  readonly courseIds: readonly string[];
  readonly changes: readonly Change[];
}

interface Row {
  readonly external_id: string;
  readonly differs: boolean;
  readonly student_id: string | null;
  readonly course_id: string | null;
  readonly item_id: string | null;
  readonly before: Record<string, unknown> | null;
  readonly after: Record<string, unknown> | null;
}

/** `'title', t.title, …` for jsonb_build_object, so that both sides of a comparison read alike. */
const asObject = (columns: readonly string[], alias: string): string =>
  `jsonb_build_object(${columns.map((column) => `'${column}', ${alias}.${column}`).join(', ')})`;

/** Where a record's references are looked up: what is written beside another source may name its records. */
export const namesOf = (beside: Beside | null): string =>
  beside ? 'any (array[:sourceId::uuid, :besideId::uuid])' : ':sourceId';

/** Whose a record is, as columns with their values. */
function ownersOf({ owned }: TableShape, beside: Beside | null): Record<string, string> {
  if (!beside || !owned) return {};
  const household = { household_id: ':householdId::uuid' };
  return owned === 'child' ? { ...household, student_id: ':besideStudent::uuid' } : household;
}

/** What a statement for a shape is bound to beside its rows. */
function namesBound(shape: TableShape, beside: Beside | null): Record<string, string> {
  if (!beside) return {};
  const { householdId, studentId, sourceId } = beside;
  return {
    ...(Object.keys(shape.refs ?? {}).length > 0 ? { besideId: sourceId } : {}),
    ...(shape.owned ? { householdId } : {}),
    ...(shape.owned === 'child' ? { besideStudent: studentId } : {}),
  };
}

function parts(shape: TableShape, beside: Beside | null = null) {
  const refs = Object.entries(shape.refs ?? {});
  const own = Object.entries(shape.columns);
  const columns = [...own.map(([column]) => column), ...refs.map(([column]) => column)];
  const joins = refs.map(([column, target]) => {
    const [table, optional] = target.endsWith('?') ? [target.slice(0, -1), true] : [target, false];
    const on = `${column}_ref.source_id = ${namesOf(beside)} and ${column}_ref.external_id = r.${column}`;
    return `${optional ? 'left join' : 'join'} ${table} ${column}_ref on ${on}`;
  });
  const types = ['id text', ...own.map(([name, type]) => `${name} ${type}`)]
    .concat(refs.map(([column]) => `${column} text`))
    .join(', ');
  const list = [
    'r.id as external_id',
    ...own.map(([column]) => `r.${column}`),
    ...refs.map(([column]) => `${column}_ref.id as ${column}`),
  ].join(', ');
  return { columns, list, joins: joins.join(' '), types };
}

/** Where a record's child, course and item are found: in its columns, or in the row it has become (`w`). */
function concerned({ table }: TableShape, columns: readonly string[], alias: string): string {
  const from = (column: string) => (columns.includes(column) ? `${alias}.${column}` : 'null::uuid');
  const course = table === 'courses' ? 'w.id' : table === 'items' ? 'w.course_id' : from('course_id');
  const item = table === 'items' ? 'w.id' : from('item_id');
  const student = table === 'items' ? 'w.student_id' : from('student_id');
  return `${student} as student_id, ${course} as course_id, ${item} as item_id`;
}

/** One statement: resolves references, compares with what is known, writes only what differs, tells both sides. */
function statement(shape: TableShape, beside: Beside | null): string {
  const { columns, list, joins, types } = parts(shape, beside);
  const owners = Object.entries(ownersOf(shape, beside));
  const { table, known } = shape;
  const key = 'source_id = :sourceId and t.external_id = j.external_id';
  const write = shape.updatesOnly
    ? `update ${table} t set ${columns.map((column) => `${column} = j.${column}`).join(', ')}
       from differing j where t.${key} returning t.*`
    : `insert into ${table} (source_id, external_id, ${[...columns, ...owners.map(([column]) => column)].join(', ')}${known ? ', known_at' : ''})
       select :sourceId, external_id, ${[...columns, ...owners.map(([, value]) => value)].join(', ')}${known ? ', :knownAt::timestamptz' : ''} from differing
       on conflict (source_id, external_id)
       do update set ${columns.map((column) => `${column} = excluded.${column}`).join(', ')}${
         known === 'last' ? ', known_at = excluded.known_at' : ''
       } returning *`;
  return `
    with r as (select * from jsonb_to_recordset(:rows::jsonb) as r(${types})),
    joined as materialized (select ${list} from r ${joins}),
    known as materialized (
      select t.external_id, ${asObject(columns, 't')} as was from ${table} t join joined j on t.${key}
    ),
    differing as materialized (
      select j.* from joined j left join known k using (external_id)
      where ${shape.updatesOnly ? 'k.was is not null and' : ''} k.was is distinct from ${asObject(columns, 'j')}
    ),
    written as (${write})
    select j.external_id, w.external_id is not null as differs, k.was as before,
      ${asObject(columns, 'j')} as after, ${concerned(shape, columns, 'j')}
    from joined j ${shape.updatesOnly ? 'join' : 'left join'} known k using (external_id)
    left join written w using (external_id)`;
}

const distinct = (values: readonly (string | null)[]): string[] => [
  ...new Set(values.flatMap((value) => (value === null ? [] : [value]))),
];

/** What differed: of a record that was known, only the columns that did. */
function changeOf(kind: ChangeKind, row: Row): Change {
  const { before, after } = row;
  const differing = Object.keys(after ?? {}).filter(
    (column) => !before || JSON.stringify(before[column]) !== JSON.stringify(after?.[column]),
  );
  const pick = (side: Row['after']) =>
    side && Object.fromEntries(differing.map((column) => [column, side[column]]));
  return {
    kind,
    studentId: row.student_id,
    courseId: row.course_id,
    itemId: row.item_id,
    at: null,
    before: after ? pick(before) : before,
    after: pick(after),
  };
}

/** Deletes what the source has taken back. */
async function takeBack(
  trx: Trx,
  sourceId: string,
  shape: TableShape,
  ids: readonly string[],
): Promise<Row[]> {
  if (ids.length === 0) return [];
  const { columns } = parts(shape);
  const { rows } = await trx.raw<{ rows: Row[] }>(
    `delete from ${shape.table} t where source_id = :sourceId and external_id = any(:ids)
     returning t.external_id, true as differs, ${asObject(columns, 't')} as before, null::jsonb as after,
       ${concerned(shape, columns, 't')}`,
    { sourceId, ids: [...ids] },
  );
  return rows;
}

/**
 * Writes records of one collection with one statement; writing the same again changes nothing.
 * @param knownAt from when on it is known; null for what a first reading brings.
 * @param beside whose it is, where it is written beside another source's record.
 */
export async function writeRecords(
  trx: Trx,
  sourceId: string,
  shape: TableShape,
  records: readonly NeutralRecord[],
  knownAt: Date | null = null,
  beside: Beside | null = null,
): Promise<Written> {
  const last = [...new Map(records.map((record) => [record.id, record])).values()];
  const gone = last.filter((record) => shape.deletesGone && record.gone);
  const kept = last.filter((record) => !gone.includes(record));
  const goneIds = gone.map(({ id }) => id);
  const deleted = await takeBack(trx, sourceId, shape, goneIds);
  const rows =
    kept.length === 0
      ? []
      : (
          await trx.raw<{ rows: Row[] }>(statement(shape, beside), {
            rows: JSON.stringify(kept),
            sourceId,
            ...namesBound(shape, beside),
            ...(shape.known ? { knownAt } : {}),
          })
        ).rows;
  const differing = [...deleted, ...rows.filter(({ differs }) => differs)];
  const { log } = shape;
  return {
    ids: new Set([
      ...rows.map((row) => row.external_id),
      ...goneIds,
      ...(shape.passesUnknown ? kept.map(({ id }) => id) : []),
    ]),
    studentIds: distinct(differing.map((row) => (beside ? beside.studentId : row.student_id))),
    // Of a class, what a household writes is its own child's alone.
    courseIds: beside ? [] : distinct(differing.map((row) => row.course_id)),
    changes: log ? differing.map((row) => changeOf(log, row)) : [],
  };
}
