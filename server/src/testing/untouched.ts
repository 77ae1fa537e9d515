import type { Db } from '../kit';

/** Tables of which a guardian has many rows, so that one may move and the others may not. */
const tablesOfMany = [
  ...['followups', 'threads', 'messages', 'alerts', 'alert_silences', 'efforts', 'asked_answers'],
  ...['tries', 'targets', 'policy_corrections', 'offer_answers', 'own_dates', 'supplies_got'],
  ...['calendar_entries', 'calendar_feeds', 'household_marks', 'drafts', 'desk_words', 'desk_pieces'],
] as const;

/** Every row of these tables as text, each after its table's name. */
export async function rowsOfMany(db: Db): Promise<string[]> {
  const { rows } = await db.raw<{ rows: { row: string }[] }>(
    tablesOfMany.map((table) => `select '${table} ' || t::text as row from ${table} t`).join(' union all '),
  );
  return rows.map(({ row }) => row);
}

/** A query for what belongs to a guardian or a household other than `:guardian` and `:household`: a digest a table. */
async function othersQuery(db: Db): Promise<string> {
  const { rows } = await db.raw<{ rows: { name: string; columns: string[] }[] }>(
    `select table_name as name, array_agg(column_name::text) as columns from information_schema.columns
     join information_schema.tables using (table_schema, table_name)
     where table_schema = 'public' and table_type = 'BASE TABLE' and column_name in ('guardian_id', 'household_id')
       and table_name <> 'guardians'
     group by table_name order by table_name`,
  );
  if (rows.length < 20) throw new Error('tables of guardians and households are not found');
  const digest = (table: string, other: string) =>
    `select '${table}' as name, md5(string_agg(t::text, ',' order by t::text)) as rows from ${table} t where ${other}`;
  return [
    digest('guardians', 't.id is distinct from :guardian'),
    ...rows.map(({ name, columns }) =>
      columns.includes('guardian_id')
        ? digest(name, 't.guardian_id is not null and t.guardian_id is distinct from :guardian')
        : digest(name, 't.household_id is not null and t.household_id is distinct from :household'),
    ),
  ].join(' union all ');
}

/** Looks at what does not belong to whoever asks: told twice, it is the same when nothing of it has moved. */
export async function belongingsOfOthers(db: Db): Promise<(email: string) => Promise<unknown>> {
  const query = await othersQuery(db);
  return async (email) => {
    const own = await db('guardians')
      .where({ email })
      .first<{ id: string; household_id: string } | undefined>('id', 'household_id');
    const whose = { guardian: own?.id ?? null, household: own?.household_id ?? null };
    return (await db.raw<{ rows: unknown }>(query, whose)).rows;
  };
}
