import { useEffect, type ReactNode } from 'react';
import { headingShown } from './focus/arrivals';

/** The last heading of a page is that of what one looks at: the detail stands behind the list. */
const say = (): void => {
  const title = [...document.querySelectorAll('h1')].at(-1)?.textContent;
  document.title = title ? `${title} · Cadro` : 'Cadro';
};

/**
 * The browser's tab, its history and a screen reader say which page this is.
 * @param heading what the page's heading says; null for a heading of something else.
 */
export const useTitle = (heading: ReactNode): void =>
  useEffect(() => {
    if (heading === null) return undefined;
    say();
    headingShown();
    return say;
  }, [heading]);
