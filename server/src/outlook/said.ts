import { doubtOf, type Doubt, type Said } from '@cadro/core';
import type { Db } from '../kit';
import { classroomSaid, type SaidOfWork } from '../records';

/** What a source says of a work, as the core compares it. */
const saidAs = ({ status, earned, at }: SaidOfWork): Said => ({
  status,
  earned,
  atMs: at && at.getTime(),
});

/** How classroom and gradebook stand to each other about works of the children: one query. */
export async function doubtsOf(
  db: Db,
  studentIds: readonly string[],
  itemIds: readonly string[],
  now: Date,
): Promise<(studentId: string, itemId: string) => Doubt | null> {
  const said = await classroomSaid(db, studentIds, itemIds);
  return (studentId, itemId) => {
    const both = said.get(`${studentId}:${itemId}`);
    return both ? doubtOf(saidAs(both.gradebook), saidAs(both.classroom), now.getTime()) : null;
  };
}
