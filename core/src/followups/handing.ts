import type { Check, FollowUpChange, HandTo } from '@cadro/contract';

/** Who has a follow-up and who asked them, by their ids. */
export interface Held {
  readonly kind: HandTo['kind'];
  /** Of a guardian. */
  readonly ownerId: string | null;
  readonly askedBy: string | null;
  readonly askedState: 'asked' | 'accepted' | null;
  readonly askedWord: string | null;
}

/** What handing over, saying yes or giving back comes to; a fault where it cannot be. */
export type Handing = { readonly held: Held } | { readonly fault: 'handTo' | 'reply' };

const unasked = { askedBy: null, askedState: null, askedWord: null } as const;

/**
 * Hands a follow-up over, accepts it or gives it back.
 * @param me who does so. @param others the ids of the guardians it may be handed to.
 * @returns null where a change is about none of it.
 */
export function handing(
  held: Held,
  { handTo, reply, note }: Pick<FollowUpChange, 'handTo' | 'reply' | 'note'>,
  { me, others }: { readonly me: string; readonly others: readonly string[] },
): Handing | null {
  if (reply !== undefined) {
    const asked = held.kind === 'guardian' && held.ownerId === me && held.askedState === 'asked';
    if (!asked || handTo !== undefined) return { fault: 'reply' };
    if (reply === 'accept') return { held: { ...held, askedState: 'accepted' } };
    return { held: { kind: 'guardian', ownerId: held.askedBy, ...unasked } };
  }
  if (handTo === undefined) return null;
  if (handTo.kind !== 'guardian') return { held: { kind: handTo.kind, ownerId: null, ...unasked } };
  if (handTo.id === me) return { held: { kind: 'guardian', ownerId: me, ...unasked } };
  if (!others.includes(handTo.id)) return { fault: 'handTo' };
  return {
    held: {
      ...{ kind: 'guardian', ownerId: handTo.id, askedBy: me, askedState: 'asked' },
      askedWord: note ?? null,
    },
  };
}

/** A list as it is from now on, with who ticked what; and what has been ticked just now. */
export function checked(
  before: readonly Check[],
  wanted: readonly Omit<Check, 'by'>[],
  me: string,
): { readonly list: Check[]; readonly ticked: string[] } {
  const known = new Map(before.map((check) => [check.id, check]));
  const list = wanted.map(({ id, text, done }): Check => {
    const old = known.get(id);
    return { id, text, done, by: done ? (old?.done ? old.by : me) : null };
  });
  const ticked = list.filter(({ id, done }) => done && !known.get(id)?.done).map(({ text }) => text);
  return { list, ticked };
}
