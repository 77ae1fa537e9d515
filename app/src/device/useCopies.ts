import { useEffect } from 'react';
import type { Me } from '@cadro/contract';
import { useFormat, useMeQuery } from '../household';
import {
  copiesEra,
  copyOf,
  deviceSaid,
  dropCopies,
  keepCopy,
  useAppDispatch,
  useAppSelector,
} from '../store';

/** So long after the last time every place is fetched anew; what is opened in between is kept as it comes. */
const fillEveryMs = 4 * 3_600_000;
/** The page one has opened comes first. */
const restMs = 4_000;
/** Where it is noted, among the copies, that all of them came. */
const filled = '/filled';

async function fillWhereOld(me: Me, today: string): Promise<void> {
  const last = await copyOf(filled);
  if (last && Date.now() - last.cameAt < fillEveryMs) return;
  const era = copiesEra();
  const { fillCopies } = await import('./fillCopies');
  if (await fillCopies(me, today)) await keepCopy(filled, { data: null, cameAt: Date.now() }, era);
}

/** Keeps a copy of every place, on a device that is one's own; and nothing of anybody else's. */
export function useCopies(): void {
  const dispatch = useAppDispatch();
  const device = useAppSelector((state) => state.prefs.device);
  const away = useAppSelector((state) => state.reach.away);
  const { data: me } = useMeQuery();
  const { today } = useFormat();
  const anothers = me !== undefined && device !== null && device.personId !== me.id;
  const own = device?.own === true && !anothers;
  useEffect(() => {
    if (!anothers) return;
    dispatch(deviceSaid(null));
    void dropCopies();
  }, [anothers, dispatch]);
  useEffect(() => {
    if (!me || !own || away) return;
    const fill = () => void fillWhereOld(me, today).catch(() => undefined);
    const waiting = setTimeout(fill, restMs);
    // A page on a phone stays for days, and is looked at again.
    const seen = () => void (document.visibilityState === 'visible' && fill());
    document.addEventListener('visibilitychange', seen);
    return () => {
      clearTimeout(waiting);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [me, own, away, today]);
}
