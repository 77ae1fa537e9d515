import type { CourseRecord, PolicyCorrection, ReconcileReason, Reconciliation } from '@cadro/contract';
import { householdRecord, roundHalfAway, wholePolicy } from '../gradebook';
import { courseAnswer } from './courseAnswer';

/** The school's own figure, on the course's scale. */
export interface Stated {
  readonly figure: number;
  readonly letter: string | null;
  readonly at: string;
}

type Verdict = Reconciliation['verdict'];

/** Whether two figures are the same once one of them has been rounded as the school rounds. */
function verdictOf(ours: number | null, stated: number, decimals: number): Verdict {
  if (ours === null) return 'differs';
  const equals = (rounded: number) => Math.abs(rounded - stated) < 1e-9;
  if (equals(ours) || equals(roundHalfAway(ours, decimals))) return 'same';
  for (let fewer = decimals - 1; fewer >= 0; fewer--)
    if (equals(roundHalfAway(ours, fewer))) return 'rounded';
  return 'differs';
}

/** Policies that schools have and do not always publish, each a small step from the one that is assumed. */
function variations({ policy, categories }: CourseRecord): PolicyCorrection[] {
  const ids = (categories ?? []).map(({ id }) => id);
  const missing = (['zero', 'floor', 'not'] as const).filter(
    (each) => each !== (policy.missingCounts ?? 'zero'),
  );
  const dropped = (categories ?? []).some(({ dropLowest }) => (dropLowest ?? 0) > 0);
  return [
    ...missing.map((missingCounts) => ({ missingCounts })),
    { incompleteCounts: policy.incompleteCounts === 'zero' ? 'not' : 'zero' },
    ...[0, 0.5].filter((floor) => floor !== (policy.floor ?? 0)).map((floor) => ({ floor })),
    dropped
      ? { categories: ids.map((id) => ({ id, dropLowest: 0 })) }
      : { categories: ids.map((id) => ({ id, dropLowest: 1 })) },
    ...(policy.method === 'weighted' ? [{ categories: ids.map((id) => ({ id, weight: 1 })) }] : []),
  ];
}

function reasonsOf(record: CourseRecord, stated: Stated): ReconcileReason[] {
  const { decimals } = wholePolicy(record.policy);
  const agrees = (figure: number | null) => verdictOf(figure, stated.figure, decimals) !== 'differs';
  const then: CourseRecord = { ...record, asOf: stated.at };
  const answer = courseAnswer(then);
  if (agrees(answer.posted)) {
    const { moved } = courseAnswer(record, { since: stated.at });
    return [{ kind: 'later-mark', itemIds: [...new Set(moved.map(({ itemId }) => itemId))] }];
  }
  const policies = variations(record).flatMap((correction): ReconcileReason[] =>
    agrees(courseAnswer(householdRecord(then, { correction, offers: [] })).posted)
      ? [{ kind: 'policy', correction }]
      : [],
  );
  const overdue: ReconcileReason[] =
    answer.looseEnds.some(({ kind }) => kind === 'overdue') && agrees(answer.ifLeft)
      ? [{ kind: 'overdue-as-zero' }]
      : [];
  const found = [...policies, ...overdue];
  return found.length > 0 ? found : [{ kind: 'not-published' }];
}

/**
 * The school's figure beside ours and, where they differ by more than rounding explains, the likely reasons: each
 * is tried on the record as it was at the school's figure, and kept if it brings the two together.
 * Example: stated 84.1, ours 85.6, and 84.1 without the floor → a policy reason with `{floor: 0}`.
 */
export function reconcile(record: CourseRecord, stated: Stated): Reconciliation {
  const { posted: ours, letter: ourLetter } = courseAnswer(record);
  const verdict = verdictOf(ours, stated.figure, wholePolicy(record.policy).decimals);
  return {
    stated: stated.figure,
    letter: stated.letter,
    at: stated.at,
    ours,
    ourLetter,
    verdict,
    reasons: verdict === 'differs' ? reasonsOf(record, stated) : [],
  };
}
