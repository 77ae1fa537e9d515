import type { Request } from 'express';
import { callerOf, forgive, HttpProblem, takeTry, type Counted, type ServerDeps } from '../../kit';

const minute = 60;
const hour = 60 * minute;
/** Codes cannot be guessed; who tries anyway waits, longer each time, and the operator is told. */
const patience = {
  account: { free: 6, firstWaitSeconds: 10, longestWaitSeconds: hour, forgetSeconds: 24 * hour },
  address: { free: 12, firstWaitSeconds: 10, longestWaitSeconds: hour, forgetSeconds: 24 * hour },
  all: { free: 500, firstWaitSeconds: 1, longestWaitSeconds: 10, forgetSeconds: hour },
} as const;
const alarmEvery = 100;

/** A code that was wrong is counted against who tried it and where from; a right one costs nothing. */
export async function countCode<T>(
  { db, log }: ServerDeps,
  request: Request,
  guardianId: string | null,
  tried: () => Promise<T>,
): Promise<T> {
  const keys: Counted[] = [
    ...(guardianId === null ? [] : [{ kind: 'code-account', of: guardianId, patience: patience.account }]),
    { kind: 'code-address', of: callerOf(request), patience: patience.address },
    { kind: 'code-all', of: 'all', patience: patience.all },
  ];
  await takeTry(db, keys, {
    at: alarmEvery,
    raise: (kind, tries) => kind === 'code-all' && log.warn({ tries }, 'many wrong codes'),
  });
  const answer = await tried().catch(async (error: unknown) => {
    // What is wrong with the code itself is a guess; all else is not.
    if (!(error instanceof HttpProblem) || error.code !== 'code-unknown') await forgive(db, keys);
    throw error;
  });
  await forgive(db, keys);
  return answer;
}
