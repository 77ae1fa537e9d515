import { threadKind } from '../kit';
import type * as program from './solve.worker';

/** Plans apart, so that a hard question holds nobody else up. */
export const solving = threadKind<typeof program>(__dirname, 'solve.worker', {
  ...{ memoryMb: 256, patienceMs: 60_000, mostOfOne: 3, mostWaiting: 50 },
});
