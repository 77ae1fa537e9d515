import { useRouter, type Href } from 'expo-router';
import { useEffect } from 'react';

/** Goes to what a notification is about, when one is touched while Cadro is open: what is being written here is kept. */
export function useOpened(): void {
  const router = useRouter();
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const open = ({ data }: MessageEvent<{ open?: string } | null>) => {
      if (typeof data?.open === 'string') router.push(data.open as Href); // a path of this app
    };
    navigator.serviceWorker.addEventListener('message', open);
    return () => navigator.serviceWorker.removeEventListener('message', open);
  }, [router]);
}
