import { useRouter, type Href } from 'expo-router';
import { useEffect } from 'react';
import { Loading } from '../States';

/**
 * Leads to another place in the stead of this one, once: a screen that is drawn again on the way there does not set out
 * again, which would never end.
 * @param to an address of the app
 */
export function LedTo({ to }: { to: string }) {
  const router = useRouter();
  useEffect(() => router.replace(to as Href), [router, to]); // as said above
  return <Loading />;
}
