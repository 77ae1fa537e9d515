import {
  closestCenter,
  type CollisionDetection,
  type KeyboardCoordinateGetter,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { useRef, useState } from 'react';

const stepOf = (code: string): number =>
  ['ArrowDown', 'ArrowRight'].includes(code) ? 1 : ['ArrowUp', 'ArrowLeft'].includes(code) ? -1 : 0;

/**
 * Arrow keys take a lifted card through `order`, place by place. The place
 * counts, never where the card happens to be drawn: the page scrolls under
 * it, and a key pressed meanwhile must not land somewhere else.
 */
export function useArrows(order: readonly string[]) {
  const place = useRef<UniqueIdentifier | null>(null);
  const [, redraw] = useState<UniqueIdentifier | null>(null);
  const set = (id: UniqueIdentifier | null) => {
    place.current = id;
    redraw(id);
  };

  const coordinates: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
    const step = stepOf(event.code);
    if (step === 0) return undefined;
    event.preventDefault();
    const from = order.indexOf(String(place.current));
    const next = order[Math.min(order.length - 1, Math.max(0, from + step))];
    const rect = next === undefined ? undefined : context.droppableRects.get(next);
    if (next === undefined || !rect || !context.collisionRect) return currentCoordinates;
    set(next);
    return {
      x: rect.left + (rect.width - context.collisionRect.width) / 2,
      y: rect.top + (rect.height - context.collisionRect.height) / 2,
    };
  };

  const collision: CollisionDetection = (args) =>
    args.pointerCoordinates === null && place.current !== null
      ? args.droppableContainers.filter(({ id }) => id === place.current).map(({ id }) => ({ id }))
      : closestCenter(args);

  return { coordinates, collision, startAt: set };
}
