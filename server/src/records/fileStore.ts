import type { Db } from '../kit';

export interface ChildFileRow {
  readonly email: string | null;
  readonly phone: string | null;
  readonly sms: string | null;
  readonly address: string | null;
  readonly birth_date: string | null;
  readonly sex: string | null;
}

/** What a school has on file about a child itself. */
export const childFile = (db: Db, studentId: string): Promise<ChildFileRow | undefined> =>
  db('child_files')
    .where({ student_id: studentId })
    .first<ChildFileRow | undefined>('email', 'phone', 'sms', 'address', 'birth_date', 'sex');

export interface NamedRow {
  /** The school's own id of them. */
  readonly agent: string;
  readonly name: string;
  readonly relation: string;
  /** Whether how the school reaches them may be seen; it may be nothing. */
  readonly reached: boolean;
  readonly email: string | null;
  readonly phone: string | null;
  readonly sms: string | null;
  readonly address: string | null;
}

/** Whom the school names for a child. */
export const namedFor = (db: Db, studentId: string): Promise<NamedRow[]> =>
  db('named_people')
    .where({ student_id: studentId })
    .orderBy('name')
    .select<NamedRow[]>(
      'external_id as agent',
      'name',
      'relation',
      'reached',
      'email',
      'phone',
      'sms',
      'address',
    );
