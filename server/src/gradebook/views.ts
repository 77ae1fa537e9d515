import {
  PolicyRecord,
  type Comment,
  type CourseDetail,
  type CourseFigures,
  type CourseSummary,
  type Freshness,
  type ItemDetail,
  type ItemState,
  type ItemSummary,
  type Scale,
} from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import type { CommentRow, CourseRow, ItemRow, StateRow } from './store';

const isoOrNull = (date: Date | null): string | null => date && date.toISOString();

const policyOf = (row: CourseRow): PolicyRecord => parse('stored policy', PolicyRecord, row.policy);

export function scaleOf(policy: PolicyRecord): Scale {
  return {
    method: policy.method,
    outOf: policy.method === 'standards' ? (policy.standards?.top ?? 4) : (policy.outOf ?? 100),
    decimals: policy.decimals ?? 1,
    letters: policy.letters ?? [],
  };
}

const freshnessOf = (row: CourseRow): Freshness => ({
  sourceName: row.source_name,
  readAt: isoOrNull(row.read_at),
  failingSince: isoOrNull(row.failing_since),
});

const teacherOf = (row: CourseRow) =>
  row.teacher_id && row.teacher_name
    ? { id: row.teacher_id, name: row.teacher_name, contactable: row.teacher_email !== null }
    : null;

export function courseSummary(row: CourseRow): CourseSummary {
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
    freshness: freshnessOf(row),
  };
}

export const commentView = ({ id, subject, text, author, written_at }: CommentRow): Comment => ({
  id,
  subject,
  text,
  author,
  writtenAt: written_at.toISOString(),
});

const stateView = ({ status, at, earned, late, levels }: StateRow): ItemState => ({
  status,
  at: at.toISOString(),
  earned,
  late,
  levels,
});

export function itemSummary(row: ItemRow, figures: CourseFigures | null): ItemSummary {
  return {
    id: row.id,
    title: row.title,
    categoryId: row.category_id,
    possible: row.possible,
    counts: row.counts,
    extraCredit: row.extra_credit,
    assignedAt: row.assigned_at.toISOString(),
    dueAt: isoOrNull(row.due_at),
    state: {
      status: row.status ?? 'open',
      at: isoOrNull(row.at),
      earned: row.earned,
      late: row.late ?? false,
      levels: row.levels ?? {},
    },
    looseEnd: figures?.looseEnds.find(({ itemId }) => itemId === row.id) ?? null,
    commentCount: row.comment_count,
  };
}

export function courseDetail(
  row: CourseRow,
  parts: {
    categories: CourseDetail['categories'];
    items: readonly ItemRow[];
    comments: readonly CommentRow[];
  },
): CourseDetail {
  const policy = policyOf(row);
  return {
    ...courseSummary(row),
    termTitle: row.term_title,
    termEndsOn: row.term_ends_on,
    room: row.room,
    period: row.period,
    missingCounts: policy.missingCounts ?? 'zero',
    incompleteCounts: policy.incompleteCounts ?? 'not',
    floor: policy.floor ?? 0,
    categories: parts.categories,
    standards: row.standards,
    items: parts.items.map((item) => itemSummary(item, row.figures)),
    comments: parts.comments.map(commentView),
  };
}

export function itemDetail(
  course: CourseRow,
  item: ItemRow,
  parts: { history: readonly StateRow[]; comments: readonly CommentRow[]; followUpId: string | null },
): ItemDetail {
  return {
    ...itemSummary(item, course.figures),
    course: { id: course.id, studentId: course.student_id, title: course.title, teacher: teacherOf(course) },
    categoryTitle: item.category_title,
    multiplier: item.multiplier,
    scale: scaleOf(policyOf(course)),
    figures: course.figures,
    kind: item.kind,
    instructions: item.instructions ?? item.description,
    where: item.place,
    supplies: item.supplies,
    redo: item.redo,
    acceptedUntil: isoOrNull(item.accepted_until),
    history: parts.history.map(stateView),
    comments: parts.comments.map(commentView),
    followUpId: parts.followUpId,
    freshness: freshnessOf(course),
  };
}
