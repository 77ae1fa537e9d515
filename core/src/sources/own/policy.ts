import type { OwnRules, OwnScale, PolicyRecord } from '@cadro/contract';

const plainLetters = [
  { letter: 'A', from: 0.9 },
  { letter: 'B', from: 0.8 },
  { letter: 'C', from: 0.7 },
  { letter: 'D', from: 0.6 },
  { letter: 'F', from: 0 },
];
const outOf: Readonly<Record<OwnScale, number>> = { letters: 100, hundred: 100, ten: 10, four: 4 };
/** How a family says that missing work counts, in the record's words. Half is a floor under every score. */
const missing = {
  zero: { missingCounts: 'zero', floor: 0 },
  half: { missingCounts: 'floor', floor: 0.5 },
  not: { missingCounts: 'not', floor: 0 },
} as const satisfies Readonly<Record<OwnRules['missing'], Partial<PolicyRecord>>>;

/**
 * How a course is graded, as its family says it, as the record that is reckoned with.
 * @param rules.termEnd the last instant of the course's term.
 * @example ownPolicy({ adds: 'together', missing: 'zero', scale: 'ten', termEnd }).outOf // 10
 */
export const ownPolicy = ({
  adds,
  missing: counts,
  scale,
  termEnd,
}: OwnRules & { readonly termEnd: string }): PolicyRecord => ({
  ...{ method: adds === 'weighted' ? 'weighted' : 'points', outOf: outOf[scale], decimals: 1 },
  ...(scale === 'letters' ? { letters: plainLetters } : {}),
  ...{ ...missing[counts], incompleteCounts: 'not', termEnd },
});

/** What a family has said of a course's grading, out of the record it became. */
export function rulesOf(policy: PolicyRecord): OwnRules {
  const scale: OwnScale =
    policy.outOf === 10
      ? 'ten'
      : policy.outOf === 4
        ? 'four'
        : (policy.letters ?? []).length > 0
          ? 'letters'
          : 'hundred';
  const counts = policy.missingCounts === 'not' ? 'not' : policy.missingCounts === 'floor' ? 'half' : 'zero';
  return { adds: policy.method === 'weighted' ? 'weighted' : 'together', missing: counts, scale };
}

const earlier = (a: string, b: string): string => (a < b ? a : b);
const later = (a: string, b: string): string => (a > b ? a : b);

/** The term that is usual in US schools on a day, which lies in it; a family changes what is otherwise at theirs. */
export function usualTerm(today: string): {
  readonly season: 'fall' | 'spring';
  readonly startsOn: string;
  readonly endsOn: string;
} {
  const year = today.slice(0, 4);
  const around = (startsOn: string, endsOn: string) => ({
    startsOn: earlier(startsOn, today),
    endsOn: later(endsOn, today),
  });
  return today.slice(5, 7) >= '07'
    ? { season: 'fall', ...around(`${year}-08-17`, `${year}-12-18`) }
    : { season: 'spring', ...around(`${year}-01-05`, `${year}-06-12`) };
}
