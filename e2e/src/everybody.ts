/* What everybody needs of a screen, looked for in the page itself. Each says what it found wrong, and nothing where all is well. */

/** Texts that reach over the edge of the screen or lie upon each other. */
export function badlyPlaced(): string[] {
  interface Placed {
    readonly text: string;
    readonly box: DOMRect;
    readonly floats: boolean;
  }
  const floats = (element: Element): boolean => {
    for (let each: Element | null = element; each && each.id !== 'root'; each = each.parentElement)
      if (['sticky', 'absolute', 'fixed'].includes(getComputedStyle(each).position)) return true;
    return false;
  };
  const scrollsAside = (element: Element): boolean => {
    for (let each: Element | null = element; each; each = each.parentElement)
      if (
        each.scrollWidth > each.clientWidth + 1 &&
        ['auto', 'scroll'].includes(getComputedStyle(each).overflowX)
      )
        return true;
    return false;
  };
  /** The part of the screen in which an element is seen: it may have been scrolled away. */
  const windowOf = (element: Element): DOMRect => {
    for (let each: Element | null = element; each; each = each.parentElement)
      if (['auto', 'scroll'].includes(getComputedStyle(each).overflowY)) return each.getBoundingClientRect();
    return document.documentElement.getBoundingClientRect();
  };
  const isCut = (element: Element): boolean => getComputedStyle(element).textOverflow === 'ellipsis';
  const placed: Placed[] = [];
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const wrong: string[] = [];
  while (walker.nextNode()) {
    const text = walker.currentNode.textContent?.trim() ?? '';
    const element = walker.currentNode.parentElement;
    if (!text || !element?.checkVisibility() || element.closest('svg, style, script')) continue;
    const range = document.createRange();
    range.selectNodeContents(walker.currentNode);
    for (const box of range.getClientRects()) {
      if (box.width < 1 || box.height < 4) continue;
      if (!scrollsAside(element) && !isCut(element) && (box.left < -1 || box.right > window.innerWidth + 1))
        wrong.push(`over the edge: ${text.slice(0, 60)}`);
      const { top, bottom } = windowOf(element);
      const seen = box.top >= top - 1 && box.bottom <= bottom + 1;
      if (seen && !isCut(element) && element.closest('main'))
        placed.push({ text, box, floats: floats(element) });
    }
  }
  const still = placed.filter((each) => !each.floats).sort((a, b) => a.box.top - b.box.top);
  for (const [at, a] of still.entries())
    for (const b of still.slice(at + 1)) {
      if (b.box.top > a.box.bottom) break;
      const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
      const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
      if (a.text !== b.text && across > 3 && down > 6)
        wrong.push(`upon each other: ${a.text.slice(0, 40)} | ${b.text.slice(0, 40)}`);
    }
  return [...new Set(wrong)];
}

/** Links and buttons whose name leaves out words that are seen in them. A day of a month is named in other words than its cell has room for. */
export function hidingNames(): string[] {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/[\s.,·:]+/g, ' ')
      .trim();
  return [
    ...document.querySelectorAll<HTMLElement>(
      'main a[aria-label], main [role=button][aria-label], main button[aria-label]',
    ),
  ]
    .filter((element) => element.checkVisibility())
    .flatMap((element) => {
      const name = plain(element.getAttribute('aria-label') ?? '');
      const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
      const hidden: string[] = [];
      while (walker.nextNode()) {
        const node = walker.currentNode;
        if (node.parentElement?.closest('svg, [aria-hidden=true], [role=table]')) continue;
        const words = plain(node.textContent ?? '');
        if (words && !name.includes(words)) hidden.push(words);
      }
      return hidden.length > 0 ? [`${name.slice(0, 60)} hides: ${hidden.join(' | ').slice(0, 120)}`] : [];
    });
}

/** Rows beside each other that are in no list. */
export function unlistedRows(): string[] {
  return [...document.querySelectorAll('main *')].flatMap((parent) => {
    const rows = [...parent.children].filter(
      (child) => child.matches('a[aria-label]:not([target])') && child.getBoundingClientRect().height >= 44,
    );
    const below = rows.filter(
      (row, at) =>
        at > 0 && row.getBoundingClientRect().top >= (rows[at - 1]?.getBoundingClientRect().bottom ?? 0) - 1,
    );
    return below.length > 0
      ? [`rows in no list: ${rows[0]?.getAttribute('aria-label')?.slice(0, 60) ?? ''}`]
      : [];
  });
}

/** Things to press that are less than 44 points high, or narrower than 24 as a short word is, by what they say. */
export function tooSmall(): string[] {
  const pressed = 'a[href], button, [role=button], [role=radio], [role=checkbox], [role=link]';
  return [...document.querySelectorAll<HTMLElement>(pressed)]
    .filter((element) => element.checkVisibility() && element.getBoundingClientRect().top > -500)
    .flatMap((element) => {
      const { width, height } = element.getBoundingClientRect();
      return width < 24 || height < 43.5
        ? [
            `${Math.round(width)} × ${Math.round(height)}: ${(element.getAttribute('aria-label') ?? element.textContent ?? '').slice(0, 50)}`,
          ]
        : [];
    });
}

/** More than four sizes or two weights of what is written on the page; a child's mark is a drawing, not a text. */
export function tooManyLooks(): string[] {
  const sizes = new Map<string, string>();
  const weights = new Map<string, string>();
  const walker = document.createTreeWalker(
    document.querySelector('main') ?? document.body,
    NodeFilter.SHOW_TEXT,
  );
  while (walker.nextNode()) {
    const text = walker.currentNode.textContent?.trim() ?? '';
    const element = walker.currentNode.parentElement;
    if (!text || !element?.checkVisibility() || element.closest('style, script, svg[aria-hidden=true]'))
      continue;
    const { fontSize, fontWeight } = getComputedStyle(element);
    sizes.set(fontSize, text.slice(0, 30));
    weights.set(fontWeight, text.slice(0, 30));
  }
  const said = (looks: Map<string, string>) =>
    [...looks].map(([look, text]) => `${look}: ${text}`).join(' | ');
  return [...(sizes.size > 4 ? [said(sizes)] : []), ...(weights.size > 2 ? [said(weights)] : [])];
}

/** Dark buttons beside each other on one screen: which of them is the next step? */
export function tooManyDark(): string[] {
  const ink = getComputedStyle(document.querySelector('h1, h2') ?? document.body).color;
  const dark = [...document.querySelectorAll<HTMLElement>('main a, main button, main [role=button]')].filter(
    (element) => {
      const { top, bottom } = element.getBoundingClientRect();
      return (
        element.checkVisibility() &&
        top >= 0 &&
        bottom <= window.innerHeight &&
        getComputedStyle(element).backgroundColor === ink
      );
    },
  );
  return dark.length > 1 ? [dark.map(({ textContent }) => textContent.slice(0, 40)).join(' | ')] : [];
}

/** The lines of text one sees without scrolling between the bars; texts beside each other are one, words in drawings none. */
export function linesInSight(): string[] {
  const walker = document.createTreeWalker(
    document.querySelector('main, [role=main]') ?? document.body,
    NodeFilter.SHOW_TEXT,
  );
  const seen: { middle: number; text: string }[] = [];
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const parent = node.parentElement;
    if (!parent || !node.textContent?.trim() || parent.closest('svg')) continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    for (const { left, top, width, height } of range.getClientRects()) {
      if (width < 3 || height < 4) continue;
      const middle = top + height / 2;
      const shown = document.elementFromPoint(left + width / 2, middle);
      // What lies behind a bar, or out of sight, is not seen.
      if (shown && (shown.contains(parent) || parent.contains(shown)))
        seen.push({ middle, text: node.textContent.trim() });
    }
  }
  seen.sort((a, b) => a.middle - b.middle);
  const near = 8;
  return seen
    .filter(({ middle }, at) => at === 0 || middle - (seen[at - 1]?.middle ?? 0) >= near)
    .map(({ text }) => text);
}

/** Makes every word of the page two fifths longer, as another language might; a second call takes it back. */
export function lengthen(): void {
  const kept = window.wordsOfPage;
  if (kept) {
    for (const [node, text, longer] of kept) if (node.data === longer) node.data = text;
    delete window.wordsOfPage;
    return;
  }
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const changed: [Text, string, string][] = [];
  while (walker.nextNode()) {
    const node = walker.currentNode as Text; // that is what the walker shows
    const text = node.data;
    if (node.parentElement?.closest('svg, style, script')) continue;
    const longer = text.replace(
      /\p{L}{3,}/gu,
      (word) => word + word.slice(0, Math.ceil(word.length * 0.4)).toLowerCase(),
    );
    if (longer !== text) changed.push([node, text, longer]);
  }
  for (const [node, , longer] of changed) node.data = longer;
  window.wordsOfPage = changed;
}

declare global {
  interface Window {
    wordsOfPage?: [Text, string, string][];
  }
}
