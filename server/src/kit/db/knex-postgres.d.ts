/** Knex's own way to speak with PostgreSQL, as far as it is changed here. */
declare module 'knex/lib/dialects/postgres' {
  export default class PostgresClient {
    parameter(value: unknown, builder: unknown, bindings: unknown): string;
  }
}
declare module 'knex/lib/dialects/postgres/query/pg-querycompiler' {
  import type PostgresClient from 'knex/lib/dialects/postgres';
  export interface InList {
    readonly column: unknown;
    readonly value: unknown;
    readonly not: boolean;
  }
  export default class PostgresCompiler {
    constructor(client: PostgresClient, builder: unknown, bindings: unknown);
    readonly client: PostgresClient;
    readonly builder: unknown;
    readonly bindingsHolder: unknown;
    _columnClause(statement: InList): string;
    whereIn(statement: InList): string;
  }
}
