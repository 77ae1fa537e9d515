import { useEffect, useRef } from 'react';
import { reachedBy } from '../device';
import { useMeQuery } from '../household';
import { pushedHere, useAppDispatch, useAppSelector } from '../store';
import { useAddDeviceMutation } from './api';

/** What is pushed ends with its session: whoever signs in again on the same device has it go on. */
export function usePushedOn(): void {
  const dispatch = useAppDispatch();
  const { data: me } = useMeQuery();
  const [add] = useAddDeviceMutation();
  const pushed = useAppSelector((state) => state.prefs.pushed);
  const { count, ended } = useAppSelector((state) => state.session);
  /** The session in which it was seen to. */
  const seen = useRef(0);
  const personId = me?.id;
  const goesOn = count > 0 && !ended && personId !== undefined && pushed === personId;
  useEffect(() => {
    if (!goesOn || seen.current === count) return;
    seen.current = count;
    const again = async () => {
      const reach = await reachedBy();
      const added = reach && (await add(reach));
      dispatch(pushedHere(added?.data ? personId : null));
    };
    void again().catch(() => undefined);
  }, [goesOn, count, personId, add, dispatch]);
}
