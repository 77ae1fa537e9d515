import type { Trx } from '../../kit';
import type { Change, ChangeKind } from './changeLogStore';
import type { PartOfRecord } from '../parts';
import type { Beside, NeutralRecord } from './neutral';
import type { TableShape } from './tables';

/** What a page of records touched, so that the figures concerned can be computed anew. */
export interface Written {
  /** Ids of the records that are in; the others refer to something the source has not given. */
  readonly ids: ReadonlySet<string>;
  /** What differed from what was known: concerned students, concerned courses, and the differences. */
  readonly studentIds: readonly string[];
  /** Of whom only a part was concerned. */
  readonly parts: readonly PartOfRecord[];
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
    ...(shape.owned === 'child' || shape.table === 'items' ? { besideStudent: studentId } : {}),
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

/** Where a record's child, course and item are found, among what a statement has joined or in a table's rows. */
function concerned({ table }: TableShape, columns: readonly string[], alias: string): string {
  const from = (column: string) => (columns.includes(column) ? `${alias}.${column}` : 'null::uuid');
  const course =
    table === 'courses' ? `${alias}.id` : table === 'items' ? `${alias}.course_id` : from('course_id');
  const item = table === 'items' ? `${alias}.id` : from('item_id');
  const student = table === 'items' ? `${alias}.student_id` : from('student_id');
  return `${student} as student_id, ${course} as course_id, ${item} as item_id`;
}

/** What changes are named by and no record says: a row's own id, which a new one is given here, and whose it is. */
function unsaid({ table }: TableShape, columns: readonly string[], beside: Beside | null): string[] {
  if (table !== 'items' && table !== 'courses') return [];
  const id = 'coalesce(t.id, gen_random_uuid()) as id';
  if (table === 'courses') return [id];
  return [
    id,
    ...(columns.includes('course_id') ? [] : ['t.course_id']),
    `${beside ? ':besideStudent::uuid' : 't.student_id'} as student_id`,
  ];
}

function writing(shape: TableShape, columns: readonly string[], beside: Beside | null): string {
  const { table, known } = shape;
  if (shape.updatesOnly)
    return `update ${table} t set ${columns.map((column) => `${column} = j.${column}`).join(', ')}
      from joined j where j.differs and t.source_id = :sourceId and t.external_id = j.external_id`;
  const named = table === 'items' || table === 'courses' ? ['id'] : [];
  const owners = Object.entries(ownersOf(shape, beside));
  const into = [...named, ...columns, ...owners.map(([column]) => column), ...(known ? ['known_at'] : [])];
  const values = [
    ...[...named, ...columns, ...owners.map(([, value]) => value)],
    ...(known ? [':knownAt::timestamptz'] : []),
  ];
  const updated = known === 'last' ? [...columns, 'known_at'] : columns;
  return `insert into ${table} (source_id, external_id, ${into.join(', ')})
    select :sourceId, external_id, ${values.join(', ')} from joined where differs
    on conflict (source_id, external_id)
    do update set ${updated.map((column) => `${column} = excluded.${column}`).join(', ')}`;
}

/**
 * One statement: resolves references, compares with what is known, writes only what differs, tells both sides. What is
 * known is looked up once, by its key: a page joined with itself costs the square of its rows.
 */
function statement(shape: TableShape, beside: Beside | null): string {
  const { columns, list, joins, types } = parts(shape, beside);
  const told = asObject(columns, 'j');
  const was = asObject(columns, 't');
  const isKnown = 't.external_id is not null';
  return `
    with r as (select * from jsonb_to_recordset(:rows::jsonb) as r(${types})),
    resolved as (select ${list} from r ${joins}),
    joined as materialized (
      select ${['j.*', ...unsaid(shape, columns, beside)].join(', ')}, ${told} as after,
        case when ${isKnown} then ${was} end as before,
        ${shape.updatesOnly ? '' : `not (${isKnown}) or`} ${was} is distinct from ${told} as differs
      from resolved j ${shape.updatesOnly ? 'join' : 'left join'} ${shape.table} t
        on t.source_id = :sourceId and t.external_id = j.external_id
    ),
    written as (${writing(shape, columns, beside)})
    select j.external_id, j.differs, j.before, j.after, ${concerned(shape, columns, 'j')} from joined j`;
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

/** A mark of attendance concerns that alone; anything else of a child may concern all of it. */
const concerning = ({ table }: TableShape, studentIds: string[]): Pick<Written, 'studentIds' | 'parts'> =>
  table === 'attendance_marks'
    ? { studentIds: [], parts: studentIds.map((studentId) => ({ studentId, courses: [], attendance: true })) }
    : { studentIds, parts: [] };

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
  const isGone = (record: NeutralRecord): boolean => shape.deletesGone === true && record.gone;
  const gone = last.filter(isGone);
  const kept = last.filter((record) => !isGone(record));
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
    ...concerning(shape, distinct(differing.map((row) => (beside ? beside.studentId : row.student_id)))),
    // Of a class, what a household writes is its own child's alone.
    courseIds: beside ? [] : distinct(differing.map((row) => row.course_id)),
    changes: log ? differing.map((row) => changeOf(log, row)) : [],
  };
}
