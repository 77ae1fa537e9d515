const reachable = 'a[href], button:not([disabled]), input, textarea, select, [tabindex="0"]';

export const isLost = (): boolean =>
  document.activeElement === null || document.activeElement === document.body;

/** The reader goes on from there; the page stays where it is. */
function put(spot: HTMLElement | null | undefined): boolean {
  if (!spot) return false;
  // A heading is no stop of the Tab key, and can be gone to all the same.
  if (!spot.matches(reachable)) spot.tabIndex = -1;
  spot.focus({ preventScroll: true });
  return document.activeElement === spot;
}

/** The heading of what one looks at: the detail's stands behind the list's. */
export const toHeading = (): boolean => put([...document.querySelectorAll('h1')].at(-1));

/** @param href the address that was left by. */
export const toLink = (href: string): boolean =>
  put([...document.querySelectorAll('a')].find((link) => link.getAttribute('href') === href));

/** Where an element stands: from itself up, each with its place among its parent's children. */
export type Trail = readonly { readonly element: Element; readonly at: number }[];

export function trailOf(element: Element): Trail {
  const trail: { element: Element; at: number }[] = [];
  for (let each: Element | null = element; each && each !== document.body; each = each.parentElement)
    trail.push({ element: each, at: [...(each.parentElement?.children ?? [])].indexOf(each) });
  return trail;
}

/** The last heading that stands before a spot. */
const headingBefore = (spot: Element): HTMLElement | undefined =>
  [...document.querySelectorAll<HTMLElement>('h1, h2, h3')]
    .filter((heading) => (heading.compareDocumentPosition(spot) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0)
    .at(-1);

/** What had the focus is gone: on to what stands in its place, or else to the heading above. */
export function toWhatIsLeft(trail: Trail): boolean {
  const stays = trail.findIndex(({ element }) => element.isConnected);
  const parent = trail[stays]?.element;
  if (!parent) return toHeading();
  const spot = parent.children[trail[stays - 1]?.at ?? 0];
  const within = spot?.matches(reachable) ? spot : spot?.querySelector(reachable);
  return (within instanceof HTMLElement && put(within)) || put(headingBefore(spot ?? parent)) || toHeading();
}
