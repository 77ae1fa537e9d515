import { createHash } from 'node:crypto';
import type { DeliveryFault, NewPushDevice, Pushed } from '@cadro/contract';
import { generateRequestDetails } from 'web-push';
import type { Config } from '../../kit';
import { askSafely, drop } from '../../sources';
import { SendError } from '../delivery/gateway';
import { pushKeys } from './keys';

type PushConfig = Pick<Config, 'secret' | 'mailDomain' | 'sourceTimeoutMs' | 'privateSources'>;

/** A device that is off for longer hears of it in Cadro, where it stands. */
const keptSeconds = 24 * 3600;
/** What names a message to a push service, so that the same one twice is one: at most 32 signs (RFC 8030, 5.4). */
const topicOf = ({ id }: Pushed): string => createHash('sha256').update(id).digest('base64url').slice(0, 32);

/**
 * A message as a push service takes it: encrypted for the device (RFC 8291), and signed by Cadro (RFC 8292).
 * @throws Error where the device's keys are none.
 */
const requestOf = (config: PushConfig, device: NewPushDevice, message: Pushed) =>
  generateRequestDetails(device, JSON.stringify(message), {
    vapidDetails: { subject: `mailto:cadro@${config.mailDomain}`, ...pushKeys(config.secret) },
    contentEncoding: 'aes128gcm',
    TTL: keptSeconds,
    topic: topicOf(message),
  });

/** Whether a device can be sent anything: its keys are keys. */
export function takesPushes(config: PushConfig, device: NewPushDevice): boolean {
  try {
    return requestOf(config, device, { id: '', title: '', text: '', path: '/' }).body !== null;
  } catch {
    return false;
  }
}

const fault = (reason: DeliveryFault['reason'], status: number | null): DeliveryFault => ({
  reason,
  status: status === null ? null : String(status),
});

/** The device has let go, or it was set up by another secret: nothing reaches it any more. */
const gone = [401, 403, 404, 410];

/**
 * Hands a message to the push service of a device.
 * @returns whether the service knows the device.
 * @throws SendError when it is away or busy, which passes, or refuses the message.
 */
export async function pushTo(config: PushConfig, device: NewPushDevice, message: Pushed): Promise<boolean> {
  const { endpoint, headers, body } = requestOf(config, device, message);
  const sent = Object.fromEntries(Object.entries(headers).map(([name, value]) => [name, String(value)]));
  const how = { timeoutMs: config.sourceTimeoutMs, allowPrivate: config.privateSources };
  const answer = await askSafely(new URL(endpoint), { method: 'POST', headers: sent, body }, how).catch(
    (cause: unknown) => {
      throw new SendError(fault('push-away', null), 'passing', { cause });
    },
  );
  await drop(answer);
  const { statusCode: status } = answer;
  if (gone.includes(status)) return false;
  if (status >= 200 && status < 300) return true;
  const passes = status >= 500 || status === 429;
  throw new SendError(fault('push-answered', status), passes ? 'passing' : 'refused');
}
