import type { PublishedEvent } from './write';

/** An event as it is now, before it is known what a subscriber has been given. */
export type DraftEvent = Omit<PublishedEvent, 'sequence' | 'changedAt' | 'cancelled'>;

/** What a subscriber has been given last under a UID. */
export interface GivenEvent {
  readonly uid: string;
  readonly sequence: number;
  /** The draft as text, so that a change is seen whatever it is. */
  readonly content: string;
  readonly changedAt: string;
  readonly cancelled: boolean;
}
export interface Publication {
  readonly events: PublishedEvent[];
  /** What has to be kept for the next time. */
  readonly changed: GivenEvent[];
}

/**
 * What a subscriber is given now: a changed event under the next SEQUENCE, and one that is gone as cancelled for as
 * long as its days are in sight. What was never given is never cancelled.
 * @param given all that this subscriber has been given.
 * @param from first day in sight; what ended before it is left alone.
 * @param mayTell whether something that is gone may still be spoken of.
 */
export function publish<D extends DraftEvent>(
  given: readonly GivenEvent[],
  drafts: readonly D[],
  { now, from, mayTell }: { now: string; from: string; mayTell: (gone: D) => boolean },
): Publication {
  const known = new Map(given.map((each) => [each.uid, each]));
  const present = new Set(drafts.map(({ uid }) => uid));
  const changed: GivenEvent[] = [];
  const step = (uid: string, content: string, cancelled: boolean): GivenEvent => {
    const last = known.get(uid);
    if (last && last.content === content && last.cancelled === cancelled) return last;
    const next = { uid, sequence: last ? last.sequence + 1 : 0, content, changedAt: now, cancelled };
    changed.push(next);
    return next;
  };
  const told = (draft: D, { sequence, changedAt, cancelled }: GivenEvent): PublishedEvent => ({
    ...draft,
    ...{ sequence, changedAt, cancelled },
  });
  const events = drafts.map((draft) => told(draft, step(draft.uid, JSON.stringify(draft), false)));
  const gone = given.flatMap((last) => {
    if (present.has(last.uid)) return [];
    const draft = JSON.parse(last.content) as D; // written by `step` above
    return draft.lastOn >= from && mayTell(draft) ? [told(draft, step(last.uid, last.content, true))] : [];
  });
  return { events: [...events, ...gone], changed };
}
