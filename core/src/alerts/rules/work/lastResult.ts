import type { LooseEndKind, ResultRecord } from '@cadro/contract';
import type { Item } from '../../../gradebook';
import { tiedUp } from '../../../outlook';
import type { ChildFacts, CourseSight } from '../../facts';
import type { Known } from '../../history';

const open = { status: 'open', earned: null } as const;

/** The last result of a work while it is news, with what stood before it. */
export interface LastResult {
  readonly itemId: string;
  readonly item: Item;
  readonly before: { readonly status: ResultRecord['status']; readonly earned: number | null };
  readonly after: Known<ResultRecord>['value'];
  /** The loose end that it tied up; null where there was none. */
  readonly was: LooseEndKind | null;
}

/** The works of a course whose last result is news. */
export const lastResults = (facts: ChildFacts, course: CourseSight): LastResult[] =>
  [...course.results].flatMap(([itemId, results]) => {
    const [before, after] = [results.at(-2)?.value, results.at(-1)];
    const item = course.items.get(itemId);
    if (!item || !after || facts.asOfMs - after.knownAtMs > facts.newsMs) return [];
    const state = (result: ResultRecord | undefined) =>
      result ? { status: result.status, earned: result.earned ?? null } : open;
    const was = tiedUp(item, course.policy, state(before), state(after.value), Date.parse(after.value.at));
    return [{ itemId, item, before: state(before), after: after.value, was }];
  });
