import type { ItemSummary } from '@cadro/contract';
import { byCodePoint } from '@cadro/core';

export const arrangements = ['date', 'category', 'unit', 'state'] as const;
export type Arrangement = (typeof arrangements)[number];
export const orders = ['newest', 'oldest'] as const;
export type Order = (typeof orders)[number];

export interface WorkGroup {
  /** Empty where there is one group of all. */
  readonly key: string;
  readonly items: readonly ItemSummary[];
}

/** By due date, then title; undated work last, whichever way the dates run. */
function byDate(order: Order) {
  return (a: ItemSummary, b: ItemSummary): number => {
    if (a.dueAt === null || b.dueAt === null) {
      return Number(a.dueAt === null) - Number(b.dueAt === null) || a.title.localeCompare(b.title);
    }
    const dates = byCodePoint(a.dueAt, b.dueAt);
    return (order === 'oldest' ? dates : -dates) || a.title.localeCompare(b.title);
  };
}

/** Works in groups: the groups in the order in which their first works come. */
export function arrange(
  items: readonly ItemSummary[],
  by: Arrangement,
  order: Order,
  words: {
    readonly categoryOf: (categoryId: string) => string;
    readonly stateOf: (item: ItemSummary) => string;
    readonly noUnit: string;
  },
): WorkGroup[] {
  const keys: Readonly<Record<Arrangement, (item: ItemSummary) => string>> = {
    date: () => '',
    category: ({ categoryId }) => words.categoryOf(categoryId),
    unit: ({ unit }) => unit ?? words.noUnit,
    state: words.stateOf,
  };
  const groups = new Map<string, ItemSummary[]>();
  for (const item of [...items].sort(byDate(order))) {
    const key = keys[by](item);
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return [...groups].map(([key, own]) => ({ key, items: own }));
}
