import type { AlertKind } from '@cadro/contract';

/** What comes first when not all may go out: what can no longer wait before what is only good to know. */
export const byUrgency: readonly AlertKind[] = [
  'work',
  'figure',
  'attendance',
  'coming',
  'comment',
  'school',
  'term',
  'upkeep',
  'good',
];

/**
 * Which of the tellings go out by themselves and which wait for the digest.
 * @param told how many have gone out on this day already.
 * @param perDay so many go out in a day.
 */
export function underCap<T extends { readonly kind: AlertKind }>(
  tellings: readonly T[],
  { told, perDay }: { readonly told: number; readonly perDay: number },
): { now: T[]; digest: T[] } {
  const ordered = [...tellings].sort((a, b) => byUrgency.indexOf(a.kind) - byUrgency.indexOf(b.kind));
  const room = Math.max(0, perDay - told);
  return { now: ordered.slice(0, room), digest: ordered.slice(room) };
}
