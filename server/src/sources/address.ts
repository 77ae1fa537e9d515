/**
 * The address below which a school's system stands, as it is kept: two ways of writing one are one source.
 * @returns null where it is none.
 */
export function sourceAddress(text: string): string | null {
  if (!URL.canParse(text)) return null;
  const { protocol, origin, pathname, search, hash, username } = new URL(text);
  if (!['http:', 'https:'].includes(protocol) || search || hash || username) return null;
  return `${origin}${pathname.replace(/\/+$/, '')}`;
}
