import { Type } from '@sinclair/typebox';
import type { DeliveryFault } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import type { Config } from '../../kit';

/** Why something did not go out. */
export class SendError extends Error {
  override readonly name = 'SendError';
  constructor(
    readonly fault: DeliveryFault,
    /** What may pass is tried again; what was refused, or whose receiver there is not, is not. */
    readonly kind: 'passing' | 'refused' | 'bounced',
    options?: ErrorOptions,
  ) {
    super([fault.reason, fault.status].join(' '), options);
  }
}

const Accepted = Type.Object({ status: Type.Literal('accepted') });

/**
 * Sends a text message by the gateway. The key makes a second try after a crash the same message to it.
 * @throws SendError when it hangs, breaks down, or answers anything but that it has accepted it: passing unless it
 * refused the message itself.
 */
export async function sendText(
  gateway: NonNullable<Config['textGateway']>,
  message: { readonly to: string; readonly text: string; readonly key: string },
): Promise<void> {
  const { url, key, timeoutMs } = gateway;
  const answer = await fetch(url, {
    method: 'POST',
    headers: {
      'content-type': 'application/json',
      authorization: `Bearer ${key}`,
      'idempotency-key': message.key,
    },
    body: JSON.stringify({ to: message.to, text: message.text }),
    signal: AbortSignal.timeout(timeoutMs),
  }).catch((cause: unknown) => {
    throw new SendError({ reason: 'text-slow', status: null }, 'passing', { cause });
  });
  const body: unknown = await answer.json().catch(() => null);
  if (!answer.ok) {
    const refused = answer.status >= 400 && answer.status < 500 && answer.status !== 429;
    const status = String(answer.status);
    throw new SendError({ reason: 'text-answered', status }, refused ? 'refused' : 'passing');
  }
  if (misfits(Accepted, body).length > 0) {
    throw new SendError({ reason: 'text-refused', status: null }, 'refused');
  }
}
