import { useEffect } from 'react';
import type { LiveKind } from '@cadro/contract';
import { api, tags, useAppDispatch, type Tag } from '../store';
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

/** Keeps the alerts in sight as they come, what they are about with them, and what others at home do. */
export function useLiveAlerts(): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const stream = new EventSource(liveAddress());
    // What was only put down changes no record.
    stream.addEventListener('state', () => void dispatch(api.util.invalidateTags(['Alerts'])));
    stream.addEventListener('news', () => void dispatch(api.util.invalidateTags(['Alerts', 'Record'])));
    for (const [kind, changed] of Object.entries(doneAtHome))
      stream.addEventListener(kind, () => void dispatch(api.util.invalidateTags([...changed])));
    const allAnew = () => void dispatch(api.util.invalidateTags([...tags]));
    // A link has ended, or less may be seen: nothing that stands here is known to be theirs still.
    stream.addEventListener('rights', allAnew);
    // What was said while the stream was away has not been heard.
    let opened = false;
    stream.addEventListener('open', () => {
      if (opened) allAnew();
      opened = true;
    });
    return () => stream.close();
  }, [dispatch]);
}
