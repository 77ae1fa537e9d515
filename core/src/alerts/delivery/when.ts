import type { AlertDelivery } from '@cadro/contract';
import { instantAt } from '../../calendar';
import { dateIn, daysAfter, minuteIn, nextWeekday } from '../../dates';

const minuteMs = 60 * 1000;
const dayMinutes = 24 * 60;

const minuteOf = (time: string): number => {
  const [hour, minute] = time.split(':').map(Number);
  return (hour ?? 0) * 60 + (minute ?? 0);
};

/**
 * When something that is ready now may go out: now, or at the end of the quiet hours. A change of clocks within them
 * moves the end by as much; who sends asks again.
 * @example quiet from 21:00 to 07:00, at 23:30 → 7:00 of the next day.
 */
export function soonest(
  nowMs: number,
  { quiet, timeZone }: Pick<AlertDelivery, 'quiet' | 'timeZone'>,
): number {
  if (!quiet) return nowMs;
  const [from, to] = [minuteOf(quiet.from), minuteOf(quiet.to)];
  const minute = minuteIn(timeZone, new Date(nowMs));
  const isQuiet = from <= to ? minute >= from && minute < to : minute >= from || minute < to;
  if (!isQuiet) return nowMs;
  const wait = (to - minute + dayMinutes) % dayMinutes;
  return (Math.floor(nowMs / minuteMs) + wait) * minuteMs;
}

/**
 * The guardian's date of the last digest that is due by now; null where none is wanted.
 * @example weekly on Sunday at 17 h, asked on a Wednesday → the Sunday before; on a Sunday at 16 h → a week before.
 */
export function digestDueOn(
  nowMs: number,
  { digest, digestWeekday, digestHour, timeZone }: AlertDelivery,
): string | null {
  if (digest === 'none') return null;
  const now = new Date(nowMs);
  const today = dateIn(timeZone, now);
  const reached = minuteIn(timeZone, now) >= digestHour * 60;
  const lastDay = reached ? today : daysAfter(today, -1);
  return digest === 'daily' ? lastDay : nextWeekday(daysAfter(lastDay, -6), digestWeekday);
}

/**
 * The instant from which on the digest after that one is due, in ms; null where none is wanted. By the clock of a day on
 * which clocks change it may be an hour off: who asks then asks again.
 */
export function nextDigestMs(nowMs: number, delivery: AlertDelivery): number | null {
  const last = digestDueOn(nowMs, delivery);
  if (last === null) return null;
  const { digest, digestHour, timeZone } = delivery;
  const on = daysAfter(last, digest === 'daily' ? 1 : 7);
  return instantAt(timeZone, { on, time: `${String(digestHour).padStart(2, '0')}:00` });
}

/** How alerts go out to a guardian who has set nothing. */
export const usualDelivery = (timeZone: string, language: AlertDelivery['language']): AlertDelivery => {
  const told = { mail: true, text: false, push: true };
  const kept = { mail: false, text: false, push: false };
  return {
    atOnce: true,
    ways: {
      figure: told,
      work: told,
      coming: told,
      comment: told,
      attendance: told,
      term: told,
      school: told,
      good: kept,
      upkeep: kept,
    },
    digest: 'weekly',
    digestWeekday: 0,
    digestHour: 17,
    emptyDigest: 'line',
    quiet: { from: '21:00', to: '07:00' },
    timeZone,
    language,
    phone: null,
  };
};
