import type {
  CourseRecord,
  ItemRecord,
  LateRule,
  LetterGrade,
  Method,
  PolicyRecord,
  ResultStatus,
  Scale,
} from '@cadro/contract';

/** A course with every default filled in and instants as milliseconds since 1970. */
export interface Course {
  readonly id: string;
  readonly asOfMs: number;
  readonly policy: Policy;
  readonly categories: readonly Category[];
  readonly standards: readonly Standard[];
  readonly items: readonly Item[];
  /** The place of each item in `items`, by its id. */
  readonly indexOf: ReadonlyMap<string, number>;
  /** In the order of the record; the history is ordered where it is read. */
  readonly results: readonly Result[];
}

export interface Policy {
  readonly method: Method;
  readonly outOf: number;
  readonly decimals: number;
  readonly letters: readonly LetterGrade[];
  readonly letterFrom: 'exact' | 'rounded';
  readonly missingCounts: 'zero' | 'floor' | 'not';
  readonly incompleteCounts: 'zero' | 'not';
  /** Least fraction that a counted score is worth. */
  readonly floor: number;
  readonly termEndMs: number;
  readonly late: LateRule;
  readonly standards: StandardsPolicy;
}

export interface StandardsPolicy {
  readonly rule: 'latest' | 'highest' | 'mean' | 'recency';
  readonly share: number;
  readonly top: number;
  readonly metAt: number;
}

export interface Category {
  readonly id: string;
  readonly title: string;
  readonly weight: number;
  readonly dropLowest: number;
}

export interface Standard {
  readonly id: string;
  readonly title: string;
}

export interface Item {
  readonly id: string;
  readonly categoryId: string;
  readonly title: string;
  readonly possible: number;
  /** possible × multiplier: what the item weighs in a sum. */
  readonly mass: number;
  readonly multiplier: number;
  readonly counts: boolean;
  readonly extraCredit: boolean;
  /** Done in class: nothing is handed in, it only waits for its score. */
  readonly inClass: boolean;
  readonly assignedAtMs: number | null;
  readonly dueAtMs: number | null;
  readonly acceptedUntilMs: number | null;
  readonly offer: { readonly untilMs: number; readonly credit: number } | null;
}

export interface Result {
  readonly itemId: string;
  /** As the record has it. */
  readonly at: string;
  readonly atMs: number;
  readonly status: ResultStatus;
  readonly earned: number | null;
  readonly late: boolean;
  readonly levels: Readonly<Record<string, number>>;
}

const noLevels: Readonly<Record<string, number>> = {};
const ms = (instant: string): number => Date.parse(instant);
const msOrNull = (instant: string | null | undefined): number | null => (instant ? ms(instant) : null);

function normaliseItem(item: ItemRecord): Item {
  const multiplier = item.multiplier ?? 1;
  return {
    id: item.id,
    categoryId: item.categoryId,
    title: item.title ?? '',
    possible: item.possible,
    mass: item.possible * multiplier,
    multiplier,
    counts: item.counts ?? true,
    extraCredit: item.extraCredit ?? false,
    inClass: item.inClass ?? false,
    assignedAtMs: msOrNull(item.assignedAt),
    dueAtMs: msOrNull(item.dueAt),
    acceptedUntilMs: msOrNull(item.acceptedUntil),
    offer: item.offer ? { untilMs: ms(item.offer.until), credit: item.offer.credit } : null,
  };
}

/** A policy with what its source has left out: the one place where the defaults stand. */
export const wholePolicy = (policy: PolicyRecord): Policy => ({
  method: policy.method,
  outOf: policy.outOf ?? 100,
  decimals: policy.decimals ?? 1,
  letters: policy.letters ?? [],
  letterFrom: policy.letterFrom ?? 'exact',
  missingCounts: policy.missingCounts ?? 'zero',
  incompleteCounts: policy.incompleteCounts ?? 'not',
  floor: policy.floor ?? 0,
  termEndMs: ms(policy.termEnd),
  late: policy.late ?? { kind: 'none' },
  standards: {
    rule: policy.standards?.rule ?? 'latest',
    share: policy.standards?.share ?? 0.65,
    top: policy.standards?.top ?? 4,
    metAt: policy.standards?.metAt ?? 3,
  },
});

/** The scale on which a policy's figures are told; of standards, that of their levels. */
export function scaleOf(policy: PolicyRecord): Scale {
  const { method, outOf, decimals, letters, standards } = wholePolicy(policy);
  return { method, outOf: method === 'standards' ? standards.top : outOf, decimals, letters: [...letters] };
}

/**
 * Fills the defaults of a record and turns its instants into milliseconds.
 * The record must already fit its schema: this neither checks nor throws.
 */
export function normaliseCourse(record: CourseRecord): Course {
  const items = (record.items ?? []).map(normaliseItem);
  return {
    id: record.id,
    asOfMs: ms(record.asOf),
    policy: wholePolicy(record.policy),
    categories: (record.categories ?? []).map((category) => ({
      id: category.id,
      title: category.title ?? '',
      weight: category.weight ?? 0,
      dropLowest: category.dropLowest ?? 0,
    })),
    standards: (record.standards ?? []).map(({ id, title }) => ({ id, title: title ?? '' })),
    items,
    indexOf: new Map(items.map(({ id }, index) => [id, index])),
    results: (record.results ?? []).map((result) => ({
      itemId: result.itemId,
      at: result.at,
      atMs: ms(result.at),
      status: result.status,
      earned: result.earned ?? null,
      late: result.late ?? false,
      levels: result.levels ?? noLevels,
    })),
  };
}
