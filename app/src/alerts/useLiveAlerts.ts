import { useEffect } from 'react';
import { api, tags, useAppDispatch } from '../store';
import { liveAddress } from './api';

/** Keeps the alerts in sight as they come, and what they are about with them. */
export function useLiveAlerts(): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const stream = new EventSource(liveAddress());
    // What was only put down changes no record.
    stream.addEventListener('state', () => void dispatch(api.util.invalidateTags(['Alerts'])));
    stream.addEventListener('news', () => void dispatch(api.util.invalidateTags(['Alerts', 'Record'])));
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
