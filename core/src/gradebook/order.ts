/** Moves the surrogates, which stand for all that comes after the first plane, behind the rest of that plane. */
const rank = (unit: number): number =>
  unit >= 0xe000 ? unit - 0x800 : unit >= 0xd800 ? unit + 0x2000 : unit;

/**
 * Orders ids by code point; JavaScript's own `<` goes by UTF-16 units, which differs for rare letters.
 * Negative when `a` comes first. Example: '\uFF5E' before '😀', though '😀' < '\uFF5E'.
 */
export function byCodePoint(a: string, b: string): number {
  const shared = Math.min(a.length, b.length);
  for (let index = 0; index < shared; index++) {
    const [x, y] = [a.charCodeAt(index), b.charCodeAt(index)];
    if (x !== y) return rank(x) - rank(y);
  }
  return a.length - b.length;
}
