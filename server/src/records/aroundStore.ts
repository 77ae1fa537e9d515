import type { BalanceKind } from '@cadro/contract';
import type { Db } from '../kit';

export interface BalanceRow {
  readonly external_id: string;
  readonly student_id: string;
  readonly kind: BalanceKind;
  readonly title: string;
  readonly amount: number;
  readonly currency: string;
  readonly due_on: string | null;
  readonly as_of: Date;
}

/** Money of some children at school: accounts first, then what is to be paid, the soonest first. */
export const balancesOf = (db: Db, studentIds: readonly string[]): Promise<BalanceRow[]> =>
  db('balances')
    .whereIn('student_id', [...studentIds])
    .orderByRaw('kind, due_on nulls last, title')
    .select('external_id', 'student_id', 'kind', 'title', 'amount', 'currency', 'due_on', 'as_of');

export interface RideRow {
  readonly external_id: string;
  readonly student_id: string;
  readonly title: string;
  readonly stop: string | null;
  readonly weekdays: readonly number[];
  readonly to_school_at: string | null;
  readonly home_at: string | null;
  readonly note: string | null;
}

/** How some children come to school and home on a day. @param on of each child, where it goes to school. */
export const ridesOf = (db: Db, studentIds: readonly string[], on: string): Promise<RideRow[]> =>
  db('rides')
    .whereIn('student_id', [...studentIds])
    .whereRaw('(starts_on is null or starts_on <= ?) and (ends_on is null or ends_on >= ?)', [on, on])
    .orderBy(['to_school_at', 'title'])
    .select('external_id', 'student_id', 'title', 'stop', 'weekdays', 'to_school_at', 'home_at', 'note');

/** The last bulletin up to a day of each child's school. */
export const bulletinsOf = (
  db: Db,
  studentIds: readonly string[],
  on: string,
): Promise<{ student_id: string; on_date: string; text: string }[]> =>
  db('students as s')
    .joinRaw(
      `join lateral (select on_date, text from bulletins b
        where b.school_id = s.school_id and b.on_date <= ? order by b.on_date desc limit 1) b on true`,
      [on],
    )
    .whereIn('s.id', [...studentIds])
    .select('s.id as student_id', 'b.on_date', 'b.text');

export interface FoundThingRow {
  readonly external_id: string;
  readonly student_id: string;
  readonly title: string;
  readonly place: string | null;
  readonly found_on: string;
  readonly kept_until: string | null;
}

/** So many lost things of a school are told. */
const mostThings = 20;

/** What was found at each child's school and is still there on a day, the newest first. */
export const foundThingsOf = (db: Db, studentIds: readonly string[], on: string): Promise<FoundThingRow[]> =>
  db('students as s')
    .joinRaw(
      `join lateral (select * from found_things t where t.school_id = s.school_id and t.found_on <= :on
        and (t.kept_until is null or t.kept_until >= :on) order by t.found_on desc, t.title limit :mostThings) t on true`,
      { on, mostThings },
    )
    .whereIn('s.id', [...studentIds])
    .orderBy([{ column: 't.found_on', order: 'desc' }, 't.title'])
    .select('t.external_id', 's.id as student_id', 't.title', 't.place', 't.found_on', 't.kept_until');
