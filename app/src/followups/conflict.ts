import type { FollowUp } from '@cadro/contract';
import { isServerProblem } from '../i18n';

/** How the follow-up stands on the server, when that is why a change was refused; null for any other error. */
export function currentOf(error: unknown): FollowUp | null {
  if (!isServerProblem(error) || error.problem?.code !== 'edited-meanwhile') return null;
  const { current } = error.problem;
  return typeof current === 'object' && current !== null && 'entries' in current
    ? (current as FollowUp) // the contract says so of this code
    : null;
}
