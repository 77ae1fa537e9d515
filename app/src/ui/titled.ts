import { useEffect } from 'react';

/** The headings of the pages in sight, the one that came last on top. */
const inSight: { readonly title: string }[] = [];

const say = (): void => {
  const top = inSight.at(-1)?.title;
  document.title = top ? `${top} · Cadro` : 'Cadro';
};

/** The browser's tab, its history and a screen reader say which page this is. */
export function useTitle(title: string | null): void {
  useEffect(() => {
    if (title === null) return undefined;
    const own = { title };
    inSight.push(own);
    say();
    return () => {
      inSight.splice(inSight.indexOf(own), 1);
      say();
    };
  }, [title]);
}
