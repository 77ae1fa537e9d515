import type { CoursePolicy, PolicyCorrection } from '@cadro/contract';
import { courseFigures } from '@cadro/core';
import { type Db, HttpProblem } from '../../kit';
import { householdOf } from '../../household';
import { categoriesOfCourse } from '../../records';
import { addCorrection, correctionHistory } from '../figures/householdStore';
import { gradeOf, reconciliationOf } from './courseDetail';
import { withCorrection, type OpenCourse } from './openCourse';

/** The policy a course is computed with, where it comes from, and how it came to be. */
export async function coursePolicy(db: Db, open: OpenCourse): Promise<CoursePolicy> {
  const { child, row, record, published, householdId, view } = open;
  const place = { householdId, studentId: child.id, courseId: row.id };
  const [categories, history] = await Promise.all([
    categoriesOfCourse(db, row.id),
    correctionHistory(db, place),
  ]);
  const assumed = new Map((record.categories ?? []).map((category) => [category.id, category]));
  return {
    published: published.policy,
    assumed: record.policy,
    categories: categories.map(({ id, title, counts, weight, drop_lowest }) => ({
      id,
      title,
      counts,
      published: { weight, dropLowest: drop_lowest },
      assumed: {
        weight: assumed.get(id)?.weight ?? weight,
        dropLowest: assumed.get(id)?.dropLowest ?? drop_lowest,
      },
    })),
    correction: view.correction,
    history,
  };
}

/** Letters are looked up from the top: the first whose step is reached. */
const ordered = (correction: PolicyCorrection): PolicyCorrection =>
  correction.letters
    ? { ...correction, letters: [...correction.letters].sort((a, b) => b.from - a.from) }
    : correction;

/** @throws HttpProblem 400 when it names a category the course does not have, or one twice. */
export function checkedCorrection(
  { published }: OpenCourse,
  correction: PolicyCorrection | null,
): PolicyCorrection | null {
  if (!correction) return null;
  const known = new Set((published.categories ?? []).map(({ id }) => id));
  (correction.categories ?? []).forEach(({ id }, index) => {
    if (!known.delete(id)) {
      const message = 'is no category of this course, or is given twice';
      throw new HttpProblem('bad-request', {
        errors: [{ path: `/correction/categories/${index}/id`, message }],
      });
    }
  });
  return ordered(correction);
}

export function policyPreview(open: OpenCourse, correction: PolicyCorrection | null) {
  const then = withCorrection(open, correction);
  const figures = courseFigures(then);
  return {
    now: courseFigures(open.record),
    then: figures,
    grade: gradeOf({ record: then, stated: open.stated }, figures),
    reconciliation: reconciliationOf({ ...open, record: then, view: { ...open.view, correction } }),
  };
}

export async function correctPolicy(
  db: Db,
  { child, row }: OpenCourse,
  guardianId: string,
  entry: { readonly at: Date; readonly correction: PolicyCorrection | null },
): Promise<void> {
  const { id, author } = await householdOf(db, guardianId);
  const place = { householdId: id, studentId: child.id, courseId: row.id };
  await addCorrection(db, place, { ...entry, author });
}
