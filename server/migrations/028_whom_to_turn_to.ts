import type { Knex } from 'knex';
import { both } from './policies/whoseRows';

/*
 * Whom a family can turn to: offices, desks and counselors stand where the teachers do and are written to like them; of
 * everybody, how and when they are reached.
 */
const told = `
alter table teachers
  add column kind text not null default 'teacher',
  add column school_id uuid references schools on delete cascade,
  add column phone text, add column room text, add column hours text, add column answers_for text,
  add column language text, add column habits text,
  -- Whom they are there for, as the source knows them; everybody at the school where nothing is said.
  add column for_students jsonb,
  add column gone boolean not null default false;
create index teachers_school on teachers (school_id) where school_id is not null;
update teachers t set kind = 'attendance', school_id = s.id from schools s where s.attendance_desk_id = t.id;
create or replace view school_contacts with (security_invoker = true) as
  select id as teacher_id, name, email, kind, phone, room, hours, answers_for, language, habits, gone from teachers;
create view student_contacts with (security_invoker = true) as
  select s.id as student_id, t.id as teacher_id, t.kind, t.name, t.email, t.phone, t.room, t.hours, t.answers_for,
    t.language
  from students s join teachers t on t.source_id = s.source_id and t.school_id = s.school_id
  where t.kind <> 'teacher' and not t.gone
    and (t.for_students is null or jsonb_exists(t.for_students, s.external_id));
grant select on student_contacts to ${both};
`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(told);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop view student_contacts;
    drop view school_contacts;
    alter table teachers drop column kind, drop column school_id, drop column phone, drop column room,
      drop column hours, drop column answers_for, drop column language, drop column habits,
      drop column for_students, drop column gone;
    create view school_contacts with (security_invoker = true) as select id as teacher_id, name, email from teachers;
    grant select on school_contacts to ${both};
  `);
}
