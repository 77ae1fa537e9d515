import {
  PolicyRecord,
  type Comment,
  type CourseGrade,
  type CourseSummary,
  type EndedTerm,
  type Freshness,
  type ItemState,
  type ResultRecord,
} from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import {
  courseGrade,
  dateIn,
  householdPolicy,
  leftValue,
  scaleOf,
  wholePolicy,
  type Policy,
  type StatedGrade,
} from '@cadro/core';
import { offersOf, type CommentRow } from '../commentStore';
import { correctionOf } from '../figures/householdStore';
import { termEnd } from '../../records';
import type { Db } from '../../kit';
import { coursesOf, type CourseCard } from '../store';

export const isoOrNull = (date: Date | null): string | null => date && date.toISOString();

/** As the figures are computed: the source's, with the household's correction. */
const policyOf = (row: CourseCard): PolicyRecord =>
  householdPolicy(parse('stored policy', PolicyRecord, row.policy), correctionOf(row.correction));

export const freshnessOf = (row: CourseCard): Freshness => ({
  sourceName: row.source_name,
  byHand: row.by_hand,
  readAt: isoOrNull(row.read_at),
  failingSince: isoOrNull(row.failing_since),
});

export const teacherOf = (row: CourseCard) =>
  row.teacher_id && row.teacher_name
    ? { id: row.teacher_id, name: row.teacher_name, contactable: row.teacher_email !== null }
    : null;

const noFigures = { posted: null, display: null, letter: null };

/** What the school has stated of a term of a course. */
export const statedOf = ({ stated }: CourseCard, part: string | undefined): StatedGrade[] =>
  (stated ?? []).flatMap(({ part: own, at, ...said }) =>
    own === part ? [{ ...said, at: new Date(at).toISOString() }] : [],
  );

/** How the last term of a course that is over ended; null once the one that runs has a grade. */
function endedOf(row: CourseCard, policy: Policy, grade: CourseGrade, now: Date): EndedTerm | null {
  const { standing, ended } = row;
  if (!standing) return null;
  if (standing.endsOn < dateIn(row.time_zone, now))
    return { title: standing.title, endedOn: standing.endsOn, grade, closed: [], decided: [] };
  if (!ended || grade.figure !== null || grade.letter !== null) return null;
  return {
    title: ended.title,
    endedOn: ended.endsOn,
    grade: courseGrade(policy, ended, statedOf(row, ended.part)),
    closed: [...ended.closed],
    decided: [...(ended.decided ?? [])],
  };
}

export function courseSummary(row: CourseCard, now: Date): CourseSummary {
  const record = policyOf(row);
  const policy = wholePolicy(record);
  const grade = courseGrade(policy, row.figures ?? noFigures, statedOf(row, row.standing?.part));
  return {
    id: row.id,
    studentId: row.student_id,
    title: row.title,
    teacher: teacherOf(row),
    scale: scaleOf(record),
    figures: row.figures,
    grade,
    leftAs: leftValue(policy),
    termEnd: row.standing ? termEnd(row.standing, row.time_zone).toISOString() : record.termEnd,
    ended: endedOf(row, policy, grade, now),
    itemCount: row.item_count,
    nextDue:
      row.next_title && row.next_due ? { title: row.next_title, dueAt: row.next_due.toISOString() } : null,
    target: row.target,
    freshness: freshnessOf(row),
  };
}

/** The courses of children of this year, as lists show them: one query, however many children. */
export const courseSummaries = async (
  db: Db,
  ask: { readonly studentIds: readonly string[]; readonly guardianId: string; readonly now: Date },
): Promise<CourseSummary[]> => (await coursesOf(db, ask)).map((row) => courseSummary(row, ask.now));

/** An address of the school's own, or below its base; nothing but the web's protocols is passed on. */
export function addressAt(sourceUrl: string, href: string): string | null {
  const base = `${sourceUrl}/`;
  if (!URL.canParse(href, base)) return null;
  const url = new URL(href, base);
  return ['http:', 'https:'].includes(url.protocol) ? url.href : null;
}

export const commentView = (row: CommentRow, now: Date, sourceUrl: string): Comment => ({
  id: row.id,
  itemId: row.item_id,
  subject: row.subject,
  text: row.text,
  author: row.author,
  writtenAt: row.written_at.toISOString(),
  about: row.about,
  recording: row.recording && { seconds: row.recording.seconds, text: row.recording.text },
  elsewhere: row.elsewhere === null ? null : addressAt(sourceUrl, row.elsewhere),
  offers: offersOf(row, now),
});

export const recordState = ({ status, at, earned, late, levels }: ResultRecord): ItemState => ({
  status,
  at,
  earned: earned ?? null,
  late: late ?? false,
  levels: levels ?? {},
});
