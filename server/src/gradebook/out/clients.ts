import { createHash, randomBytes } from 'node:crypto';
import type { AnswerOf, outRoutes } from '@cadro/contract';
import { HttpProblem, houseOf, sameText, seal, unseal, type ServerDeps } from '../../kit';
import * as store from './clientStore';

/** More programs than a family uses. */
const mostClients = 10;
/** A token is good for so long; then its program shows its secret again. */
export const tokenSeconds = 3600;

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url');
export const providerUrl = (publicUrl: string): string => `${publicUrl}/api/out/oneroster`;

/** @returns what the program is set up with; the secret is kept as its hash alone. */
export async function addClient(
  { db, clock, config }: ServerDeps,
  guardianId: string,
  name: string,
): Promise<AnswerOf<typeof outRoutes.addClient>> {
  const house = houseOf(db);
  if ((await store.clientsOf(house, guardianId)).length >= mostClients) throw new HttpProblem('too-large');
  // 32 bytes beyond guessing: no slow hash is needed.
  const clientSecret = randomBytes(32).toString('base64url');
  const id = await store.addClient(house, {
    ...{ guardian_id: guardianId, name: name.trim(), secret_hash: hashOf(clientSecret) },
    made_at: await clock.now(),
  });
  return { id, clientId: id, clientSecret, baseUrl: providerUrl(config.publicUrl) };
}

const isUuid = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text);

/** A token for a program that shows its secret; null where it is not known, or the secret is another. */
export async function tokenFor(
  { db, clock, config }: ServerDeps,
  { id, secret }: { readonly id: string; readonly secret: string },
): Promise<string | null> {
  const client = isUuid(id) ? await store.clientById(db, id) : undefined;
  if (!client || !sameText(client.secret_hash, hashOf(secret))) return null;
  const now = await clock.now();
  await store.touchClient(db, id, now);
  return seal(config.secret, JSON.stringify({ out: id, until: now.getTime() + tokenSeconds * 1000 }));
}

/** Whose records a token opens now; null for one that is none, is over, or whose program may read no more. */
export async function ownerOfToken({ db, clock, config }: ServerDeps, token: string): Promise<string | null> {
  let told: { readonly out?: unknown; readonly until?: unknown };
  try {
    told = JSON.parse(unseal(config.secret, token)) as typeof told; // sealed by nobody but this file
  } catch {
    return null;
  }
  if (typeof told.out !== 'string' || typeof told.until !== 'number') return null;
  if (told.until < (await clock.now()).getTime()) return null;
  return (await store.clientById(db, told.out))?.guardian_id ?? null;
}
