import type { Knex } from 'knex';

/** What was said in English so far, as patterns, and what it is called now. */
const known = [
  ['the mail server refused the address%', 'mail-refused'],
  ['the mail server answered%', 'mail-answered'],
  ['the mail server%', 'mail-away'],
  ['the gateway did not answer%', 'text-slow'],
  ['the gateway answered%', 'text-answered'],
  ['the gateway refused%', 'text-refused'],
  ['there is no way%', 'no-texts'],
  ['mail was stopped%', 'mail-stopped'],
  ['mail to this address%', 'came-back-before'],
] as const;

/** Why something did not go out is a reason and a status, so that it can be said in its reader's language. */
export async function up(knex: Knex): Promise<void> {
  const cases = known.map(() => 'when error like ? then ?').join(' ');
  await knex.raw('alter table deliveries add column fault jsonb');
  await knex.raw(
    `update deliveries set fault = jsonb_build_object(
       'reason', case ${cases} else 'nothing-left' end,
       'status', substring(error from '[0-9]{3}'))
     where error is not null`,
    known.flat(),
  );
  await knex.raw('alter table deliveries drop column error');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table deliveries add column error text');
  await knex.raw(
    `update deliveries set error = concat_ws(' ', fault->>'reason', fault->>'status') where fault is not null`,
  );
  await knex.raw('alter table deliveries drop column fault');
}
