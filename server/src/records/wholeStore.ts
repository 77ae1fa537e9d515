import type { PolicyRecord, ResultStatus } from '@cadro/contract';
import type { Db } from '../kit';

/* The record of one child as its source gave it, with the source's own ids: to be written again, or taken elsewhere. */

export interface WholeChild {
  readonly id: string;
  readonly externalId: string;
  readonly sourceId: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly year: string;
  readonly school: {
    readonly id: string;
    readonly externalId: string;
    readonly name: string;
    readonly timeZone: string;
  };
}

export interface WholeTerm {
  readonly id: string;
  readonly externalId: string;
  readonly title: string;
  readonly startsOn: string;
  readonly endsOn: string;
  readonly kind: string;
  readonly parent: string | null;
}

export interface WholeCourse {
  readonly id: string;
  readonly externalId: string;
  readonly title: string;
  readonly room: string | null;
  readonly period: string | null;
  readonly termId: string;
  readonly termIds: readonly string[];
  readonly policy: PolicyRecord | null;
  readonly policyTold: boolean;
  readonly teacher: {
    readonly id: string;
    readonly externalId: string;
    readonly name: string;
    readonly email: string | null;
  } | null;
}

export interface WholeCategory {
  readonly id: string;
  readonly externalId: string;
  readonly title: string;
  readonly weight: number;
  readonly dropLowest: number;
  readonly courseId: string;
}

export interface WholeItem {
  readonly id: string;
  readonly externalId: string;
  readonly courseId: string;
  readonly categoryId: string;
  readonly title: string;
  readonly description: string | null;
  readonly possible: number;
  readonly assignedAt: Date;
  readonly assignedTold: boolean;
  readonly dueAt: Date | null;
  readonly termId: string | null;
  readonly removed: boolean;
  readonly status: ResultStatus | null;
  readonly earned: number | null;
  readonly late: boolean;
  readonly at: Date | null;
  readonly remark: string | null;
}

/** A child with its school, as its source names them. */
export async function wholeChild(db: Db, studentId: string): Promise<WholeChild | undefined> {
  const row = await db('students as s')
    .join('schools as sch', 'sch.id', 's.school_id')
    .where({ 's.id': studentId })
    .first<
      | (Omit<WholeChild, 'school'> & {
          schoolId: string;
          schoolKey: string;
          schoolName: string;
          timeZone: string;
        })
      | undefined
    >(
      ...['s.id', 's.external_id as externalId', 's.source_id as sourceId', 's.given_name as givenName'],
      ...[
        's.family_name as familyName',
        's.year',
        'sch.external_id as schoolId',
        'sch.id as schoolKey',
        'sch.name as schoolName',
      ],
      'sch.time_zone as timeZone',
    );
  if (!row) return undefined;
  const { schoolId, schoolKey, schoolName, timeZone, ...child } = row;
  return { ...child, school: { id: schoolKey, externalId: schoolId, name: schoolName, timeZone } };
}

export const wholeTerms = (db: Db, sourceId: string): Promise<WholeTerm[]> =>
  db('terms')
    .where({ source_id: sourceId })
    .orderBy(['starts_on', 'ends_on', 'external_id'])
    .select<WholeTerm[]>(
      ...['id', 'external_id as externalId', 'title', 'starts_on as startsOn', 'ends_on as endsOn', 'kind'],
      'parent_external_id as parent',
    );

/** The courses a child is in; those that have ended for it as well, where that is asked for. */
export async function wholeCourses(
  db: Db,
  studentId: string,
  { ended = false }: { readonly ended?: boolean } = {},
): Promise<WholeCourse[]> {
  const rows = await db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .join('terms as t', 't.id', 'c.term_id')
    .leftJoin('teachers as p', 'p.id', 'c.teacher_id')
    .where({ 'e.student_id': studentId, ...(ended ? {} : { 'e.active': true }) })
    .orderBy(['c.title', 'c.external_id'])
    .select<
      (Omit<WholeCourse, 'teacher'> & {
        teacherKey: string | null;
        teacherId: string | null;
        teacherName: string;
        teacherEmail: string | null;
      })[]
    >(
      ...['c.id', 'c.external_id as externalId', 'c.title', 'c.room', 'c.period', 'c.term_ids as termIds'],
      ...['t.external_id as termId', 'c.policy', 'c.policy_told as policyTold'],
      ...[
        'p.external_id as teacherId',
        'p.id as teacherKey',
        'p.name as teacherName',
        'p.email as teacherEmail',
      ],
    );
  return rows.map(({ teacherId, teacherKey, teacherName, teacherEmail, ...course }) => ({
    ...course,
    teacher:
      teacherId === null || teacherKey === null
        ? null
        : { id: teacherKey, externalId: teacherId, name: teacherName, email: teacherEmail },
  }));
}

/** What work of these courses falls into; a category that serves several stands once for each. */
export const wholeCategories = (db: Db, courseIds: readonly string[]): Promise<WholeCategory[]> =>
  db('categories as k')
    .joinRaw(
      `join lateral (select k.course_id union select i.course_id from items i where i.category_id = k.id) c on true`,
    )
    .whereIn('c.course_id', [...courseIds])
    .orderBy(['c.course_id', 'k.title', 'k.external_id'])
    .select<WholeCategory[]>(
      ...['k.id', 'k.external_id as externalId', 'k.title', 'k.weight', 'k.drop_lowest as dropLowest'],
      'c.course_id as courseId',
    );

/** The work of these courses with how it stands for a child and what is remarked on it, what was taken back as well. */
export const wholeItems = (db: Db, studentId: string, courseIds: readonly string[]): Promise<WholeItem[]> =>
  db('items as i')
    .join('categories as k', 'k.id', 'i.category_id')
    .joinRaw(
      `left join lateral (select r.status, r.earned, r.late, r.at from results r
         where r.student_id = ? and r.item_id = i.id order by r.at desc, r.seq desc limit 1) r on true
       left join lateral (select m.text from comments m
         where m.student_id = ? and m.item_id = i.id and m.subject = 'score'
         order by m.written_at desc limit 1) m on true`,
      [studentId, studentId],
    )
    .whereIn('i.course_id', [...courseIds])
    .orderBy(['i.due_at', 'i.title', 'i.external_id'])
    .select<WholeItem[]>(
      ...['i.id', 'i.external_id as externalId', 'i.course_id as courseId', 'k.external_id as categoryId'],
      ...['i.title', 'i.description', 'i.possible', 'i.assigned_at as assignedAt', 'i.removed'],
      ...['i.assigned_told as assignedTold', 'i.term_external_id as termId', 'r.status', 'r.earned', 'r.at'],
      db.raw('case when i.undated then null else i.due_at end as "dueAt"'),
      db.raw('coalesce(r.late, false) as late'),
      'm.text as remark',
    );
