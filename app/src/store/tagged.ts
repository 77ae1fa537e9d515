/** An answer with the tag under which the server knows it again. */
interface Tagged {
  readonly session: number;
  readonly etag: string;
  readonly data: unknown;
}

/** The last answer of each address that came with a tag, while this page is open: what is still so is not sent again. */
const last = new Map<string, Tagged>();
const most = 30;

/** @param session of this page: who signs in after another begins with nothing. */
export const taggedOf = (address: string, session: number): Tagged | null => {
  const known = last.get(address);
  return known?.session === session ? known : null;
};

/** Nothing is left of any. */
export const forgetTagged = (): void => last.clear();

export function keepTagged(address: string, tagged: Tagged): void {
  last.delete(address);
  last.set(address, tagged);
  const [oldest] = last.keys();
  if (last.size > most && oldest !== undefined) last.delete(oldest);
}
