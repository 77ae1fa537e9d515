import { useState } from 'react';
import { giveTaken } from './taken';

/** The secret that an address carries behind its `#`: read once, and gone from the address and from the way back. */
export function useCarried(): string {
  const [carried] = useState(giveTaken);
  return carried;
}

/** What was begun at the door and goes on later in this window: never a password. */
export interface Begun {
  readonly code: string;
  readonly name: string;
  readonly email: string;
}

const storageKey = 'cadro.door';
const nothing: Begun = { code: '', name: '', email: '' };

export function rememberedDoor(): Begun {
  try {
    const kept = JSON.parse(sessionStorage.getItem(storageKey) ?? '{}') as Partial<
      Record<keyof Begun, unknown>
    >;
    const text = (value: unknown): string => (typeof value === 'string' ? value.slice(0, 320) : '');
    return { code: text(kept.code), name: text(kept.name), email: text(kept.email) };
  } catch {
    return nothing; // storage may be closed or spoilt: it is only typed once more
  }
}

export function rememberDoor(some: Partial<Begun>): void {
  try {
    sessionStorage.setItem(storageKey, JSON.stringify({ ...rememberedDoor(), ...some }));
  } catch {
    // as above
  }
}

export function forgetDoor(): void {
  try {
    sessionStorage.removeItem(storageKey);
  } catch {
    // as above
  }
}
