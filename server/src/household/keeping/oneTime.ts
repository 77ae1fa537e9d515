import { generateSecret, generateURI, verifySync } from 'otplib';

/** A secret for one-time codes (TOTP, RFC 6238), and the address by which an authenticator app takes it. */
export function newOneTimeSecret(label: string): { readonly secret: string; readonly uri: string } {
  const secret = generateSecret();
  return { secret, uri: generateURI({ issuer: 'Cadro', label, secret }) };
}

/** Half a minute to either side, for clocks that differ. */
const toleranceSeconds = 30;

/** The step of a right code that comes after the last one used; null for any other. */
export function stepOfCode(
  code: string,
  { secret, lastStep, now }: { readonly secret: string; readonly lastStep: number; readonly now: Date },
): number | null {
  const digits = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(digits)) return null;
  const found = verifySync({
    ...{ secret, token: digits, epoch: Math.floor(now.getTime() / 1000) },
    ...{ epochTolerance: toleranceSeconds, afterTimeStep: lastStep },
  });
  return found.valid && 'timeStep' in found ? found.timeStep : null;
}
