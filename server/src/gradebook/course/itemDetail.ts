import type { ItemDetail } from '@cadro/contract';
import { courseFigures, itemWorth, scaleOf } from '@cadro/core';
import type { Db } from '../../kit';
import { handInTries, rubricLevels } from '../../records';
import { commentsOf } from '../commentStore';
import type { OpenCourse } from './openCourse';
import { gradeOf } from './courseDetail';
import { itemSummaries, resultsByItem } from './itemSummary';
import type * as store from '../store';
import { addressAt, commentView, freshnessOf, isoOrNull, recordState, teacherOf } from './views';

/** The standards a work has a level in, by the course's order. */
const standardsOf = ({ row }: OpenCourse, item: store.ItemCard): ItemDetail['standards'] =>
  row.standards.flatMap(({ id, title }) => {
    const level = item.levels?.[id];
    return level === undefined ? [] : [{ id, title, level }];
  });

/** Files with their addresses; one that cannot be reached is left out. */
export const filesFrom = (
  sourceUrl: string,
  files: readonly { readonly title: string; readonly href: string }[],
): ItemDetail['files'] =>
  files.flatMap(({ title, href }) => {
    const address = addressAt(sourceUrl, href);
    return address === null ? [] : [{ title, href: address }];
  });

/** The open follow-up of a guardian's household about a work; asked of the room that keeps them. */
export type FollowUpAbout = (
  guardianId: string,
  about: { readonly studentId: string; readonly courseId: string; readonly itemId: string },
) => Promise<string | null>;

export async function itemDetail(
  db: Db,
  open: OpenCourse,
  item: store.ItemCard,
  { now, followUpAbout }: { readonly now: Date; readonly followUpAbout: FollowUpAbout },
): Promise<ItemDetail> {
  const { child, row, record, guardianId } = open;
  const [comments, levels, tries, followUpId] = await Promise.all([
    commentsOf(db, [child.id], { guardianId, itemId: item.id }),
    rubricLevels(db, child.id, item.id),
    handInTries(db, child.id, item.id),
    followUpAbout(guardianId, { studentId: child.id, courseId: row.id, itemId: item.id }),
  ]);
  const figures = courseFigures(record);
  return {
    ...itemSummaries(record, figures)(item),
    course: { id: row.id, studentId: child.id, title: row.title, teacher: teacherOf(row) },
    categoryTitle: item.category_title,
    multiplier: item.multiplier,
    scale: scaleOf(record.policy),
    figures,
    grade: gradeOf(open, figures),
    policy: record.policy,
    worth: itemWorth(record, item.id),
    kind: item.kind,
    instructions: item.instructions ?? item.description,
    where: item.place,
    supplies: item.supplies,
    files: filesFrom(open.row.source_url, item.files),
    rubric: item.rubric.map((criterion) => ({ ...criterion, reached: levels.get(criterion.id) ?? null })),
    standards: standardsOf(open, item),
    redo: item.redo,
    acceptedUntil: isoOrNull(item.accepted_until),
    history: (resultsByItem(open.published).get(item.id) ?? []).map(recordState),
    tries,
    comments: comments.map((comment) => commentView(comment, now, open.row.source_url)),
    followUpId,
    freshness: freshnessOf(row),
  };
}
