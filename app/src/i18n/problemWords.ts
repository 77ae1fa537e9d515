import type { TFunction } from 'i18next';
import type { ServerProblem } from '../store';

/** A failed call in words. RTK Query hands over our own error or one of its own making. */
export function problemWords(t: TFunction, error: unknown): string {
  if (isServerProblem(error) && error.waits) return t('problems.waits');
  const problem = isServerProblem(error) ? error.problem : null;
  const wait = problem?.retryAfterSeconds;
  if (wait !== undefined && problem?.code === 'too-many-tries')
    return wait < 90
      ? t('problems.waitSeconds', { count: wait })
      : t('problems.waitMinutes', { count: Math.ceil(wait / 60) });
  return t(`problems.${problem?.code ?? 'offline'}`);
}

export const isServerProblem = (error: unknown): error is ServerProblem =>
  typeof error === 'object' && error !== null && 'problem' in error;
