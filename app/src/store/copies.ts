import { forgetTagged } from './tagged';

/** What this device keeps of answers, for when there is no connection: each by its address, with when it came. */
const storeName = 'cadro.copies';
const cameHeader = 'came-at';

export interface Copy {
  readonly data: unknown;
  /** ms since 1970. */
  readonly cameAt: number;
}

/** Null where the browser keeps nothing: outside of https, and in some private windows. */
const opened = (): Promise<Cache | null> =>
  typeof caches === 'undefined' ? Promise.resolve(null) : caches.open(storeName).catch(() => null);

/** How often all were dropped here: what was asked for before that comes too late to be kept. */
let dropped = 0;
export const copiesEra = (): number => dropped;

/** @param era as it was when the answer was asked for */
export async function keepCopy(address: string, { data, cameAt }: Copy, era: number): Promise<void> {
  const place = await opened();
  if (era !== dropped) return;
  const kept = new Response(JSON.stringify(data), { headers: { [cameHeader]: String(cameAt) } });
  // A full device keeps no more copies; the page goes on without.
  await place?.put(address, kept).catch(() => undefined);
}

export async function copyOf(address: string): Promise<Copy | null> {
  const kept = await (await opened())?.match(address).catch(() => undefined);
  return kept ? { data: await kept.json(), cameAt: Number(kept.headers.get(cameHeader)) } : null;
}

/** @param address of an answer that may not be seen any more */
export async function dropCopy(address: string): Promise<void> {
  await (await opened())?.delete(address);
}

/** Nothing is left of any, nor of what this page has of them by itself. */
export async function dropCopies(): Promise<void> {
  dropped += 1;
  forgetTagged();
  if (typeof caches !== 'undefined') await caches.delete(storeName).catch(() => false);
}
