import type { CourseRecord, PolicyCorrection } from '@cadro/contract';

/** The record with what a household assumes of its policy instead of what the source says. */
export function corrected(record: CourseRecord, correction: PolicyCorrection | null): CourseRecord {
  if (!correction) return record;
  const { categories: changes = [], ...policy } = correction;
  const changeOf = new Map(changes.map(({ id, ...change }) => [id, change]));
  return {
    ...record,
    policy: { ...record.policy, ...policy },
    categories: (record.categories ?? []).map((category) => ({ ...category, ...changeOf.get(category.id) })),
  };
}
