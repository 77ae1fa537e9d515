declare module 'knex/lib/knex-builder/make-knex' {
  import type { Knex } from 'knex';
  /** What is to be called `knex`, over a client. */
  export default function makeKnex(client: unknown): Knex;
}
