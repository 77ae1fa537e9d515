import { hash, verify } from '@node-rs/argon2';
import { type Db, HttpProblem } from '../kit';
import { guardianByEmail, type GuardianRow } from './store';

/** Argon2id, 19 MiB, two passes: OWASP's floor. */
const cost = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, cost);

let decoy: Promise<string> | null = null;

/**
 * @throws HttpProblem `wrong-credentials`, the same in words and in time whether the address or the password
 * was wrong.
 */
export async function checkCredentials(db: Db, email: string, password: string): Promise<GuardianRow> {
  const guardian = await guardianByEmail(db, email);
  decoy ??= hashPassword('nobody has this password');
  const right = await verify(guardian?.password_hash ?? (await decoy), password);
  if (!guardian || !right) throw new HttpProblem('wrong-credentials');
  return guardian;
}
