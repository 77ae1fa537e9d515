import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A seed from a name, so that each score has its own chance and the order of making does not matter. */
function seedOf(name: string): number {
  let seed = 0x811c9dc5;
  for (const char of name) seed = Math.imul(seed ^ (char.codePointAt(0) ?? 0), 0x01000193);
  return seed | 0;
}

/** -1 to 1, mostly near 0; the same for the same name, always. */
export function scatter(name: string): number {
  const generator = xoroshiro128plus(seedOf(name));
  const draw = () => uniformInt(generator, -1000, 1000) / 1000;
  return (draw() + draw() + draw()) / 3;
}
