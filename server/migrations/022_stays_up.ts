import type { Knex } from 'knex';

/* Which workers live, so that the jobs of one that was killed are given to another; and answers to writes. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table worker_processes (
      id uuid primary key,
      -- Under which names it takes jobs.
      worker_ids text[] not null,
      begun_at timestamptz not null default now(),
      beat_at timestamptz not null default now(),
      -- Since when the mail server takes no mail from it, whoever it is to; null while it does.
      mail_failing_since timestamptz
    );
    create table write_answers (
      -- Whose key it is: two people may have chosen the same.
      person_id text not null,
      key text not null,
      -- What was asked, by digest: a key belongs to one write.
      asked text not null,
      status int not null,
      -- Sealed; null where there was nothing to say.
      sealed_answer text,
      made_at timestamptz not null default now(),
      primary key (person_id, key)
    );
    create index write_answers_made_at on write_answers (made_at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table worker_processes, write_answers');
}
