import { useEffect, useLayoutEffect } from 'react';
import { arrived, keepFocus } from './arrivals';

/** Whoever reads by ear or goes by keys is where they look: at the new page's heading, or back where they were. */
export function useFocusKept(path: string): void {
  useEffect(keepFocus, []);
  // Before the effects of the page itself, whose heading says that it is there.
  useLayoutEffect(() => arrived(path), [path]);
}
