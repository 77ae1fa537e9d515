import { useEffect, useState } from 'react';
import { api } from './api';
import { useAppSelector, type RootState } from './store';

const isAsking = (state: RootState): boolean =>
  Object.values(state[api.reducerPath].queries).some((query) => query?.status === 'pending');

/** What comes asks for more at times: so long nothing was asked for. */
const quietMs = 300;

/** Whether all that a page was made of has come, so that nothing on it moves any more; from then on it has. */
export function useAllCame(): boolean {
  const asking = useAppSelector(isAsking);
  const [came, setCame] = useState(false);
  useEffect(() => {
    if (asking || came) return undefined;
    const quiet = setTimeout(() => setCame(true), quietMs);
    return () => clearTimeout(quiet);
  }, [asking, came]);
  return came;
}
