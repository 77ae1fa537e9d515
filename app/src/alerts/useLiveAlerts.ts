import { useEffect } from 'react';
import type { LiveKind } from '@cadro/contract';
import { api, dropCopies, tags, useAppDispatch, useAppSelector, type Tag } from '../store';
import { liveAddress } from './api';

/** What is asked for anew where somebody of the family has done something. */
const doneAtHome: Readonly<Partial<Record<LiveKind, readonly Tag[]>>> = {
  talk: ['Talk', 'Desk'],
  notes: ['Notes'],
  announced: ['Announced', 'Talk'],
  desk: ['Desk'],
  plan: ['Record', 'Desk'],
  sitdown: ['Sitdown'],
  meetings: ['Meetings', 'Calendar'],
};

/**
 * A stream the server has refused is begun anew after so long, and after twice as long each time it is refused again:
 * browsers do it by themselves only where the line broke.
 */
const [againMs, longestMs] = [5_000, 80_000];

/**
 * Listens until it is told to stop.
 * @param tell is told what is to be asked for anew
 * @returns stops it
 */
function listen(tell: (changed: readonly Tag[]) => void): () => void {
  let stream: EventSource | null = null;
  let waiting: ReturnType<typeof setTimeout> | undefined;
  let opened = false;
  let pause = againMs;
  const begin = () => {
    const begun = new EventSource(liveAddress());
    const on = (kind: string, changed: readonly Tag[]) => begun.addEventListener(kind, () => tell(changed));
    // What was only put down changes no record.
    on('state', ['Alerts']);
    on('news', ['Alerts', 'Record']);
    for (const [kind, changed] of Object.entries(doneAtHome)) on(kind, changed);
    // A link has ended, or less may be seen: nothing that stands here is known to be theirs still.
    begun.addEventListener('rights', () => void dropCopies().then(() => tell(tags)));
    begun.addEventListener('open', () => {
      // What was said while the stream was away has not been heard.
      if (opened) tell(tags);
      opened = true;
      pause = againMs;
    });
    begun.addEventListener('error', () => {
      if (begun.readyState !== EventSource.CLOSED) return;
      waiting = setTimeout(begin, pause);
      pause = Math.min(2 * pause, longestMs);
    });
    stream = begun;
  };
  begin();
  return () => {
    clearTimeout(waiting);
    stream?.close();
  };
}

/** Keeps the alerts in sight as they come, what they are about with them, and what others at home do. */
export function useLiveAlerts(): void {
  const dispatch = useAppDispatch();
  // Nobody is told anything in a session that has ended; whoever signs in again is.
  const ended = useAppSelector((state) => state.session.ended);
  useEffect(() => {
    if (ended || typeof EventSource === 'undefined') return;
    return listen((changed) => void dispatch(api.util.invalidateTags([...changed])));
  }, [dispatch, ended]);
}
