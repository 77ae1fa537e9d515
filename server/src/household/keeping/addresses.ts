import { roles, type AnswerOf, type doorRoutes } from '@cadro/contract';
import {
  houseOf,
  houseTransaction,
  HttpProblem,
  isUniqueViolation,
  type Db,
  type Deps,
  type ServerDeps,
  type Trx,
} from '../../kit';
import { arrive } from '../door/comeIn';
import type { HouseholdHooks } from '../door/ways';
import { meetSchool } from '../file/named';
import { wantAccountMail } from '../mail/accountMailStore';
import { proofByToken, useProof, type ProofPurpose, type ProofRow } from '../mail/proofStore';
import { addToTrail } from '../trail/trailStore';
import { tellOfPerson } from '../people/notices';
import {
  confirmAddress,
  guardianByEmail,
  guardianById,
  linkedChildren,
  setAddress,
  setPassword,
  type GuardianRow,
} from '../store';
import { hashPassword, refuseWeak } from './passwords';
import { endSessions } from './sessionStore';
import * as changes from './addressChangeStore';

type Confirmed = AnswerOf<typeof doorRoutes.confirm>;

/** @throws HttpProblem `link-over` for one that is unknown, used or has run out. */
async function goodProof(
  trx: Trx,
  token: string,
  now: Date,
  purposes: readonly ProofPurpose[],
): Promise<ProofRow> {
  const proof = await proofByToken(trx, token);
  if (!proof || !purposes.includes(proof.purpose) || proof.used_at || proof.expires_at < now)
    throw new HttpProblem('link-over');
  return proof;
}

/** The school may know somebody by the address that they have now. */
async function meetAgain(trx: Trx, guardianId: string, now: Date, hooks: HouseholdHooks): Promise<void> {
  const children = await linkedChildren(trx, guardianId, roles);
  await meetSchool(
    trx,
    children.map(({ id }) => id),
    hooks,
    now,
  );
}

/** The address of an account was tapped; a second time, too. */
async function confirmed(trx: Trx, proof: ProofRow, now: Date, hooks: HouseholdHooks): Promise<Confirmed> {
  const guardian = await guardianById(trx, proof.guardian_id);
  // The account has another address by now, or the time is over.
  if (!guardian || guardian.email !== proof.address) throw new HttpProblem('link-over');
  if (guardian.confirmed_at === null) {
    if (proof.used_at || proof.expires_at < now) throw new HttpProblem('link-over');
    await confirmAddress(trx, guardian.id, now);
    await useProof(trx, proof, now);
    await meetAgain(trx, guardian.id, now, hooks);
  }
  return { outcome: 'confirmed', email: guardian.email };
}

/** One side of a change of address was tapped; with the other it counts. */
async function changed(trx: Trx, proof: ProofRow, now: Date, hooks: HouseholdHooks): Promise<Confirmed> {
  const change = await changes.tapped(
    trx,
    proof.guardian_id,
    proof.purpose === 'change-from' ? 'from_at' : 'to_at',
    now,
  );
  const guardian = await guardianById(trx, proof.guardian_id);
  if (!change || !guardian || change.address !== proof.address) throw new HttpProblem('link-over');
  await useProof(trx, proof, now);
  // An address that was never confirmed has nobody to ask.
  const whole = change.to_at !== null && (change.from_at !== null || guardian.confirmed_at === null);
  if (!whole) return { outcome: 'half-changed', email: change.address };
  await setAddress(trx, guardian.id, change.address, now);
  await changes.dropChange(trx, guardian.id);
  await hooks.onAddress(trx, guardian.id);
  await meetAgain(trx, guardian.id, now, hooks);
  await tellOfPerson(trx, guardian, 'address-changed', {}, now);
  await addToTrail(trx, { at: now, kind: 'address-changed', personId: guardian.id });
  await wantAccountMail(trx, guardian, { kind: 'address-changed', params: { address: change.address } }, now);
  return { outcome: 'changed', email: change.address };
}

/** What was sent to an address has been tapped there. */
export async function confirmByToken(
  { db, clock }: Deps,
  token: string,
  hooks: HouseholdHooks,
): Promise<Confirmed> {
  const now = await clock.now();
  return db
    .transaction(async (trx): Promise<Confirmed> => {
      const email = await arrive(trx, token, now);
      if (email !== null) return { outcome: 'arrived', email };
      const proof = await proofByToken(trx, token);
      if (proof?.purpose === 'confirm') return confirmed(trx, proof, now, hooks);
      return changed(trx, await goodProof(trx, token, now, ['change-from', 'change-to']), now, hooks);
    })
    .catch((error: unknown) => {
      throw isUniqueViolation(error) ? new HttpProblem('address-known', { cause: error }) : error;
    });
}

/** The job that answers a forgotten password: what it does depends on the address, and nobody who asks can see it. */
export async function answerForgotten({ db, clock }: Deps, email: string): Promise<void> {
  const guardian = await guardianByEmail(db, email);
  if (!guardian) return;
  // Before an address is confirmed nothing but the confirmation goes there.
  const kind = guardian.confirmed_at === null ? 'confirm' : 'password';
  await wantAccountMail(db, guardian, { kind, params: { name: guardian.given_name } }, await clock.now());
}

async function putPassword(
  trx: Trx,
  guardian: GuardianRow,
  password: string,
  now: Date,
  keptSid?: string,
): Promise<void> {
  await setPassword(trx, guardian.id, await hashPassword(password));
  await endSessions(trx, guardian.id, keptSid);
  await addToTrail(trx, { at: now, kind: 'password-changed', personId: guardian.id });
  if (guardian.confirmed_at !== null)
    await wantAccountMail(
      trx,
      guardian,
      { kind: 'password-changed', params: { name: guardian.given_name } },
      now,
    );
}

/** A new password by what was sent: good once, and every session ends. */
export async function newPasswordBy(
  { db, clock }: Deps,
  { token, password }: { token: string; password: string },
): Promise<void> {
  const now = await clock.now();
  await db.transaction(async (trx) => {
    const proof = await goodProof(trx, token, now, ['password']);
    const guardian = await guardianById(trx, proof.guardian_id);
    if (!guardian || guardian.email !== proof.address) throw new HttpProblem('link-over');
    refuseWeak(password, [guardian.name, guardian.email]);
    await useProof(trx, proof, now);
    await putPassword(trx, guardian, password, now);
  });
}

/** A new password by who is signed in: every other session ends. */
export async function changePassword(
  { db, clock }: Deps,
  guardian: GuardianRow,
  next: string,
  sid: string,
): Promise<void> {
  refuseWeak(next, [guardian.name, guardian.email]);
  const now = await clock.now();
  await db.transaction((trx) => putPassword(trx, guardian, next, now, sid));
}

/** Another address: it counts when both sides have been tapped. One that another account has is told to that address alone. */
export async function wantAddress(
  { db, clock }: ServerDeps,
  guardian: GuardianRow,
  email: string,
): Promise<void> {
  const now = await clock.now();
  const params = { name: guardian.given_name, address: email, old: guardian.email };
  const other = await guardianByEmail(houseOf(db), email);
  await houseTransaction(db, async (trx) => {
    await changes.putChange(trx, guardian.id, email, now);
    if (guardian.confirmed_at !== null)
      await wantAccountMail(trx, guardian, { kind: 'change-from', params }, now);
    const to = { id: guardian.id, email, language: guardian.language };
    await wantAccountMail(
      trx,
      to,
      { kind: other && other.id !== guardian.id ? 'known-here' : 'change-to', params },
      now,
    );
  });
}

export async function keepAddress(db: Db, guardianId: string): Promise<void> {
  await houseTransaction(db, (trx) => changes.dropChange(trx, guardianId));
}
