import { useEffect } from 'react';
import { api, tags, useAppDispatch } from '../store';
import { useNextChild } from './useNextChild';

/** How far a finger goes before it means something, in points; and how much straighter than aslant. */
const [aside, down, straight] = [90, 110, 2];
/** At the edges of the screen a sweep is the browser's own. */
const edge = 28;

interface Begun {
  readonly x: number;
  readonly y: number;
  /** Whether the page stood at its top. */
  readonly atTop: boolean;
}

/** What moves by itself under a finger, or is dragged, is not swept over. */
const isOwn = (target: Element): boolean => {
  if (target.closest('input, textarea, [role=slider], [data-drag], [draggable=true], audio')) return true;
  for (let each: Element | null = target; each && each.tagName !== 'MAIN'; each = each.parentElement)
    if (
      getComputedStyle(each).touchAction === 'none' ||
      (each.scrollWidth > each.clientWidth + 1 && /auto|scroll/.test(getComputedStyle(each).overflowX))
    )
      return true;
  return false;
};

const isAtTop = (target: Element): boolean => {
  for (let each: Element | null = target; each; each = each.parentElement)
    if (each.scrollTop > 0) return false;
  return true;
};

/** A finger put down on the page; null where it is on something else. */
const begunBy = ({ clientX: x, clientY: y }: Touch, target: Element): Begun | null =>
  target.closest('main') && x > edge && x < window.innerWidth - edge && !isOwn(target)
    ? { x, y, atTop: isAtTop(target) }
    : null;

/**
 * What a finger means that went from one place to another.
 * @returns 1 and -1 for the next and the last child, 'anew' for a pull from the top; null for nothing.
 */
export function meantBy(
  { x, y, atTop }: Begun,
  to: { readonly x: number; readonly y: number },
): 1 | -1 | 'anew' | null {
  const [across, along] = [to.x - x, to.y - y];
  if (Math.abs(across) > aside && Math.abs(across) > straight * Math.abs(along)) return across < 0 ? 1 : -1;
  return atTop && along > down && along > straight * Math.abs(across) ? 'anew' : null;
}

/** On a touch screen: a sweep leads to the next child, a pull from the top asks for everything anew. */
export function useGestures(): void {
  const dispatch = useAppDispatch();
  const nextChild = useNextChild();
  useEffect(() => {
    let begun: Begun | null = null;
    const start = ({ touches, target }: TouchEvent) => {
      const [touch] = touches;
      begun = touch && touches.length === 1 && target instanceof Element ? begunBy(touch, target) : null;
    };
    const end = ({ changedTouches }: TouchEvent) => {
      const [touch] = changedTouches;
      const meant = begun && touch ? meantBy(begun, { x: touch.clientX, y: touch.clientY }) : null;
      begun = null;
      if (meant === 'anew') dispatch(api.util.invalidateTags([...tags]));
      else if (meant) nextChild(meant);
    };
    document.addEventListener('touchstart', start, { passive: true });
    document.addEventListener('touchend', end, { passive: true });
    return () => {
      document.removeEventListener('touchstart', start);
      document.removeEventListener('touchend', end);
    };
  });
}
