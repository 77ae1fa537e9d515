import { publish, readCalendar, writeCalendar, type DraftEvent } from '@cadro/core/ical';
import { medianMs } from './measure';

const sizes = [50, 200, 800] as const;
const halifax = 'America/Halifax';
const two = (value: number): string => String(value).padStart(2, '0');

const draft = (index: number): DraftEvent => {
  const on = `2026-${two(1 + (index % 12))}-${two(1 + (index % 28))}`;
  return {
    ...{
      uid: `due-${index}@cadro`,
      title: `Work ${index}: a worksheet`,
      text: 'Kelp chemistry',
      place: null,
    },
    ...{ href: `https://cadro.example/courses/${index}`, categories: ['Due work'], on, lastOn: on },
    ...{ startsAt: '15:00', endsAt: null, timeZone: halifax },
  };
};

/**
 * A subscription: what a subscriber is given and its file, and the same file read again, each as a ratio to writing
 * the same events with JSON.stringify. A ratio that stays means that it grows with the events and no faster.
 */
export function benchCalendar(): void {
  console.log('a calendar that goes out and comes in, as a ratio to JSON.stringify of its events');
  console.log('events   file kB   out, ratio   in, ratio');
  for (const size of sizes) {
    const drafts = Array.from({ length: size }, (_, index) => draft(index));
    const at = { now: '2026-10-21T18:00:00Z', from: '2026-01-01', mayTell: () => true };
    const given = publish([], drafts, at).changed;
    const out = (): string => writeCalendar('Days', publish(given, drafts, at).events);
    const text = out();
    const plain = () => JSON.stringify(drafts);
    const [plainMs, outMs] = medianMs([plain, out]);
    const [againMs, inMs] = medianMs([plain, () => readCalendar(text, halifax, '2027-10-21')]);
    console.log(
      [
        String(size).padStart(6),
        (text.length / 1024).toFixed(0).padStart(9),
        (outMs / plainMs).toFixed(0).padStart(12),
        (inMs / againMs).toFixed(0).padStart(11),
      ].join(' '),
    );
  }
}
