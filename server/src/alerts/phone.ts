import { randomInt } from 'node:crypto';
import { forgetTries, hashCode, HttpProblem, takeTry, type ServerDeps } from '../kit';
import { sendText, SendError } from './delivery/gateway';
import { letterWords } from './delivery/letterWords';
import { confirmPhone, phoneProof, putPhoneProof } from './settingsStore';
import { alertSettings } from './settings';

const hour = 3600;
/** So many codes by one person, and so many to one number, whoever asks. */
const patience = {
  by: { free: 4, firstWaitSeconds: 300, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
  to: { free: 3, firstWaitSeconds: 600, longestWaitSeconds: 24 * hour, forgetSeconds: 48 * hour },
  code: { free: 5, firstWaitSeconds: 60, longestWaitSeconds: 12 * hour, forgetSeconds: 24 * hour },
} as const;
const minutes = 15;

/**
 * Sends a code to a number: the only thing that goes to one that is not confirmed.
 * @throws HttpProblem `no-way` where no texts can be sent or this one was not, `too-many-tries`.
 */
export async function sendPhoneCode(deps: ServerDeps, guardianId: string, phone: string): Promise<void> {
  const { db, clock, config } = deps;
  if (!config.textGateway) throw new HttpProblem('no-way');
  await takeTry(db, [
    { kind: 'phone-by', of: guardianId, patience: patience.by },
    { kind: 'phone-to', of: phone, patience: patience.to },
  ]);
  const code = String(randomInt(1_000_000)).padStart(6, '0');
  const now = await clock.now();
  const expiresAt = new Date(now.getTime() + minutes * 60_000);
  await putPhoneProof(db, { guardianId, phone, codeHash: hashCode(`${guardianId} ${code}`), expiresAt });
  const { delivery } = await alertSettings(deps, guardianId);
  const text = letterWords[delivery.language].phoneCode(code);
  await sendText(config.textGateway, { to: phone, text, key: `${guardianId}:${code}` }).catch(
    (cause: unknown) => {
      throw cause instanceof SendError ? new HttpProblem('no-way', { cause }) : cause;
    },
  );
}

/** @throws HttpProblem `wrong-code` for one that is wrong or too old, `too-many-tries`. */
export async function confirmPhoneBy(
  { db, clock }: ServerDeps,
  guardianId: string,
  code: string,
): Promise<void> {
  const key = [{ kind: 'phone-code', of: guardianId, patience: patience.code }];
  await takeTry(db, key);
  const proof = await phoneProof(db, guardianId);
  const right = proof?.code_hash === hashCode(`${guardianId} ${code}`);
  if (!proof || !right || proof.expires_at < (await clock.now())) throw new HttpProblem('wrong-code');
  await confirmPhone(db, guardianId, proof.phone);
  await forgetTries(db, key);
}
