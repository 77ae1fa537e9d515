import Bowser from 'bowser';
import type { Request, Response } from 'express';
import { hashToken, newToken, type Db, type ServerDeps } from '../../kit';
import { wantAccountMail } from '../mail/accountMailStore';
import { tellOfPerson } from '../people/notices';
import { guardianById } from '../store';
import { hasDevice, putDevice } from './deviceStore';

const cookieName = 'cadro.device';
const yearMs = 366 * 24 * 3_600_000;

/** `Firefox on Linux`: a browser's own word, enough to know one's devices by. */
export function deviceName(request: Request): string {
  const agent = request.get('user-agent') ?? '';
  if (agent === '') return '';
  const { browser, os } = Bowser.parse(agent);
  return [browser.name, os.name].filter((part) => part !== undefined && part !== '').join(', ');
}

/** The secret this device was given at an earlier sign-in. */
const tokenOf = (request: Request): string | null =>
  new RegExp(`(?:^|; )${cookieName}=([\\w-]{20,100})(?:;|$)`).exec(request.get('cookie') ?? '')?.[1] ?? null;

/** What a device is counted by, when it has signed in to this account before; null for another. */
export async function isKnownDevice(db: Db, guardianId: string, request: Request): Promise<string | null> {
  const token = tokenOf(request);
  if (!token) return null;
  const token_hash = hashToken(token);
  return (await hasDevice(db, guardianId, token_hash)) ? token_hash : null;
}

/** A device that is new to an account gets a secret of its own; its owner is told, but of the first one. */
export async function rememberDevice(
  { db, clock, config }: ServerDeps,
  request: Request,
  response: Response,
  guardianId: string,
): Promise<void> {
  const now = await clock.now();
  const token = tokenOf(request) ?? newToken();
  const row = { guardian_id: guardianId, token_hash: hashToken(token), name: deviceName(request) };
  const news = await putDevice(db, row, now);
  response.cookie(cookieName, token, {
    ...{ httpOnly: true, sameSite: 'lax', path: '/api', maxAge: yearMs },
    secure: config.publicUrl.startsWith('https:'),
  });
  if (!news) return;
  const guardian = await guardianById(db, guardianId);
  if (guardian) await tellOfPerson(db, guardian, 'new-device', { device: row.name }, now);
  if (guardian)
    await wantAccountMail(db, guardian, { kind: 'new-device', params: { device: row.name } }, now);
}
