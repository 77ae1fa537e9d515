import type { NewPushDevice } from '@cadro/contract';
import { reachOf } from './reached';
import { setUp } from './version';

/** Whether this browser shows what is pushed to it. */
export const canPush = (): boolean =>
  typeof window !== 'undefined' &&
  'PushManager' in window &&
  'Notification' in window &&
  'serviceWorker' in navigator;

/** Whether its owner has told the browser never to. */
export const isBlocked = (): boolean => canPush() && Notification.permission === 'denied';

/** Asked of what is there by now: what cannot be set up beside the page is never ready, and signing out waits for nothing. */
async function subscribed(): Promise<PushSubscription | null> {
  const beside = canPush() ? await navigator.serviceWorker.getRegistration() : undefined;
  return (await beside?.pushManager.getSubscription()) ?? null;
}

/** How this device is reached now; null where nothing is pushed to it. */
export async function reachedBy(): Promise<NewPushDevice | null> {
  const subscription = await subscribed();
  return subscription && reachOf(subscription);
}

/**
 * Asks the browser for a way to be pushed to; it asks its owner.
 * @param key by which the device knows Cadro.
 * @returns null where its owner would not have it.
 */
export async function beginPushing(key: string): Promise<NewPushDevice | null> {
  if ((await Notification.requestPermission()) !== 'granted') return null;
  await setUp();
  // One that was begun for another key takes nothing from this one.
  await (await subscribed())?.unsubscribe();
  const { pushManager } = await navigator.serviceWorker.ready;
  return reachOf(await pushManager.subscribe({ userVisibleOnly: true, applicationServerKey: key }));
}

/** Nothing is pushed here any more, also where the server has not heard of it. */
export async function endPushing(): Promise<void> {
  await (await subscribed())?.unsubscribe();
}
