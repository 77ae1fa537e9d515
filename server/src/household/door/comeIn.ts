import type { BodyOf, doorRoutes, WayIn } from '@cadro/contract';
import { HttpProblem, isUniqueViolation, mailToken, type Deps, type ServerDeps, type Trx } from '../../kit';
import { hashPassword, refuseWeak } from '../keeping/passwords';
import { wantAccountMail } from '../mail/accountMailStore';
import { addHousehold, addMember, guardianByEmail, type NewGuardian } from '../store';
import { addArrival, arrivalByToken, useArrival } from './arrivalStore';
import { linkBy, shownWay, wayBy, type HouseholdHooks } from './ways';

/** What a person is called by: the first of the names they wrote. */
const givenNameOf = (name: string): string => name.trim().split(/\s+/)[0] ?? '';

/** Whose record a code opens. Nothing is written. */
export async function lookAt({ db, clock }: Deps, code: string): Promise<WayIn> {
  const now = await clock.now();
  return db.transaction(async (trx) => shownWay(await wayBy(trx, code, now)));
}

type Coming = BodyOf<typeof doorRoutes.come>;

async function newGuardian({
  name,
  email,
  password,
  language,
}: Omit<Coming, 'code' | 'keep'>): Promise<NewGuardian> {
  const trimmed = name.trim();
  refuseWeak(password, [trimmed, email]);
  return {
    ...{ name: trimmed, given_name: givenNameOf(trimmed), email: email.trim(), language },
    password_hash: await hashPassword(password),
  };
}

/** A person of a household that is there, or of one of their own. */
async function addGuardian(trx: Trx, householdId: string | null, guardian: NewGuardian): Promise<string> {
  if (householdId !== null) return addMember(trx, householdId, guardian);
  const [id] = await addHousehold(trx, guardian.name, [guardian]);
  if (id === undefined) throw new Error('a guardian just written has no id');
  return id;
}

/**
 * Makes an account by a code and links its children, all or nothing; the address is confirmed by mail afterwards.
 * @throws HttpProblem for a code that opens nothing, `weak-password`, or `address-known` where there is an account:
 * the code is still good then.
 * @returns the new person's id.
 */
export async function comeIn(
  { db, clock }: Deps,
  { code, keep: _keep, ...person }: Coming,
  hooks: HouseholdHooks,
): Promise<string> {
  const now = await clock.now();
  // A code that opens nothing costs no work on a password.
  await db.transaction((trx) => wayBy(trx, code, now));
  const guardian = await newGuardian(person);
  return db
    .transaction(async (trx) => {
      const way = await wayBy(trx, code, now);
      const id = await addGuardian(trx, way.householdId, guardian);
      await linkBy(trx, way, id, now, hooks);
      await wantAccountMail(
        trx,
        { ...guardian, id },
        { kind: 'confirm', params: { name: guardian.given_name } },
        now,
      );
      return id;
    })
    .catch((error: unknown) => {
      throw isUniqueViolation(error) ? new HttpProblem('address-known', { cause: error }) : error;
    });
}

/** Who comes without a code: a mail goes out, and nothing tells whether there is an account with the address. */
export async function comeLater(
  { db, clock, config }: ServerDeps,
  person: BodyOf<typeof doorRoutes.later>,
): Promise<void> {
  const now = await clock.now();
  const guardian = await newGuardian(person);
  const known = await guardianByEmail(db, guardian.email);
  await db.transaction(async (trx) => {
    const to = { id: known?.id ?? null, email: guardian.email, language: guardian.language };
    const params = { name: guardian.given_name };
    // Before an address is confirmed nothing but the confirmation goes there.
    const knownAs = known?.confirmed_at === null ? 'confirm' : 'known-here';
    const mail = await wantAccountMail(trx, to, { kind: known ? knownAs : 'arrival', params }, now);
    if (!known) await addArrival(trx, mailToken(config.secret, mail), guardian, now);
  });
}

/** The address of who came without a code has been tapped: the account is made. Null where the token is of no arrival. */
export async function arrive(trx: Trx, token: string, now: Date): Promise<string | null> {
  const arrival = await arrivalByToken(trx, token);
  if (!arrival) return null;
  if (arrival.expires_at < now) throw new HttpProblem('link-over');
  const { email, name, given_name, password_hash, language } = arrival;
  // Tapped twice it is one account; and who has come in by a code meanwhile has one.
  if (arrival.used_at || (await guardianByEmail(trx, email))) return email;
  await addHousehold(trx, name, [{ email, name, given_name, password_hash, language, confirmed_at: now }]);
  await useArrival(trx, token, now);
  return email;
}
