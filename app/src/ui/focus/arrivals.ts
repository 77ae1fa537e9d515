import { isLost, toHeading, toLink, toWhatIsLeft, trailOf, type Trail } from './spots';

/** How one left an address: by which link, and how far its pages were scrolled. */
interface Left {
  readonly by: string | null;
  readonly scrolled: readonly number[];
}
const left = new Map<string, Left>();
/** The addresses one has come by, the one where one is last. */
const way: string[] = [];
/** One has gone to another address and has not touched anything there. */
let arriving = false;
/** A heading has come that nobody has touched anything since: on the way back the page is drawn before its address is told. */
let fresh = false;
/** A link has been followed; what comes without one is the browser's own way back. */
let followed = false;
let back: Left | null = null;
let last: Trail = [];

const pages = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('main [tabindex="0"]')];

const leave = (by: string | null): void => {
  left.set(way.at(-1) ?? '', { by, scrolled: pages().map(({ scrollTop }) => scrollTop) });
};

/** Where a page is there to be typed into, its field has the focus already. */
const isTyping = (): boolean => document.activeElement?.matches('main input, main textarea') ?? false;

const settle = (): void => {
  if (isTyping()) return;
  if (back) {
    const { by, scrolled } = back;
    for (const [at, page] of pages().entries()) page.scrollTop = scrolled[at] ?? 0;
    if (by && toLink(by)) return;
  }
  toHeading();
};

/** A page says that its heading stands there. */
export function headingShown(): void {
  fresh = true;
  if (arriving) settle();
}

/** The browser's way back to where one came from, or a link that leads there and up. */
const goesBack = (to: string): boolean =>
  to === way.at(-2) && (!followed || to.split('/').length < (way.at(-1) ?? '').split('/').length);

/**
 * To be told before the new page's own effects: its heading gets the focus; on the way back it is the link that one had left
 * by, with the page scrolled as it was.
 */
export function arrived(path: string): void {
  if (path === way.at(-1)) return;
  // Where a session begins the browser says itself what is shown.
  arriving = way.length > 0;
  back = goesBack(path) ? (left.get(path) ?? null) : null;
  if (back) way.pop();
  else way.push(path);
  followed = false;
  if (arriving && fresh) settle();
  fresh = false;
}

const touched = (): void => {
  arriving = false;
  fresh = false;
};

const pointed = (): void => {
  touched();
  // Whoever points beside everything wants the focus nowhere.
  last = [];
};

const clicked = ({ target }: Event): void => {
  const link = target instanceof Element ? target.closest('a') : null;
  if (!link) return;
  followed = true;
  leave(link.getAttribute('href'));
};

const focused = ({ target }: Event): void => {
  if (target instanceof Element && target !== document.body) last = trailOf(target);
};

/** What had the focus may have gone from the page, or may have been busy and is there again. */
const changed = (): void => {
  const [lost] = last;
  if (!lost || !isLost()) return;
  if (!lost.element.isConnected) {
    if (arriving) settle();
    else toWhatIsLeft(last);
  } else if (lost.element instanceof HTMLElement && !lost.element.matches(':disabled')) {
    lost.element.focus({ preventScroll: true });
  }
};

/** Listens to where one is and goes; to be stopped by what it gives back. */
export function keepFocus(): () => void {
  const listens: readonly [keyof DocumentEventMap, (event: Event) => void][] = [
    ['click', clicked],
    ['focusin', focused],
    ['pointerdown', pointed],
    ['keydown', touched],
  ];
  for (const [name, listener] of listens) document.addEventListener(name, listener, true);
  const observer = new MutationObserver(changed);
  observer.observe(document.body, {
    ...{ childList: true, subtree: true },
    attributeFilter: ['disabled'],
  });
  return () => {
    for (const [name, listener] of listens) document.removeEventListener(name, listener, true);
    observer.disconnect();
  };
}
