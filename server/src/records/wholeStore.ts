import type { PolicyRecord, ResultStatus } from '@cadro/contract';
import type { Db } from '../kit';
import { isOurs } from './ours';
import { standingResult } from './resultStore';

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
  /** Whether a household writes it beside the school's record. */
  readonly own: boolean;
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
  /** Whose own it is; null for a school's. The school's work it is one with, and the one it may be. */
  readonly householdId: string | null;
  readonly sameAs: string | null;
  readonly maybe: string | null;
  readonly stands: boolean;
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

/**
 * The courses a child is in; those that have ended for it as well, where that is asked for.
 * @param how.householdId whose own courses belong to it; by default those of whose guardian it is asked for.
 */
export async function wholeCourses(
  db: Db,
  studentId: string,
  {
    ended = false,
    householdId = null,
  }: { readonly ended?: boolean; readonly householdId?: string | null } = {},
): Promise<WholeCourse[]> {
  const rows = await db('enrolments as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .join('terms as t', 't.id', 'c.term_id')
    .leftJoin('teachers as p', 'p.id', 'c.teacher_id')
    .where({ 'e.student_id': studentId, ...(ended ? {} : { 'e.active': true }) })
    .whereRaw(
      householdId === null ? isOurs('c') : '(c.household_id is null or c.household_id = ?)',
      householdId === null ? [] : [householdId],
    )
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
      db.raw('c.household_id is not null as own'),
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

/**
 * What work of these courses falls into; a category that serves several stands once for each.
 * @param householdId whose own work counts; by default that of the household for whose guardian it is asked.
 */
export const wholeCategories = (
  db: Db,
  courseIds: readonly string[],
  householdId: string | null = null,
): Promise<WholeCategory[]> =>
  db('categories as k')
    .joinRaw(
      `join lateral (select k.course_id where not k.gone union select i.course_id from items i where i.category_id = k.id
         and ${householdId === null ? isOurs('i') : '(i.household_id is null or i.household_id = ?)'}) c on true`,
      householdId === null ? [] : [householdId],
    )
    .whereIn('c.course_id', [...courseIds])
    .orderBy(['c.course_id', 'k.title', 'k.external_id'])
    .select<WholeCategory[]>(
      ...['k.id', 'k.external_id as externalId', 'k.title', 'k.weight', 'k.drop_lowest as dropLowest'],
      'c.course_id as courseId',
    );

/**
 * The work of these courses with how it stands for a child and what is remarked on it, what was taken back as well.
 * @param by what one source alone has told, as it told it; by default all that is read of it, each work once.
 */
export const wholeItems = (
  db: Db,
  studentId: string,
  courseIds: readonly string[],
  by: { readonly sourceId?: string } = {},
): Promise<WholeItem[]> =>
  db('items as i')
    .join('categories as k', 'k.id', 'i.category_id')
    .joinRaw(
      `left join items t on t.same_as = i.id and t.stands and not t.removed and t.student_id = ? and ${isOurs('t')}
       ${standingResult('?', 'case when t.id is null then i.id else t.id end')}
       left join lateral (select m.text from comments m
         where m.student_id = ? and m.item_id in (i.id, t.id) and m.subject = 'score' and ${isOurs('m')}
         order by m.written_at desc limit 1) m on true`,
      [studentId, studentId, studentId],
    )
    .whereIn('i.course_id', [...courseIds])
    .modify((query) => {
      if (by.sourceId !== undefined) query.where({ 'i.source_id': by.sourceId });
      else
        query
          .whereNull('i.same_as')
          .whereRaw(`${isOurs('i')} and (i.student_id is null or i.student_id = ?)`, [studentId]);
    })
    .orderBy(['i.due_at', 'i.title', 'i.external_id'])
    .select<WholeItem[]>(
      ...['i.id', 'i.external_id as externalId', 'i.course_id as courseId', 'k.external_id as categoryId'],
      ...['i.title', 'i.description', 'i.possible', 'i.assigned_at as assignedAt', 'i.removed'],
      ...['i.assigned_told as assignedTold', 'i.term_external_id as termId', 'r.status', 'r.at'],
      ...['i.same_as as sameAs', 'i.maybe', 'i.stands', 'i.household_id as householdId'],
      db.raw(
        'case when t.id is null or t.possible = 0 then r.earned else r.earned * i.possible / t.possible end as earned',
      ),
      db.raw('case when i.undated then null else i.due_at end as "dueAt"'),
      db.raw('coalesce(r.late, false) as late'),
      'm.text as remark',
    );
