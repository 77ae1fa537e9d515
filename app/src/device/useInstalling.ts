import { useSyncExternalStore } from 'react';

/** What a browser that can put an app onto the home screen tells; not in every one, and so not in the DOM's types. */
interface InstallEvent extends Event {
  prompt(): Promise<unknown>;
}

let offered: InstallEvent | null = null;
const watching = new Set<() => void>();
const tell = () => watching.forEach((one) => one());

if (typeof window !== 'undefined') {
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    offered = event as InstallEvent; // by the event's name
    tell();
  });
  window.addEventListener('appinstalled', () => {
    offered = null;
    tell();
  });
}

const watch = (one: () => void) => {
  watching.add(one);
  return () => void watching.delete(one);
};

/** Whether Cadro was opened from the home screen, and what puts it there, where the browser has offered to. */
export function useInstalling(): { installed: boolean; install: (() => void) | null } {
  const offer = useSyncExternalStore(watch, () => offered);
  return {
    installed: window.matchMedia('(display-mode: standalone)').matches,
    install: offer && (() => void offer.prompt().finally(() => ((offered = null), tell()))),
  };
}
