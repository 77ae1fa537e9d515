import type { Calendar, CalendarEvent, CalendarLayer } from '@cadro/contract';

/** What one child has on a day. */
export interface ChildLoad {
  readonly studentId: string;
  /** Work and tests that are still open. */
  readonly open: number;
  readonly tests: number;
  /** So much comes together that it is called out. */
  readonly cluster: boolean;
  readonly away: CalendarEvent['marks'];
}
/** A day as the month shows it. */
export interface DayLoad {
  readonly children: readonly ChildLoad[];
  /** Events, meetings, own entries and what else is no work. */
  readonly others: readonly CalendarEvent[];
  readonly closed: CalendarEvent | null;
  /** Everything that a cell with room for names says: absences, what is open, tests first, and the others. */
  readonly named: readonly CalendarEvent[];
}

export const isWork = ({ layer }: CalendarEvent): boolean => layer === 'due' || layer === 'test';
export const touches = ({ on, lastOn }: CalendarEvent, date: string): boolean => on <= date && lastOn >= date;

/** Whether a column for times is needed. */
export const hasTimes = (events: readonly CalendarEvent[]): boolean =>
  events.some(({ startsAt }) => startsAt !== null);

/** Layers in the order in which a cell names them; all others come last. */
const namedFirst: readonly CalendarLayer[] = ['closed', 'attendance', 'test', 'due'];
const rankOf = ({ layer }: CalendarEvent): number =>
  namedFirst.includes(layer) ? namedFirst.indexOf(layer) : namedFirst.length;

/** What is in sight: of the chosen children or of everyone, without the layers that are left out. */
export const inSight = (
  events: readonly CalendarEvent[],
  studentIds: readonly string[],
  hidden: readonly CalendarLayer[],
): CalendarEvent[] =>
  events.filter(
    (event) =>
      !hidden.includes(event.layer) &&
      (event.studentIds.length === 0 || event.studentIds.some((id) => studentIds.includes(id))),
  );

/** A day in few signs; children without anything to tell are left out. */
export function loadOf(
  events: readonly CalendarEvent[],
  clusters: Calendar['clusters'],
  studentIds: readonly string[],
  date: string,
): DayLoad {
  const day = events.filter((event) => touches(event, date));
  const children = studentIds.map((studentId): ChildLoad => {
    const own = day.filter((event) => event.studentIds.includes(studentId));
    const open = own.filter((event) => isWork(event) && !event.settled);
    return {
      studentId,
      open: open.length,
      tests: open.filter(({ layer }) => layer === 'test').length,
      cluster: open.length > 0 && clusters.some((each) => each.studentId === studentId && each.on === date),
      away: own.find(({ layer }) => layer === 'attendance')?.marks ?? null,
    };
  });
  const no = new Set<CalendarLayer>(['due', 'test', 'attendance', 'closed']);
  return {
    children: children.filter(({ open, away }) => open > 0 || away !== null),
    others: day.filter(({ layer }) => !no.has(layer)),
    closed: day.find(({ layer }) => layer === 'closed') ?? null,
    named: day.filter((event) => !isDone(event)).sort((a, b) => rankOf(a) - rankOf(b)),
  };
}

/** The one word for a day's marks of a child, the gravest first. */
export const awayWord = ({ absent, late }: NonNullable<CalendarEvent['marks']>): 'out' | 'late' | 'trip' =>
  absent > 0 ? 'out' : late > 0 ? 'late' : 'trip';

/** An absence is over, and yet nothing that is done with. */
export const isDone = ({ settled, layer }: CalendarEvent): boolean => settled && layer !== 'attendance';

/** What needs one first, and what is settled, which may stand folded. */
export function parted(events: readonly CalendarEvent[]): {
  readonly open: CalendarEvent[];
  readonly settled: CalendarEvent[];
} {
  return { open: events.filter((event) => !isDone(event)), settled: events.filter(isDone) };
}
