import { useAppStore, type RootState } from './store';
import { inTurn, wentOn } from './turns';

/**
 * Changes to one thing that has versions, each made on what the one before it has left.
 * @param newest the thing as it was answered last; a mutation puts it there by `knownAtOnce`
 * @param send sends a change with the version that it is made on
 * @returns makes a change out of the thing as it is when its turn has come; answers whether that went well
 */
export function useTurns<T extends { readonly version: number }, C extends object>(
  id: string,
  newest: (state: RootState) => T,
  send: (change: C & { readonly version: number }) => PromiseLike<{ data?: unknown }>,
): (make: (newest: T) => C) => Promise<boolean> {
  const { getState } = useAppStore();
  return (make) =>
    inTurn(id, async () => {
      const before = newest(getState());
      const { data } = await send({ ...make(before), version: before.version });
      if (data === undefined) return false;
      wentOn(id, before.version, newest(getState()).version);
      return true;
    });
}
