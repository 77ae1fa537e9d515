import { laidOver } from '@cadro/core/beside';
import { groupBy } from '../../kit';
import type { KeptItem, KeptResult, LoadedCourse } from '../../records';

/** What a household has of one work, said of the school's. */
const saidOf = (work: KeptItem, own: KeptItem, results: readonly KeptResult[]): KeptResult[] =>
  results.map((row) => ({
    ...row,
    item_id: work.id,
    // Out of as many points as the school's is worth.
    earned:
      row.earned === null || own.possible === 0 ? row.earned : (row.earned * work.possible) / own.possible,
  }));

/**
 * A course as one household has it: with the works it has of its own, and with what it knows of the school's laid over
 * what the school says. The one place where accounts of a course become one record.
 * @param householdId null for a course as its source alone tells it.
 */
export function asHouseholdHas(loaded: LoadedCourse, householdId: string | null): LoadedCourse {
  const { course, items, results } = loaded;
  // What is written of a course that is a household's own is its record.
  if (course.household_id !== null || items.every((each) => each.household_id === null)) return loaded;
  const shown = items.filter(
    (each) => each.household_id === null || (each.household_id === householdId && each.same_as === null),
  );
  const twins = new Map(
    items.flatMap((each): [string, KeptItem][] =>
      each.household_id === householdId && each.same_as !== null && !each.removed
        ? [[each.same_as, each]]
        : [],
    ),
  );
  const told = groupBy(results, ({ item_id }) => item_id);
  const accounts = shown.flatMap((work): [string, KeptResult[]][] => {
    const twin = twins.get(work.id);
    const own = twin ? saidOf(work, twin, told.get(twin.id) ?? []) : [];
    return twin && own.length > 0 ? [[work.id, laidOver(told.get(work.id) ?? [], own, twin.stands)]] : [];
  });
  const laid = new Map(accounts);
  const ids = new Set(shown.map(({ id }) => id));
  const plain = results.filter(({ item_id }) => ids.has(item_id) && !laid.has(item_id));
  return {
    ...loaded,
    items: shown,
    // Of one instant, what is told stays in the order it was told in.
    results:
      laid.size === 0
        ? plain
        : [...plain, ...[...laid.values()].flat()].sort((a, b) => a.at.getTime() - b.at.getTime()),
  };
}

/** The households that have something of their own in a course of a school's. */
export const householdsIn = ({ course, items }: LoadedCourse): string[] =>
  course.household_id === null ? [...new Set(items.flatMap(({ household_id }) => household_id ?? []))] : [];
