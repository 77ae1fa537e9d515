import type { CourseRecord, PolicyCorrection, ReconcileReason, Reconciliation } from '@cadro/contract';
import {
  householdRecord,
  readStated,
  statedNow,
  agreementOf,
  wholePolicy,
  type StatedGrade,
} from '../gradebook';
import { courseAnswer } from './courseAnswer';

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

/**
 * What could bring our count to the school's figure, where the household has something of its own: that first, and what
 * the school's record leaves open without it.
 */
function reasonsBeside(alone: CourseRecord, figure: number, at: string): ReconcileReason[] {
  const { decimals } = wholePolicy(alone.policy);
  const { posted } = courseAnswer(alone);
  const left = agreementOf(posted, figure, decimals) === 'differs' ? reasonsOf(alone, figure, at) : [];
  return [{ kind: 'own-entries' }, ...left];
}

/** What could bring our count to the school's figure, tried on the record as it was then. */
function reasonsOf(record: CourseRecord, figure: number, at: string): ReconcileReason[] {
  const { decimals } = wholePolicy(record.policy);
  const agrees = (ours: number | null) => agreementOf(ours, figure, decimals) !== 'differs';
  const then: CourseRecord = { ...record, asOf: at };
  const answer = courseAnswer(then);
  if (agrees(answer.posted)) {
    const { moved } = courseAnswer(record, { since: at });
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
 * @param alone the record without what the household has of its own in it; null where it has nothing.
 * @returns null where the school states no figure.
 */
export function reconcile(
  record: CourseRecord,
  stated: readonly StatedGrade[],
  alone: CourseRecord | null = null,
): Reconciliation | null {
  const said = statedNow(stated);
  const policy = wholePolicy(record.policy);
  const { posted: ours, letter: ourLetter } = courseAnswer(record);
  const figure = said && readStated(policy, said, ours);
  const written = figure ?? said?.figure ?? null;
  if (!said || written === null) return null;
  const { letter, at, final } = said;
  const verdict = figure === null ? 'differs' : agreementOf(ours, figure, policy.decimals);
  const reasons: ReconcileReason[] =
    figure === null
      ? [{ kind: 'another-scale' }]
      : verdict === 'differs'
        ? alone
          ? reasonsBeside(alone, figure, at)
          : reasonsOf(record, figure, at)
        : [];
  return { stated: written, letter, at, final, ours, ourLetter, verdict, reasons };
}
