import type { TermNode } from '@cadro/contract';
import { byCodePoint } from '../order';

/**
 * A year of the tree with its parts in the order of a report card's columns: by when they end, a semester after the
 * quarters it is made of, the year last.
 * @param terms the tree, a parent before its parts.
 */
export function yearColumns(terms: readonly TermNode[], top: TermNode): TermNode[] {
  const begin = terms.indexOf(top);
  const next = terms.findIndex(({ depth }, index) => index > begin && depth === 0);
  return terms
    .slice(begin, next < 0 ? undefined : next)
    .sort((a, b) => byCodePoint(a.endsOn, b.endsOn) || b.depth - a.depth);
}
