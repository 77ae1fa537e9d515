import { TZDate } from '@date-fns/tz';

const two = (value: number): string => String(value).padStart(2, '0');

/** A day and a time of the clock, `2026-10-19` and `08:40`. */
export interface WallTime {
  readonly on: string;
  readonly time: string;
}

/** What the clock of a zone shows at an instant. */
export function wallTimeIn(timeZone: string, instantMs: number): WallTime {
  const date = new TZDate(instantMs, timeZone);
  return {
    on: `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`,
    time: `${two(date.getHours())}:${two(date.getMinutes())}`,
  };
}

/** The instant of a clock's time in an IANA zone. */
export function instantAt(timeZone: string, { on, time }: WallTime): number {
  const [year = 0, month = 1, day = 1] = on.split('-').map(Number);
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return new TZDate(year, month - 1, day, hours, minutes, timeZone).getTime();
}
