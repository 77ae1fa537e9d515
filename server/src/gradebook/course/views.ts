import {
  PolicyRecord,
  type Comment,
  type CourseSummary,
  type Freshness,
  type ItemState,
  type ResultRecord,
} from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { householdPolicy, scaleOf } from '@cadro/core';
import { offersOf, type CommentRow } from '../commentStore';
import { correctionOf } from '../figures/householdStore';
import type { KeptState } from '../../records';
import type { CourseCard } from '../store';

export const isoOrNull = (date: Date | null): string | null => date && date.toISOString();

/** As the figures are computed: the source's, with the household's correction. */
const policyOf = (row: CourseCard): PolicyRecord =>
  householdPolicy(parse('stored policy', PolicyRecord, row.policy), correctionOf(row.correction));

export const freshnessOf = (row: CourseCard): Freshness => ({
  sourceName: row.source_name,
  readAt: isoOrNull(row.read_at),
  failingSince: isoOrNull(row.failing_since),
});

export const teacherOf = (row: CourseCard) =>
  row.teacher_id && row.teacher_name
    ? { id: row.teacher_id, name: row.teacher_name, contactable: row.teacher_email !== null }
    : null;

export function courseSummary(row: CourseCard): CourseSummary {
  return {
    id: row.id,
    studentId: row.student_id,
    title: row.title,
    teacher: teacherOf(row),
    scale: scaleOf(policyOf(row)),
    figures: row.figures,
    itemCount: row.item_count,
    nextDue:
      row.next_title && row.next_due ? { title: row.next_title, dueAt: row.next_due.toISOString() } : null,
    target: row.target,
    freshness: freshnessOf(row),
  };
}

export const commentView = (row: CommentRow): Comment => ({
  id: row.id,
  itemId: row.item_id,
  subject: row.subject,
  text: row.text,
  author: row.author,
  writtenAt: row.written_at.toISOString(),
  offers: offersOf(row),
});

export const stateView = ({ status, at, earned, late, levels }: KeptState): ItemState => ({
  status,
  at: at.toISOString(),
  earned,
  late,
  levels,
});

export const recordState = ({ status, at, earned, late, levels }: ResultRecord): ItemState => ({
  status,
  at,
  earned: earned ?? null,
  late: late ?? false,
  levels: levels ?? {},
});
