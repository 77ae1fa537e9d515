import type { NewPushDevice } from '@cadro/contract';

/** How this device is reached, as the server is told. */
export function reachOf(subscription: Pick<PushSubscription, 'toJSON'>): NewPushDevice {
  const { endpoint, keys = {} } = subscription.toJSON();
  return { endpoint: endpoint ?? '', keys: { p256dh: keys['p256dh'] ?? '', auth: keys['auth'] ?? '' } };
}
