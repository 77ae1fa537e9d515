import { QueryStatus } from '@reduxjs/toolkit/query';
import type { Workbox } from 'workbox-window';
import { store, versionCame } from '../store';

/** So often an open page asks whether there is a newer version. */
const askEveryMs = 3_600_000;

let workbox: Workbox | null = null;
let begun = false;
let takesOver = false;
/** Whether anybody has done anything on this page since it was opened. */
let touched = false;

const wait = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));
const firstPageMs = 3_000;
/** After so long without a stroke, what is being written is on its way to where it is kept. */
const settledMs = 1_000;
const writes = (): boolean =>
  Object.values(store.getState().api.mutations).some((write) => write?.status === QueryStatus.pending);

/** The newer version that waits takes this page's place, once what was being written is kept. */
export async function takeOver(): Promise<void> {
  await wait(settledMs);
  while (writes()) await wait(settledMs / 10);
  takesOver = true;
  workbox?.messageSkipWaiting();
}

/**
 * Has what goes on without a connection set up beside the page. A newer version waits until it is asked to take over;
 * one that waited before a page was opened, and that nobody has touched since, takes over by itself.
 */
export async function setUp(): Promise<void> {
  if (begun || process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  begun = true;
  const note = () => (touched = true);
  for (const kind of ['pointerdown', 'keydown']) window.addEventListener(kind, note, { once: true });
  // What a first page needs comes before what it may need some day.
  if (!navigator.serviceWorker.controller) await wait(firstPageMs);
  const { Workbox } = await import('workbox-window');
  workbox = new Workbox('/offline.js');
  workbox.addEventListener('waiting', ({ wasWaitingBeforeRegister }) => {
    if (wasWaitingBeforeRegister && !touched) void takeOver();
    else store.dispatch(versionCame());
  });
  workbox.addEventListener('controlling', () => {
    if (takesOver) window.location.reload();
  });
  await workbox.register({ immediate: true });
  setInterval(() => void workbox?.update().catch(() => undefined), askEveryMs);
}
