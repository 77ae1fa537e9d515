import type { CourseRecord, PolicyCorrection, PolicyRecord } from '@cadro/contract';

/** The policy with what a household assumes of it; what it assumes of categories stands with them. */
export function correctedPolicy(policy: PolicyRecord, correction: PolicyCorrection | null): PolicyRecord {
  if (!correction) return policy;
  const { outOf, letters, missingCounts, incompleteCounts, floor } = correction;
  return {
    ...policy,
    ...(outOf === undefined ? {} : { outOf }),
    ...(letters === undefined ? {} : { letters }),
    ...(missingCounts === undefined ? {} : { missingCounts }),
    ...(incompleteCounts === undefined ? {} : { incompleteCounts }),
    ...(floor === undefined ? {} : { floor }),
  };
}

/** The record with what a household assumes of its policy instead of what the source says. */
export function corrected(record: CourseRecord, correction: PolicyCorrection | null): CourseRecord {
  if (!correction) return record;
  const changeOf = new Map((correction.categories ?? []).map(({ id, ...change }) => [id, change]));
  return {
    ...record,
    policy: correctedPolicy(record.policy, correction),
    categories: (record.categories ?? []).map((category) => ({ ...category, ...changeOf.get(category.id) })),
  };
}
