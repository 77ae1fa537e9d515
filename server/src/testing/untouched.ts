import type { Db } from '../kit';

/** Tables of which a guardian has many rows, so that one may move and the others may not. */
const tablesOfMany = [
  ...['followups', 'threads', 'messages', 'alerts', 'alert_silences', 'efforts', 'asked_answers'],
  ...['tries', 'targets', 'policy_corrections', 'offer_answers', 'own_dates', 'supplies_got'],
  ...['calendar_entries', 'calendar_feeds', 'household_marks', 'drafts', 'desk_words', 'desk_pieces'],
] as const;

/** What a query says of each of some tables, by the table's name. */
type Look = () => Promise<Readonly<Record<string, unknown>>>;

const digest = (table: string): string =>
  `select md5(string_agg(t::text, ',' order by t::text)) from ${table} t`;

/** Every table by its name, with its columns. */
async function tablesOf(db: Db): Promise<ReadonlyMap<string, readonly string[]>> {
  const { rows } = await db.raw<{ rows: { name: string; columns: string[] }[] }>(
    `select table_name as name, array_agg(column_name::text) as columns from information_schema.columns
     join information_schema.tables using (table_schema, table_name)
     where table_schema = 'public' and table_type = 'BASE TABLE'
     group by table_name order by table_name`,
  );
  return new Map(rows.map(({ name, columns }) => [name, columns]));
}

/**
 * Looks at what tables hold, of which most stay as they are from one request to the next: a statement that writes to one is
 * put down by the database itself, and only what was written to is read again.
 */
export class Untouched {
  private readonly counted = new Map<string, number>();

  private constructor(
    private readonly db: Db,
    private readonly columns: ReadonlyMap<string, readonly string[]>,
  ) {}

  static async in(db: Db): Promise<Untouched> {
    const columns = await tablesOf(db);
    await db.raw(`
      create schema watched;
      create unlogged table watched.writes (name text not null);
      create function watched.note() returns trigger language plpgsql security definer as
        $$ begin insert into watched.writes values (tg_table_name); return null; end $$;`);
    for (const name of columns.keys())
      await db.raw(
        `create trigger watched after insert or update or delete or truncate on ?? for each statement
         execute function watched.note()`,
        [name],
      );
    return new Untouched(db, columns);
  }

  /** How often each table has been written to since somebody began to count. */
  private async writes(): Promise<ReadonlyMap<string, number>> {
    const { rows } = await this.db.raw<{ rows: { name: string }[] }>(
      'delete from watched.writes returning name',
    );
    for (const { name } of rows) this.counted.set(name, (this.counted.get(name) ?? 0) + 1);
    return this.counted;
  }

  /** Reads what `query` says of each of these tables, and of those written to since, again. */
  private look(
    tables: readonly string[],
    query: (table: string) => string,
    values: Record<string, string | null> = {},
  ): Look {
    const known = new Map<string, { readonly times: number; readonly said: unknown }>();
    return async () => {
      const writes = await this.writes();
      const timesOf = (table: string): number => writes.get(table) ?? 0;
      const moved = tables.filter((table) => known.get(table)?.times !== timesOf(table));
      if (moved.length > 0) {
        const asked = moved.map((table) => `select '${table}' as name, (${query(table)}) as said`);
        const { rows } = await this.db.raw<{ rows: { name: string; said: unknown }[] }>(
          asked.join(' union all '),
          values,
        );
        for (const { name, said } of rows) known.set(name, { times: timesOf(name), said });
      }
      return Object.fromEntries(tables.map((table) => [table, known.get(table)?.said]));
    };
  }

  private named(...wanted: readonly string[]): string[] {
    return [...this.columns].flatMap(([name, own]) =>
      own.some((column) => wanted.includes(column)) ? [name] : [],
    );
  }

  /** A digest of every table that is about somebody, but of these. */
  everything(but: readonly string[]): Look {
    const about = this.named('household_id', 'guardian_id', 'student_id').filter(
      (name) => !but.includes(name),
    );
    return this.look(about, (table) => digest(table));
  }

  /** A digest of what is in each table of a guardian or household other than this one's: told twice, it is the same. */
  async ofOthers(email: string): Promise<Look> {
    const own = await this.db('guardians')
      .where({ email })
      .first<{ id: string; household_id: string } | undefined>('id', 'household_id');
    const whose = { guardian: own?.id ?? null, household: own?.household_id ?? null };
    const others = (table: string): string => {
      if (table === 'guardians') return 't.id is distinct from :guardian';
      return this.columns.get(table)?.includes('guardian_id')
        ? 't.guardian_id is not null and t.guardian_id is distinct from :guardian'
        : 't.household_id is not null and t.household_id is distinct from :household';
    };
    const tables = this.named('guardian_id', 'household_id');
    if (tables.length < 20) throw new Error('tables of guardians and households are not found');
    return this.look(tables, (table) => `${digest(table)} where ${others(table)}`, whose);
  }

  /** Every row of the tables of many, as text, each after its table's name. */
  rowsOfMany(): () => Promise<string[]> {
    const look = this.look(
      tablesOfMany,
      (table) => `select coalesce(array_agg('${table} ' || t::text), '{}') from ${table} t`,
    );
    return async () => Object.values(await look()).flatMap((rows) => rows as string[]);
  }
}
