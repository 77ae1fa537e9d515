/** The lines of the page's lists, by the first thing in each that leads somewhere. */
const lines = (): HTMLElement[] =>
  [...document.querySelectorAll('main li')].flatMap((line) => {
    const first = line.querySelector<HTMLElement>('a[href], button, [role=button], [role=checkbox]');
    return first ? [first] : [];
  });

/**
 * The focus goes on to the line below or above the one it is in; from elsewhere to the first or the last.
 * @param by 1 for the next, -1 for the one before.
 */
export function toLine(by: 1 | -1): void {
  const all = lines();
  const { activeElement } = document;
  const here = all.findIndex((line) => line.closest('li')?.contains(activeElement));
  const next = all[here < 0 ? (by > 0 ? 0 : all.length - 1) : here + by];
  next?.focus();
  next?.scrollIntoView({ block: 'nearest' });
}
