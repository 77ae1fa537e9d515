import type { EntryBody } from '@cadro/contract';
import type { Deps } from '../kit';

/** The family's calendar and shopping list, as far as something is taken into them. */
export interface TakenInto {
  /** @returns the id of the new entry. */
  readonly enter: (deps: Deps, guardianId: string, entry: EntryBody) => Promise<string>;
  readonly remove: (deps: Deps, guardianId: string, entryId: string) => Promise<void>;
  /** Those of some entries that nobody has taken out since. */
  readonly standing: (deps: Deps, entryIds: readonly string[]) => Promise<ReadonlySet<string>>;
}
