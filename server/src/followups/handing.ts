import type { Asked, FollowUpChange, Owner } from '@cadro/contract';
import { checked, handing, type Held } from '@cadro/core';
import { nothing, refused, type Changed } from './changed';
import type * as store from './store';

/** Who does something with a follow-up, and to whom they may hand it. */
export interface Doer {
  readonly id: string;
  readonly name: string;
  readonly others: readonly { readonly id: string; readonly name: string }[];
}

export const ownerOf = ({
  owner_kind: kind,
  owner_id: id,
  owner_name,
  taken_by,
}: store.FollowUpRow): Owner =>
  kind === 'guardian' ? { kind, id, name: owner_name ?? taken_by ?? '' } : { kind };

export const askedOf = ({
  asked_state: state,
  asked_name,
  asked_word: word,
}: store.FollowUpRow): Asked | null => (state === null ? null : { by: asked_name ?? '', word, state });

/** Whether a follow-up waits for this guardian to say yes or no. */
export const isAskedOf = (row: store.FollowUpRow, guardianId: string): boolean =>
  row.owner_kind === 'guardian' &&
  row.owner_id === guardianId &&
  row.asked_state === 'asked' &&
  row.step !== 'settled';

const heldOf = (row: store.FollowUpRow): Held => ({
  ...{ kind: row.owner_kind, ownerId: row.owner_id, askedBy: row.asked_by },
  ...{ askedState: row.asked_state, askedWord: row.asked_word },
});

/** How who has it changes. @throws HttpProblem 400 for somebody it cannot be handed to, or an answer nobody asked for. */
export function handedOver(row: store.FollowUpRow, change: FollowUpChange, doer: Doer): Changed {
  const { id: me, name: author, others } = doer;
  const done = handing(heldOf(row), change, { me, others: others.map(({ id }) => id) });
  if (done === null) return nothing;
  if ('fault' in done) throw refused(done.fault);
  const { kind, ownerId, askedBy, askedState, askedWord } = done.held;
  const { reply, handTo } = change;
  const names = [...others, { id: me, name: author }];
  const to = kind === 'guardian' ? (names.find(({ id }) => id === ownerId)?.name ?? '') : kind;
  return {
    columns: {
      ...{ owner_kind: kind, owner_id: ownerId },
      ...{ asked_by: askedBy, asked_state: askedState, asked_word: askedWord },
    },
    entries: [
      ...(handTo ? [{ kind: 'handed', author, to } as const] : []),
      ...(reply === 'accept' ? [{ kind: 'accepted', author } as const] : []),
      ...(reply === 'return' ? [{ kind: 'returned', author, to } as const] : []),
    ],
  };
}

/** How the list of what is to be done changes. */
export function tickedOff(row: store.FollowUpRow, { checklist }: FollowUpChange, author: string): Changed {
  if (checklist === undefined) return nothing;
  const { list, ticked } = checked(row.checklist, checklist, author);
  return {
    columns: { checklist: list },
    entries: ticked.map((text) => ({ kind: 'checked', author, text }) as const),
  };
}
