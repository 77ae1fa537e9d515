import type { AlertReason } from '@cadro/contract';

/** Rules that tell of a day before it comes, with that day. */
const dayOf: Readonly<Record<string, 'deadline' | 'dueAt'>> = { deadline: 'deadline', 'big-work': 'dueAt' };

/**
 * Whether a reason tells of a day that has passed: nothing can be done for it any more. What waited for so long, because
 * the night, a mail server or a school was in the way, is not said as if it could.
 * @param asOfMs milliseconds since 1970.
 */
export function hasPassed(reason: AlertReason, asOfMs: number): boolean {
  if (reason.about !== 'work') return false;
  const field = dayOf[reason.rule];
  const day = field && reason.work[field];
  return typeof day === 'string' && Date.parse(day) < asOfMs;
}
