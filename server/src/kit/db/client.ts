import PostgresClient from 'knex/lib/dialects/postgres';
import PostgresCompiler, { type InList } from 'knex/lib/dialects/postgres/query/pg-querycompiler';

const isPlain = (value: unknown): boolean =>
  ['string', 'number', 'boolean'].includes(typeof value) || value instanceof Date;

/**
 * Writes `id in (…)` as `id = any (…)` with all of the list as one value: a statement is the same however long the list
 * is, and no list is too long for one.
 */
class Compiler extends PostgresCompiler {
  override whereIn(statement: InList): string {
    const { column, value, not } = statement;
    if (!Array.isArray(value) || Array.isArray(column) || !value.every(isPlain))
      return super.whereIn(statement);
    const list = this.client.parameter([...(value as unknown[])], this.builder, this.bindingsHolder);
    return `${this._columnClause(statement)} ${not ? '<> all' : '= any'} (${list})`;
  }
}

/** How Knex speaks with PostgreSQL here. */
export class Client extends PostgresClient {
  queryCompiler(builder: unknown, bindings: unknown): Compiler {
    return new Compiler(this, builder, bindings);
  }
}
