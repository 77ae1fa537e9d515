import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary as common } from '@zxcvbn-ts/language-common';
import { dictionary as english } from '@zxcvbn-ts/language-en';
import { dictionary as spanish } from '@zxcvbn-ts/language-es-es';
import { HttpProblem } from '../../kit';

/** Argon2id, 19 MiB, two passes: OWASP's floor. */
const cost = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, cost);

let decoy: Promise<string> | null = null;

/** Whether a password is the one of this hash; without one it takes as long, and is wrong. */
export async function isPassword(passwordHash: string | undefined, password: string): Promise<boolean> {
  decoy ??= hashPassword('nobody has this password');
  const right = await verify(passwordHash ?? (await decoy), password);
  return right && passwordHash !== undefined;
}

let estimator: ZxcvbnFactory | null = null;

/** More than a hundred million guesses: weeks for one who has stolen the hash, for ever at the door. */
const leastScore = 3;

/**
 * How easily a password is guessed, by an estimator that knows words, names, dates and keyboards, and what the account
 * itself says of its owner; never by which kinds of letters are in it.
 * @throws HttpProblem `weak-password`.
 */
export function refuseWeak(password: string, about: readonly string[]): void {
  estimator ??= new ZxcvbnFactory({
    graphs: adjacencyGraphs,
    dictionary: { ...common, ...english, ...spanish },
  });
  const own = [...about.flatMap((text) => text.split(/[\s@.]+/)), ...about, 'cadro'];
  const { score } = estimator.check(
    password,
    own.filter((text) => text !== ''),
  );
  if (score < leastScore) throw new HttpProblem('weak-password');
}
