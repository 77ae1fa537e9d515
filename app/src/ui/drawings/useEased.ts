import { useEffect, useRef, useState } from 'react';

/** How long drawings take to move, in ms. */
const moves = 200;

const still = (): boolean =>
  !('matchMedia' in window) || window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** Fast at first, and slowly in. @param done share of the way, 0 to 1. */
const eased = (done: number): number => 1 - (1 - done) ** 3;

type Places = readonly (number | null)[];

const between = (from: Places, to: Places, share: number): Places =>
  to.map((value, at) => {
    const before = from[at] ?? null;
    return value === null || before === null ? value : before + (value - before) * share;
  });

/**
 * Places on their way from where they were: what belongs to one drawing moves together. Where one asks for no motion they
 * are there at once; so is what was not drawn before, or in another width.
 * @param width of the drawing, in points.
 */
export function useEased(places: Places, width: number): Places {
  const asked = JSON.stringify(places);
  const [shown, setShown] = useState({ of: asked, places });
  const latest = useRef({ places, width });
  useEffect(() => {
    const to = JSON.parse(asked) as Places;
    const from = latest.current.places;
    const sameWidth = latest.current.width === width;
    const set = (now: Places) => {
      latest.current = { places: now, width };
      setShown({ of: asked, places: now });
    };
    if (!sameWidth || still() || asked === JSON.stringify(from)) return set(to);
    let frame = 0;
    let begun: number | null = null;
    const step = (time: number) => {
      begun ??= time;
      const done = Math.min(1, (time - begun) / moves);
      set(between(from, to, eased(done)));
      if (done < 1) frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [asked, width]);
  // Until it is on its way, in another width, it is drawn where it is to be.
  return latest.current.width === width ? shown.places : places;
}
