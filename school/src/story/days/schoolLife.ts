import type { SchoolEventKind } from '@cadro/contract';
import { at } from './calendar';

/* What the schools gave out, and what is on. */

/** Codes that the schools have given out: one to use, one that has run out. */
export const linkCodes = [
  {
    school: 'little-fathom',
    student: 'pet',
    code: '3QPT-7K9M-XR2D-V6HB',
    expiresAt: at('2026-12-18', '23:59'),
  },
  {
    school: 'millrace',
    student: 'neighbour-b',
    code: 'T4MJ-91CW-8GZE-5NYK',
    expiresAt: at('2026-12-18', '23:59'),
  },
  {
    school: 'millrace',
    student: 'caspian',
    code: 'C8SN-0F2B-6WQA-1DVP',
    expiresAt: at('2026-10-01', '23:59'),
  },
] as const;

/** What is on: for a whole school, or for one class. */
export const schoolEvents: readonly {
  readonly school: string;
  readonly id: string;
  readonly kind: SchoolEventKind;
  readonly title: string;
  readonly date: string;
  readonly course?: string;
  readonly startsAt?: string;
  readonly endsAt?: string;
  readonly place?: string;
  readonly href?: string;
  /** Called off on this day. */
  readonly calledOffOn?: string;
}[] = [
  {
    school: 'gannet-head',
    id: 'lamp-night',
    kind: 'event',
    title: 'Lamp night',
    date: '2026-10-29',
    startsAt: '18:00',
    endsAt: '20:30',
    place: 'The lamp room',
  },
  {
    school: 'gannet-head',
    id: 'fog-online',
    kind: 'live-lesson',
    title: 'Seeing through fog: questions answered',
    date: '2026-10-22',
    course: 'optics',
    startsAt: '16:30',
    endsAt: '17:10',
    href: 'files/fog-online.txt',
  },
  {
    school: 'gannet-head',
    id: 'reports',
    kind: 'reporting',
    title: 'Teachers report the first quarter',
    date: '2026-11-10',
  },
  {
    school: 'millrace',
    id: 'shed-evening',
    kind: 'meeting',
    title: 'Families’ evening in the boat shed',
    date: '2026-11-03',
    startsAt: '17:30',
    endsAt: '19:00',
    place: 'Boat shed',
  },
  {
    school: 'millrace',
    id: 'rope-fair',
    kind: 'event',
    title: 'Rope fair',
    date: '2026-10-27',
    startsAt: '13:00',
    endsAt: '15:00',
    place: 'Mill yard',
    calledOffOn: '2026-10-22',
  },
  {
    school: 'millrace',
    id: 'reports',
    kind: 'reporting',
    title: 'Report cards go home',
    date: '2026-11-13',
  },
  {
    school: 'little-fathom',
    id: 'rock-pools',
    kind: 'event',
    title: 'Rock pool morning',
    date: '2026-11-04',
    startsAt: '08:40',
    endsAt: '11:30',
    place: 'West beach',
  },
];
