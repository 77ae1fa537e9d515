import type { CourseRecord, ItemRecord, ItemSummary } from '@cadro/contract';

export const tryGroups = ['loose', 'coming', 'past'] as const;
export type TryGroup = (typeof tryGroups)[number];

/** A work whose score can be moved. */
export interface TryWork {
  readonly id: string;
  readonly title: string;
  readonly possible: number;
  readonly group: TryGroup;
  /** What it has now; null while it is not marked. */
  readonly earned: number | null;
  readonly dueAt: string | null;
}

/**
 * The works of a course that take part in its figure: loose ends, those to come (also those given out later), those
 * that are marked. What is to come first by its day, what is past newest first.
 */
export function worksOf(record: CourseRecord, items: readonly ItemSummary[]): TryWork[] {
  const known = new Map(items.map((item) => [item.id, item]));
  const groupOf = (item: ItemRecord): TryGroup => {
    const summary = known.get(item.id);
    if (summary?.looseEnd || summary?.chance) return 'loose';
    return !summary || summary.state.status === 'open' ? 'coming' : 'past';
  };
  const works = (record.items ?? [])
    .filter(({ possible, counts, multiplier }) => possible > 0 && counts !== false && multiplier !== 0)
    .map((item): TryWork => {
      const state = known.get(item.id)?.state;
      return {
        id: item.id,
        title: item.title ?? '',
        possible: item.possible,
        group: groupOf(item),
        earned: state?.status === 'scored' ? state.earned : null,
        dueAt: item.dueAt ?? null,
      };
    });
  const byDay = (a: TryWork, b: TryWork) => (a.dueAt ?? '9').localeCompare(b.dueAt ?? '9');
  return tryGroups.flatMap((group) => {
    const own = works.filter((work) => work.group === group).sort(byDay);
    return group === 'past' ? own.reverse() : own;
  });
}

/** Steps of a slider: fine enough to matter, coarse enough to hit. */
export const stepOf = (possible: number): number =>
  possible <= 10 ? 0.5 : possible <= 100 ? 1 : possible / 100;

/** Scores moved so far, by work. */
export type Moved = Readonly<Record<string, number>>;

export const scoresOf = (moved: Moved) =>
  Object.entries(moved).map(([itemId, earned]) => ({ itemId, earned }));

/** A target one can aim at; null for what is none. */
export function targetOf(text: string, outOf: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= 0 && value <= 2 * outOf ? value : null;
}
