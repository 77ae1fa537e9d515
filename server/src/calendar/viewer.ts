import type { CalendarEvent, Child, Language } from '@cadro/contract';
import { dateIn, type DateRange } from '@cadro/core';
import { childrenFor, guardianById } from '../household';
import { endOfDay, startOfDay, type Deps } from '../kit';
import { calendarWords, type CalendarWords } from './words';

/** Who looks at the calendar, and what of which child they may see. */
export interface Viewer {
  readonly guardianId: string;
  readonly householdId: string;
  readonly language: Language;
  readonly words: CalendarWords;
  readonly now: Date;
  readonly today: string;
  /** The zone of the first child's school, for what belongs to no child. */
  readonly timeZone: string;
  /** Whose record is theirs to read. */
  readonly children: readonly Child[];
  /** Whose talk is. */
  readonly talk: readonly Child[];
}

export async function viewerOf({ db, clock }: Deps, guardianId: string): Promise<Viewer> {
  const [now, guardian, children, talk] = await Promise.all([
    clock.now(),
    guardianById(db, guardianId),
    childrenFor(db, guardianId, 'read-record'),
    childrenFor(db, guardianId, 'read-talk'),
  ]);
  if (!guardian) throw new Error(`no guardian ${guardianId}`);
  const timeZone = children[0]?.timeZone ?? 'UTC';
  return {
    guardianId,
    householdId: guardian.household_id,
    language: guardian.language,
    words: calendarWords[guardian.language],
    ...{ now, timeZone, children, talk },
    today: dateIn(timeZone, now),
  };
}

/**
 * The instants between which the days of a range lie, wherever a school is: those of several zones begin their days at
 * several instants.
 */
export const anywhere = ({ from, to }: DateRange): { from: Date; to: Date } => ({
  from: startOfDay(from, 'Pacific/Kiritimati'),
  to: endOfDay(to, 'Pacific/Pago_Pago'),
});

export const zoneOf = ({ children, timeZone }: Viewer, studentId: string | null | undefined): string =>
  children.find(({ id }) => id === studentId)?.timeZone ?? timeZone;

type Needed = 'key' | 'layer' | 'studentIds' | 'title' | 'on' | 'timeZone';
/**
 * An event of one whole day without anything more, but for what is given. Written out: of a year of days there are
 * thousands, and objects that are spread into each other cost ten times as much.
 */
export const eventOf = (
  given: Pick<CalendarEvent, Needed> & Partial<Omit<CalendarEvent, Needed>>,
): CalendarEvent => ({
  key: given.key,
  layer: given.layer,
  studentIds: given.studentIds,
  title: given.title,
  detail: given.detail ?? null,
  on: given.on,
  lastOn: given.lastOn ?? given.on,
  startsAt: given.startsAt ?? null,
  endsAt: given.endsAt ?? null,
  timeZone: given.timeZone,
  place: given.place ?? null,
  href: given.href ?? null,
  settled: given.settled ?? false,
  marks: given.marks ?? null,
  link: given.link ?? null,
});
