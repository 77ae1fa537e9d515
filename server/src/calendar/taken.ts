import type { EntryBody } from '@cadro/contract';
import type { Deps, ServerDeps } from '../kit';
import { createEntry, removeEntry } from './entries';
import { standingIds } from './entryStore';

/** What other rooms take into the family's calendar and shopping list. */
export const takenIntoCalendar = ({ threads }: Pick<ServerDeps, 'threads'>) => ({
  enter: async (deps: Deps, guardianId: string, entry: EntryBody): Promise<string> =>
    (await createEntry({ ...deps, threads }, guardianId, entry)).id,
  remove: removeEntry,
  standing: ({ db }: Deps, entryIds: readonly string[]): Promise<ReadonlySet<string>> =>
    standingIds(db, entryIds),
});
