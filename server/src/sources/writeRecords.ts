import type { Trx } from '../db';
import type { NeutralRecord } from './neutral';
import type { TableShape } from './tables';

/** What a page of records touched, so that the figures concerned can be computed anew. */
export interface Written {
  /** Ids of the records that went in; the others refer to something the source has not given. */
  readonly ids: ReadonlySet<string>;
  readonly studentIds: readonly string[];
  readonly courseIds: readonly string[];
}

interface JoinedRow {
  external_id: string;
  student_id?: string;
  course_id?: string;
}

function selection(shape: TableShape): { columns: string[]; list: string; joins: string; types: string } {
  const refs = Object.entries(shape.refs ?? {});
  const columns = [...Object.keys(shape.columns), ...refs.map(([column]) => column)];
  const joins = refs.map(([column, target]) => {
    const [table, optional] = target.endsWith('?') ? [target.slice(0, -1), true] : [target, false];
    const on = `${column}_ref.source_id = :sourceId and ${column}_ref.external_id = r.${column}`;
    return `${optional ? 'left join' : 'join'} ${table} ${column}_ref on ${on}`;
  });
  const types = ['id text', ...Object.entries(shape.columns).map(([name, type]) => `${name} ${type}`)]
    .concat(refs.map(([column]) => `${column} text`))
    .join(', ');
  const list = [
    ...Object.keys(shape.columns).map((column) => `r.${column}`),
    ...refs.map(([column]) => `${column}_ref.id as ${column}`),
  ].join(', ');
  return { columns, list, joins: joins.join(' '), types };
}

function statement(shape: TableShape): string {
  const { columns, list, joins, types } = selection(shape);
  const joined = `with r as (select * from jsonb_to_recordset(:rows::jsonb) as r(${types})),
    joined as materialized (select r.id as external_id, ${list} from r ${joins})`;
  const own = ['external_id', ...columns];
  if (shape.updatesOnly) {
    const sets = columns.map((column) => `${column} = joined.${column}`).join(', ');
    return `${joined}
      update ${shape.table} t set ${sets} from joined
      where t.source_id = :sourceId and t.external_id = joined.external_id
      returning t.external_id ${shape.table === 'courses' ? ', t.id as course_id' : ''}
        ${shape.table === 'items' ? ', t.course_id' : ''}`;
  }
  const sets = columns.map((column) => `${column} = excluded.${column}`).join(', ');
  return `${joined},
    written as (
      insert into ${shape.table} (source_id, ${own.join(', ')})
      select :sourceId, ${own.join(', ')} from joined
      on conflict (source_id, external_id) do update set ${sets}
    )
    select * from joined`;
}

const distinct = (values: readonly (string | undefined)[]): string[] => [
  ...new Set(values.flatMap((value) => (value === undefined || value === null ? [] : [value]))),
];

/** Writes records of one collection with one statement; writing the same again changes nothing. */
export async function writeRecords(
  trx: Trx,
  sourceId: string,
  shape: TableShape,
  records: readonly NeutralRecord[],
): Promise<Written> {
  const last = new Map(records.map((record) => [record.id, record]));
  const gone = shape.deletesGone ? [...last.values()].filter((record) => record.gone) : [];
  const kept = [...last.values()].filter((record) => !gone.includes(record));
  if (gone.length > 0) {
    await trx(shape.table)
      .where({ source_id: sourceId })
      .whereIn(
        'external_id',
        gone.map(({ id }) => id),
      )
      .delete();
  }
  if (kept.length === 0) return { ids: new Set(gone.map(({ id }) => id)), studentIds: [], courseIds: [] };
  const { rows } = await trx.raw<{ rows: JoinedRow[] }>(statement(shape), {
    rows: JSON.stringify(kept),
    sourceId,
  });
  return {
    ids: new Set([...rows.map((row) => row.external_id), ...gone.map(({ id }) => id)]),
    studentIds: distinct(rows.map((row) => row.student_id)),
    courseIds: distinct(rows.map((row) => row.course_id)),
  };
}
