import { useEffect } from 'react';
import { api, useAppDispatch } from '../store';
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
    return () => stream.close();
  }, [dispatch]);
}
