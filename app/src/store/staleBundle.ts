const storageKey = 'cadro.reloaded';

/** Part of the app could not be loaded: it belongs to a version that is no longer there. */
export const isStale = (error: unknown): boolean =>
  error instanceof Error &&
  (error.name === 'AsyncRequireError' ||
    /^(Loading module|Failed to fetch dynamically imported)/.test(error.message));

/** Which version this page was loaded with: the name of its script changes with what is in it. */
const version = (): string => document.querySelector<HTMLScriptElement>('script[src*="entry"]')?.src ?? '';

/**
 * Loads the page anew, once for each version: one that is not there after that either is not mended by trying. Nor is
 * anything without a connection: what is there would be lost.
 * @returns whether it does.
 */
export function reloadOnce(
  storage: Pick<Storage, 'getItem' | 'setItem'> = sessionStorage,
  reload = () => window.location.reload(),
  online = navigator.onLine,
): boolean {
  if (!online || storage.getItem(storageKey) === version()) return false;
  storage.setItem(storageKey, version());
  reload();
  return true;
}
