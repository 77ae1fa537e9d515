import type { Knex } from 'knex';

/* What a school has on file about a child and the people it names for it, as rostering and demographics tell it. */
const onFile = `
create table child_files (
  student_id uuid primary key references students on delete cascade,
  source_id uuid not null references sources on delete cascade, external_id text not null,
  email text, phone text, sms text, address text,
  -- The people of the school's own list who are named for the child, by the source's ids; null where it names none.
  agents jsonb,
  birth_date date, sex text,
  unique (source_id, external_id)
);
create table school_people (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  name text not null, relation text not null,
  primary key (source_id, external_id)
);
-- How the school reaches them, apart from their names: not everybody who may know that they are named may know this.
create table school_reaches (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  email text, phone text, sms text, address text,
  primary key (source_id, external_id)
);
create view named_people with (security_invoker = true) as
  select f.student_id, f.source_id, p.external_id, p.name, p.relation, r.email, r.phone, r.sms, r.address,
    r.external_id is not null as reached
  from child_files f
  cross join lateral jsonb_array_elements_text(f.agents) with ordinality as a(external_id, place)
  join school_people p on p.source_id = f.source_id and p.external_id = a.external_id
  left join school_reaches r on r.source_id = f.source_id and r.external_id = a.external_id;
-- What a source holds back, in its own words: of everybody but the child, or of one it names.
create table told_restrictions (
  source_id uuid not null references sources on delete cascade, external_id text not null,
  student_id uuid not null references students on delete cascade,
  what text not null, course_id uuid references courses on delete cascade, agent text,
  primary key (source_id, external_id)
);
create index told_restrictions_student on told_restrictions (student_id);
create view school_restrictions with (security_invoker = true) as
  select source_id, student_id, what, course_id, agent from told_restrictions;
create view student_agents with (security_invoker = true) as
  select student_id, agents from child_files where agents is not null;
-- As whom the school names a person who is linked to the child; who has been named and no longer is, loses the link.
alter table guardian_links add named_as text;
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(onFile);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`alter table guardian_links drop column named_as; drop view named_people, student_agents, school_restrictions;
    drop table child_files, school_people, school_reaches, told_restrictions`);
}
